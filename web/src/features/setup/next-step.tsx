import { chakra } from '@chakra-ui/react';
import { Label, LinkButton } from '../../ui/parts.tsx';
import { nextStep } from './steps.ts';
import { useSteps } from './use-steps.ts';

/** What comes next while a studio is being set up; nothing once it stands. */
export function NextStep({ takesFocus = false }: { takesFocus?: boolean }) {
  const steps = useSteps();
  const next = steps && nextStep(steps);
  if (!next?.to) return null;
  return (
    <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap" my="3">
      <LinkButton look="next" size="large" to={next.to} ref={takesFocus ? focusOn : undefined}>
        Next: {next.title.charAt(0).toLowerCase() + next.title.slice(1)}
      </LinkButton>
      <Label>{next.why}</Label>
    </chakra.div>
  );
}

function focusOn(element: HTMLElement | null): void {
  element?.focus();
}
