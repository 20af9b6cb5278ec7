import { Portal, Tooltip } from '@chakra-ui/react';
import { tooltipSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactElement } from 'react';

interface HintProps {
  readonly words: string | undefined;
  /** What it is about: one element that can take a pointer and the focus. */
  readonly children: ReactElement;
}

/** A few words on something, while it has the pointer or the focus. */
export function Hint({ words, children }: HintProps) {
  if (words === undefined) return children;
  return (
    <Tooltip.Root recipe={tooltipSlotRecipe} openDelay={300} closeDelay={80} lazyMount unmountOnExit>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Portal>
        <Tooltip.Positioner>
          <Tooltip.Content>{words}</Tooltip.Content>
        </Tooltip.Positioner>
      </Portal>
    </Tooltip.Root>
  );
}
