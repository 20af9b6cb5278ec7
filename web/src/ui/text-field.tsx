import { Field, Input, Textarea } from '@chakra-ui/react';
import { fieldSlotRecipe } from '@chakra-ui/react/theme';
import { type ComponentProps, type ReactNode, useId } from 'react';
import { recipes } from '../theme/recipes.ts';

interface LabelledProps {
  readonly label: ReactNode;
  /** Only said to those who cannot see what it stands beside. */
  readonly hidesLabel?: boolean;
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

function Labelled(props: LabelledProps & { id: string; children: ReactNode }) {
  const { label, hidesLabel = false, fault, id, children } = props;
  return (
    <Field.Root recipe={RECIPE} invalid={fault !== undefined} ids={{ errorText: id }}>
      <Field.Label className={hidesLabel ? 'spoken' : undefined}>{label}</Field.Label>
      {children}
      <Field.ErrorText role="alert">{fault}</Field.ErrorText>
    </Field.Root>
  );
}

/** A line of text, or a day, under what it is called; what is wrong with it stands below. */
export function TextField(props: LabelledProps & ComponentProps<typeof Input>) {
  const { label, hidesLabel, fault, ...input } = props;
  const id = useId();
  return (
    <Labelled label={label} hidesLabel={hidesLabel ?? false} fault={fault} id={id}>
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
export function LongTextField(props: LabelledProps & ComponentProps<typeof Textarea>) {
  const { label, hidesLabel, fault, ...input } = props;
  const id = useId();
  return (
    <Labelled label={label} hidesLabel={hidesLabel ?? false} fault={fault} id={id}>
      <Textarea recipe={recipes.field} {...input} {...(fault !== undefined && { 'aria-describedby': id })} />
    </Labelled>
  );
}
