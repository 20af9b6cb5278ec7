import { Checkbox } from '@chakra-ui/react';
import { checkboxSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';

interface TickProps {
  readonly isOn: boolean;
  set(isOn: boolean): void;
  /** Said where no words stand beside it. */
  readonly label?: string;
  readonly children?: ReactNode;
}

/** Yes or no. */
export function Tick({ isOn, set, label, children }: TickProps) {
  return (
    <Checkbox.Root
      recipe={checkboxSlotRecipe}
      checked={isOn}
      onCheckedChange={({ checked }) => set(checked === true)}
      alignItems="flex-start"
    >
      <Checkbox.HiddenInput {...(label && { 'aria-label': label })} />
      <Checkbox.Control mt="0.5" />
      {children && <Checkbox.Label>{children}</Checkbox.Label>}
    </Checkbox.Root>
  );
}
