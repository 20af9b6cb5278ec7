import { chakra } from '@chakra-ui/react';
import type { Pattern } from '@map-step/core';
import { useMemo } from 'react';
import { Controller } from 'react-hook-form';
import { z } from 'zod';
import { Choice } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { Pick } from '../../../ui/pick.tsx';
import { TextField } from '../../../ui/text-field.tsx';
import { UnsavedGuard } from '../../../ui/unsaved-guard.tsx';
import { useForm } from '../../../ui/use-form.ts';
import { useCourse } from '../../course/course-context.ts';
import {
  ALIASES,
  ALIGN,
  CALL,
  type FigureLine,
  type FigureNames,
  figureNames,
  MADE,
  RANK,
  TEMPO,
  TURN,
  VARIANT,
  withFields,
} from './figure-fields.ts';

const NO_LEVEL = '-';

interface FigureFieldsFormProps {
  readonly figure: Pattern;
  save(next: Pattern): void;
  close(): void;
}

/** A name of its own, and lines that can be read. */
function formOf(lines: readonly FigureLine[], names: FigureNames) {
  return z
    .object({
      name: z.string().trim().min(1, 'A figure has a name.').max(200),
      level: z.string(),
      needs: z.array(z.string()),
      lookalikes: z.array(z.string()),
      lines: z.record(z.string(), z.string()),
    })
    .superRefine((values, found) => {
      for (const { key, read } of lines)
        if (!read(values.lines[key] ?? '', names))
          found.addIssue({ code: 'custom', path: ['lines', key], message: 'This is not understood.' });
    });
}

/** The name of a figure, its level, what it needs and looks like, and what else is said of it in a line. */
export function FigureFieldsForm({ figure, save, close }: FigureFieldsFormProps) {
  const { library } = useCourse();
  const others = [...library.patterns.values()].filter(({ id }) => id !== figure.id);
  const names = figureNames(others);
  const isOnLine = library.dances.get(figure.dance)?.floor === 'line';
  const lines = [ALIASES, VARIANT, RANK, MADE, CALL, TURN, ...(isOnLine ? [ALIGN] : []), TEMPO];
  const form = useForm(formOf(lines, names), {
    name: figure.name,
    level: figure.level ?? NO_LEVEL,
    needs: [...(figure.needs ?? [])],
    lookalikes: [...(figure.lookalikes ?? [])],
    lines: Object.fromEntries(lines.map(line => [line.key, line.print(figure, names)])),
  });
  const { control, register, formState } = form;
  const { errors } = formState;
  const levels = [...library.levels.values()]
    .filter(({ dance }) => dance === figure.dance)
    .map(({ id, name }) => ({ value: id, words: name }));
  const figures = useMemo(
    () => [...library.patterns.values()].map(({ id, name }) => ({ value: id, words: name })),
    [library],
  ).filter(({ value }) => value !== figure.id);
  const submit = form.handleSubmit(({ lines: texts, ...values }) => {
    const whole = withFields(withValues(figure, values), lines, names, ({ key }) => texts[key] ?? '');
    if (whole) save(whole);
  });
  return (
    <chakra.form onSubmit={submit} noValidate display="grid" gap="2">
      <UnsavedGuard isDirty={formState.isDirty && !formState.isSubmitSuccessful} />
      <TextField label="Name" autoFocus fault={errors.name?.message} {...register('name')} />
      <Controller
        control={control}
        name="level"
        render={({ field }) => (
          <Choice
            label="Level"
            value={field.value}
            among={[{ value: NO_LEVEL, words: 'No level' }, ...levels]}
            set={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="needs"
        render={({ field }) => (
          <Pick label="Needs first" among={figures} value={field.value} set={field.onChange} many />
        )}
      />
      <Controller
        control={control}
        name="lookalikes"
        render={({ field }) => (
          <Pick label="Looks like" among={figures} value={field.value} set={field.onChange} many />
        )}
      />
      {lines.map(({ key, word }) => (
        <TextField
          key={key}
          label={word}
          fault={errors.lines?.[key]?.message}
          {...register(`lines.${key}`)}
        />
      ))}
      <chakra.div display="flex" gap="2">
        <Button type="submit" look="next">
          Save
        </Button>
        <Button onClick={close}>Leave as it was</Button>
      </chakra.div>
    </chakra.form>
  );
}

interface FormValues {
  readonly name: string;
  readonly level: string;
  readonly needs: readonly string[];
  readonly lookalikes: readonly string[];
}

function withValues(figure: Pattern, { name, level, needs, lookalikes }: FormValues): Pattern {
  const { level: _level, needs: _needs, lookalikes: _lookalikes, ...rest } = figure;
  return {
    ...rest,
    name,
    ...(level !== NO_LEVEL && { level }),
    ...(needs.length > 0 && { needs }),
    ...(lookalikes.length > 0 && { lookalikes }),
  };
}
