import { Field, Input, Textarea } from '@chakra-ui/react';
import { fieldSlotRecipe } from '@chakra-ui/react/theme';
import { type ComponentProps, type ReactNode, useId } from 'react';
import { recipes } from '../theme/recipes.ts';

interface LabelledProps {
  readonly label: ReactNode;
  /** What is wrong with what stands in it. */
  readonly fault?: string | undefined;
}

const RECIPE = {
  ...fieldSlotRecipe,
  base: {
    ...fieldSlotRecipe.base,
    root: { ...fieldSlotRecipe.base?.root, gap: '1' },
    label: { ...fieldSlotRecipe.base?.label, color: 'quiet', fontSize: 'sm', fontWeight: '500' },
    errorText: { ...fieldSlotRecipe.base?.errorText, fontSize: 'sm', fontWeight: '600' },
  },
};

function Labelled({ label, fault, id, children }: LabelledProps & { id: string; children: ReactNode }) {
  return (
    <Field.Root recipe={RECIPE} invalid={fault !== undefined} ids={{ errorText: id }}>
      <Field.Label>{label}</Field.Label>
      {children}
      <Field.ErrorText role="alert">{fault}</Field.ErrorText>
    </Field.Root>
  );
}

/** A line of text, or a day, under what it is called; what is wrong with it stands below. */
export function TextField({ label, fault, ...input }: LabelledProps & ComponentProps<typeof Input>) {
  const id = useId();
  return (
    <Labelled label={label} fault={fault} id={id}>
      <Input
        recipe={recipes.field}
        autoComplete="off"
        {...input}
        {...(fault !== undefined && { 'aria-describedby': id })}
      />
    </Labelled>
  );
}

/** A text of several lines. */
export function LongTextField({ label, fault, ...input }: LabelledProps & ComponentProps<typeof Textarea>) {
  const id = useId();
  return (
    <Labelled label={label} fault={fault} id={id}>
      <Textarea recipe={recipes.field} {...input} {...(fault !== undefined && { 'aria-describedby': id })} />
    </Labelled>
  );
}
