import { chakra } from '@chakra-ui/react';
import { circleThrough, type Dance, isOffered, type Library, type Pattern } from '@map-step/core';
import { type Control, Controller } from 'react-hook-form';
import { z } from 'zod';
import { Choice, type Option, optionsOf } from '../../../ui/choice.tsx';
import { Button } from '../../../ui/parts.tsx';
import { Pick } from '../../../ui/pick.tsx';
import { TextField } from '../../../ui/text-field.tsx';
import { Tick } from '../../../ui/tick.tsx';
import { UnsavedGuard } from '../../../ui/unsaved-guard.tsx';
import { useForm } from '../../../ui/use-form.ts';
import { useCourse } from '../../course/course-context.ts';
import { KINDS } from '../../course/course-words.ts';
import {
  ALIASES,
  type Around,
  CALL,
  DIFFICULTY,
  type FigureLine,
  GRADES,
  MINUTES,
  OTHER_COUNTS,
  RANK,
  TEMPO,
  TURN,
  VARIANT,
  withFields,
} from './figure-fields.ts';

const NONE = '-';
const SPLITS = optionsOf({ [NONE]: 'as the dance', straight: 'straight', swung: 'swung' });

interface FigureFieldsFormProps {
  readonly figure: Pattern;
  readonly dance: Dance;
  save(next: Pattern): void;
  close(): void;
}

/** Everything that is said of a figure in a line, by who may be asked for it. */
export function linesOf({ kind }: Pattern): readonly FigureLine[] {
  const isPractised = kind === 'drill' || kind === 'quality';
  return [
    ...[ALIASES, VARIANT, RANK, CALL, OTHER_COUNTS, TURN, TEMPO, MINUTES, DIFFICULTY],
    ...(isPractised ? [GRADES] : []),
  ];
}

/** What is chosen, picked or ticked: the other fields of the form. */
const chosen = z.object({
  name: z.string().trim().min(1, 'A figure has a name.').max(200),
  kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
  level: z.string(),
  split: z.enum([NONE, 'straight', 'swung']),
  needs: z.array(z.string()),
  lookalikes: z.array(z.string()),
  elements: z.array(z.string()),
  over: z.array(z.string()),
  overTwoLessons: z.boolean(),
  retired: z.boolean(),
});
type Chosen = z.output<typeof chosen>;

function formOf(lines: readonly FigureLine[], around: Around) {
  return chosen.extend({ lines: z.record(z.string(), z.string()) }).superRefine((values, found) => {
    const circle = circleThrough(
      { ...around.figure, needs: values.needs },
      around.library.patterns,
      'needs-cycle',
    );
    if (circle)
      found.addIssue({ code: 'custom', path: ['needs'], message: `these would need each other: ${circle}` });
    for (const { key, read } of lines) {
      const line = read(values.lines[key] ?? '', around);
      if (!line.ok) found.addIssue({ code: 'custom', path: ['lines', key], message: line.fault });
    }
  });
}

type Form = ReturnType<typeof formOf>;
type FormControl = Control<z.input<Form>, unknown, z.output<Form>>;

/** The name of a figure, its level, what it needs and looks like, and what else is said of it. */
export function FigureFieldsForm({ figure, dance, save, close }: FigureFieldsFormProps) {
  const { library } = useCourse();
  const others = [...library.patterns.values()].filter(
    other => other.id !== figure.id && (isOffered(other) || isNamedIn(figure, other.id)),
  );
  const around: Around = { library, figure, dance };
  const lines = linesOf(figure);
  const form = useForm(formOf(lines, around), {
    ...chosenOf(figure),
    lines: Object.fromEntries(lines.map(line => [line.key, line.print(figure, library)])),
  });
  const { control, register, formState } = form;
  const { errors } = formState;
  const submit = form.handleSubmit(({ lines: texts, ...values }) => {
    const whole = withFields(withChosen(figure, values), lines, around, ({ key }) => texts[key] ?? '');
    if (whole.ok) save(whole.value);
  });
  return (
    <chakra.form onSubmit={submit} noValidate display="grid" gap="2">
      <UnsavedGuard isDirty={formState.isDirty && !formState.isSubmitSuccessful} />
      <TextField label="Name" autoFocus fault={errors.name?.message} {...register('name')} />
      <ChosenFields control={control} dance={dance} others={others} />
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

interface ChosenFieldsProps {
  readonly control: FormControl;
  readonly dance: Dance;
  /** The figures that can be named. */
  readonly others: readonly Pattern[];
}

function ChosenFields({ control, dance, others }: ChosenFieldsProps) {
  const { library } = useCourse();
  const figures = others.map(({ id, name }) => ({ value: id, words: name }));
  const choice = (name: 'kind' | 'level' | 'split', label: string, among: readonly Option<string>[]) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => <Choice label={label} value={field.value} among={among} set={field.onChange} />}
    />
  );
  const pick = (
    name: 'needs' | 'lookalikes' | 'elements' | 'over',
    label: string,
    among: readonly Option<string>[],
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Pick
          {...{ label, among }}
          value={field.value}
          set={field.onChange}
          many={name !== 'over'}
          fault={fieldState.error?.message}
        />
      )}
    />
  );
  const tick = (name: 'overTwoLessons' | 'retired', words: string) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Tick isOn={field.value} set={field.onChange}>
          {words}
        </Tick>
      )}
    />
  );
  return (
    <>
      {choice('kind', 'Kind', KINDS)}
      {choice('level', 'Level', levelsOf(library, dance))}
      {choice('split', 'Beats are split', SPLITS)}
      {pick('needs', 'Needs first', figures)}
      {pick('lookalikes', 'Looks like', figures)}
      {pick('elements', 'Brings along, of the studio’s own elements', elementsOf(library, dance))}
      {pick('over', 'Practised over', figures)}
      {tick('overTwoLessons', 'Over two lessons: its pieces first, joined the lesson after')}
      {tick('retired', 'Retired: kept for what was taught, no longer offered')}
    </>
  );
}

function levelsOf({ levels }: Library, dance: Dance): readonly Option<string>[] {
  const own = [...levels.values()].filter(level => level.dance === dance.id);
  return [{ value: NONE, words: 'No level' }, ...own.map(({ id, name }) => ({ value: id, words: name }))];
}

function elementsOf({ elements }: Library, dance: Dance): readonly Option<string>[] {
  return [...elements.values()]
    .filter(element => (element.dance ?? dance.id) === dance.id)
    .map(({ id, name }) => ({ value: id, words: name }));
}

function isNamedIn({ needs = [], lookalikes = [], over }: Pattern, id: string): boolean {
  return needs.includes(id) || lookalikes.includes(id) || over === id;
}

function chosenOf(figure: Pattern): Chosen {
  const { name, kind, level, split, needs = [], lookalikes = [], elements = [], over } = figure;
  return {
    ...{ name, kind, level: level ?? NONE, split: split ?? NONE },
    ...{ needs: [...needs], lookalikes: [...lookalikes], elements: [...elements] },
    over: over === undefined ? [] : [over],
    overTwoLessons: figure.overTwoLessons ?? false,
    retired: figure.retired ?? false,
  };
}

function withChosen(figure: Pattern, values: Chosen): Pattern {
  const {
    level: _l,
    split: _s,
    needs: _n,
    lookalikes: _k,
    elements: _e,
    over: _o,
    overTwoLessons: _t,
    retired: _r,
    ...rest
  } = figure;
  const [over] = values.over;
  return {
    ...rest,
    name: values.name,
    kind: values.kind,
    ...(values.level !== NONE && { level: values.level }),
    ...(values.split !== NONE && { split: values.split }),
    ...(values.needs.length > 0 && { needs: values.needs }),
    ...(values.lookalikes.length > 0 && { lookalikes: values.lookalikes }),
    ...(values.elements.length > 0 && { elements: values.elements }),
    ...(over !== undefined && { over }),
    ...(values.overTwoLessons && { overTwoLessons: true }),
    ...(values.retired && { retired: true }),
  };
}

/** The fields that the form itself chooses. */
export const CHOSEN_FIELDS: readonly string[] = Object.keys(chosen.shape);
