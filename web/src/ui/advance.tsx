import { Progress } from '@chakra-ui/react';
import { progressSlotRecipe } from '@chakra-ui/react/theme';

interface AdvanceProps {
  readonly label: string;
  readonly done: number;
  /** 0 while nobody knows yet. */
  readonly total: number;
}

/** How far something is that takes a while. */
export function Advance({ label, done, total }: AdvanceProps) {
  return (
    <Progress.Root
      recipe={progressSlotRecipe}
      flex="1"
      max={total || 1}
      value={total > 0 ? Math.min(done, total) : null}
      aria-label={label}
    >
      <Progress.Track aria-label={label}>
        <Progress.Range />
      </Progress.Track>
    </Progress.Root>
  );
}
