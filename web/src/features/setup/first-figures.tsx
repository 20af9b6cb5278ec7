import { chakra } from '@chakra-ui/react';
import {
  type Dance,
  freeId,
  type Level,
  type Parts,
  type Pattern,
  printStep,
  readTypedSteps,
} from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Controller } from 'react-hook-form';
import { Link } from 'react-router';
import { z } from 'zod';
import { call } from '../../api/client.ts';
import { Choice, type Option } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { UnsavedGuard } from '../../ui/unsaved-guard.tsx';
import { useForm } from '../../ui/use-form.ts';
import { keys } from '../course/course-queries.ts';
import { KINDS } from '../course/course-words.ts';
import { NextStep } from './next-step.tsx';
import { danceQuery, useRemoveEntry } from './setup-queries.ts';

/** Where a figure ends in the hold that it began in. */
const SAME = 'same';

/** Figures typed one after the other: a name, a rhythm and steps each; all else is written in its step sheet. */
export function FirstFigures({ dance }: { dance: Dance }) {
  const { data: material } = useQuery(danceQuery(dance.id));
  const remove = useRemoveEntry();
  if (!material) return <Skeleton />;
  const patterns = material.patterns.filter(pattern => pattern.dance === dance.id);
  const levels = material.levels.filter(level => level.dance === dance.id).sort((a, b) => a.order - b.order);
  const nameOf = (level: string | undefined) => levels.find(({ id }) => id === level)?.name ?? 'no level';
  return (
    <chakra.section aria-label="Figures" display="grid" gap="4">
      <NewFigureRow key={patterns.length} dance={dance} levels={levels} patterns={patterns} />
      {remove.error && <Failure error={remove.error} />}
      {patterns.length > 0 && (
        <>
          <GridTable look="fields" heads={['Figure', 'Kind', 'Level', 'Rhythm', '']}>
            {patterns.toReversed().map(({ id, name, kind, level, rhythm }) => (
              <TableRow key={id}>
                <TableCell>{name}</TableCell>
                <TableCell>{kind}</TableCell>
                <TableCell>{nameOf(level)}</TableCell>
                <TableCell>{typeof rhythm === 'object' ? rhythm.lead : rhythm}</TableCell>
                <TableCell>
                  <TakeAway of={name} take={() => remove.mutate({ kind: 'patterns', entry: id })} />
                </TableCell>
              </TableRow>
            ))}
          </GridTable>
          <Label>
            Holds step by step, cues, faults, cautions and needs are written in the Material room of a course.
          </Label>
          <chakra.div display="flex" gap="4" alignItems="center" flexWrap="wrap">
            <NextStep />
            <Link to={`/courses/new?dance=${dance.id}`}>Make a course of them</Link>
          </chakra.div>
        </>
      )}
    </chakra.section>
  );
}

const newFigure = z.object({
  name: z.string().trim().min(1, 'Give it the name that the house calls it by.').max(200),
  kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
  level: z.string(),
  rhythm: z.string().trim().min(1, 'Write its rhythm, such as SSQQ or 1 2 3&4.').max(1000),
  steps: z.string().trim().min(1, 'Write its steps, such as f, f, s, c.').max(4000),
  follow: z.string().trim().max(4000),
  entry: z.string(),
  exit: z.string(),
});
type NewFigure = z.output<typeof newFigure>;

interface NewFigureRowProps {
  readonly dance: Dance;
  readonly levels: readonly Level[];
  readonly patterns: readonly Pattern[];
}

function NewFigureRow(row: NewFigureRowProps) {
  const { form, write, create } = useNewFigure(row);
  const { register, formState } = form;
  const { errors } = formState;
  const isPair = row.dance.roles === 'pair';
  return (
    <chakra.form onSubmit={write} noValidate aria-label="New figure" display="grid" gap="3" maxW="64rem">
      <UnsavedGuard isDirty={formState.isDirty && !formState.isSubmitSuccessful} />
      {create.isError && <Failure error={create.error} />}
      <chakra.div display="grid" gap="3" gridTemplateColumns={{ md: '14rem 12rem 1fr' }} alignItems="start">
        <TextField label="Figure" autoFocus fault={errors.name?.message} {...register('name')} />
        <TextField label="Rhythm" fault={errors.rhythm?.message} {...register('rhythm')} />
        <TextField
          label={`${isPair ? 'Leader’s steps' : 'Steps'}, as in f, s, c or L fwd, R side`}
          fault={errors.steps?.message}
          {...register('steps')}
        />
      </chakra.div>
      <chakra.div display="flex" gap="2.5" flexWrap="wrap" alignItems="end">
        <Button type="submit" look="next" disabled={create.isPending}>
          Write it down
        </Button>
        {isPair && (
          <chakra.div width="14rem">
            <TextField
              label="Follower’s, where not the opposite"
              fault={errors.follow?.message}
              {...register('follow')}
            />
          </chakra.div>
        )}
        <FigureChoices control={form.control} dance={row.dance} levels={row.levels} />
      </chakra.div>
    </chakra.form>
  );
}

/** The form of a figure, which begins as the last one was, and what writing it down does. */
function useNewFigure({ dance, levels, patterns }: NewFigureRowProps) {
  const client = useQueryClient();
  const last = patterns.at(-1);
  const create = useMutation({
    mutationFn: (figure: Pattern) => call('figure.create', { body: { figure } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keys.material }),
  });
  const form = useForm(newFigure, {
    name: '',
    kind: last?.kind ?? 'basic',
    level: last?.level ?? levels[0]?.id ?? '',
    rhythm: typeof last?.rhythm === 'string' ? last.rhythm : '',
    steps: '',
    follow: '',
    entry: last?.entry?.[0] ?? dance.holds[0]?.id ?? '',
    exit: SAME,
  });
  const write = form.handleSubmit(async given => {
    const parts = readParts(given, dance);
    if ('fault' in parts) {
      form.setError(parts.field, { type: 'typed', message: parts.fault }, { shouldFocus: true });
      return;
    }
    const id = freeId(given.name, taken => patterns.some(one => one.id === taken), 'figure');
    await create.mutateAsync(figureOf(id, given, dance, parts)).catch(() => undefined);
  });
  return { form, write, create };
}

interface FigureChoicesProps extends Pick<NewFigureRowProps, 'dance' | 'levels'> {
  readonly control: ReturnType<typeof useNewFigure>['form']['control'];
}

function FigureChoices({ control, dance, levels }: FigureChoicesProps) {
  const holds = dance.holds.map(({ id, name }) => ({ value: id, words: name }));
  const choice = <Name extends 'kind' | 'level' | 'entry' | 'exit'>(
    name: Name,
    label: string,
    among: readonly Option<NewFigure[Name]>[],
    width = '8.5rem',
  ) => (
    <Controller
      control={control}
      name={name}
      render={({ field }) => (
        <Choice
          label={label}
          width={width}
          value={field.value as NewFigure[Name]}
          among={among}
          set={field.onChange}
        />
      )}
    />
  );
  return (
    <>
      {choice('kind', 'Kind', KINDS, '7rem')}
      {levels.length > 0 &&
        choice(
          'level',
          'Level',
          levels.map(({ id, name }) => ({ value: id, words: name })),
        )}
      {dance.roles === 'pair' && choice('entry', 'Begins in', holds)}
      {dance.roles === 'pair' &&
        choice('exit', 'Ends in', [{ value: SAME, words: 'the same hold' }, ...holds])}
    </>
  );
}

type ReadParts = { readonly parts: Parts } | { readonly fault: string; readonly field: 'steps' | 'follow' };

function readParts({ steps, follow }: NewFigure, dance: Dance): ReadParts {
  const own = readTypedSteps(steps, { dance, free: 'L' });
  if (!own.ok) return { fault: own.fault, field: 'steps' };
  const print = (read: readonly Parameters<typeof printStep>[0][]) => read.map(printStep).join(', ');
  if (dance.roles === 'solo') return { parts: { solo: print(own.value) } };
  if (follow === '' || follow === 'opposite')
    return { parts: { lead: print(own.value), follow: 'opposite' } };
  const other = readTypedSteps(follow, { dance, free: 'R' });
  if (!other.ok) return { fault: other.fault, field: 'follow' };
  return { parts: { lead: print(own.value), follow: print(other.value) } };
}

function figureOf(id: string, given: NewFigure, dance: Dance, { parts }: { readonly parts: Parts }): Pattern {
  const { name, kind, level, rhythm, entry, exit } = given;
  return {
    id,
    dance: dance.id,
    name,
    kind,
    ...(level && { level }),
    rhythm,
    parts,
    ...(dance.roles === 'pair' && { entry: [entry], exit }),
  };
}
