import { chakra } from '@chakra-ui/react';
import { type Dance, freeId, type Level } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { z } from 'zod';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';
import { EntryRefusal } from './entry-refusal.tsx';
import { NextStep } from './next-step.tsx';
import { framesQuery, useCreateEntry, useRemoveEntry } from './setup-queries.ts';
import { useEntry } from './use-entry.ts';

const newLevel = z.object({ name: z.string().trim().min(1, 'A level needs a name.').max(200) });

/** The levels of a dance in their order, each with its limit. */
export function Levels({ dance }: { dance: Dance }) {
  const { data: frames } = useQuery(framesQuery);
  const remove = useRemoveEntry();
  if (!frames) return null;
  const levels = frames.levels.filter(level => level.dance === dance.id).sort((a, b) => a.order - b.order);
  return (
    <chakra.section aria-label="Levels" display="grid" gap="3" justifyItems="start">
      {levels.length > 0 && (
        <GridTable look="fields" heads={['Order', 'Called', 'Shortest step, milliseconds', '']}>
          {levels.map(level => (
            <LevelRow
              key={level.id}
              level={level}
              takeAway={() => remove.mutate({ kind: 'levels', entry: level.id })}
            />
          ))}
        </GridTable>
      )}
      {remove.error && <Failure error={remove.error} />}
      <NewLevel key={levels.length} dance={dance} levels={levels} taken={frames.levels} />
      <Label>A figure of a level may need figures of the same level or lower ones.</Label>
      {levels.length > 0 && <NextStep key={levels.length} takesFocus />}
    </chakra.section>
  );
}

interface NewLevelProps {
  readonly dance: Dance;
  readonly levels: readonly Level[];
  /** The levels of every dance: no two have one id. */
  readonly taken: readonly Level[];
}

function NewLevel({ dance, levels, taken }: NewLevelProps) {
  const create = useCreateEntry('levels');
  const { register, handleSubmit, formState } = useForm(newLevel, {
    name: `${dance.name} ${levels.length + 1}`,
  });
  const isFirst = levels.length === 0;
  const add = handleSubmit(({ name }) => {
    const id = freeId(name, wanted => taken.some(level => level.id === wanted), 'level');
    create.mutate({ id, dance: dance.id, name, order: (levels.at(-1)?.order ?? 0) + 1 });
  });
  return (
    <>
      {create.error && <Failure error={create.error} />}
      <chakra.form onSubmit={add} noValidate display="flex" gap="2" alignItems="end">
        <TextField
          label={isFirst ? 'Its first level' : 'The level after it'}
          autoFocus={isFirst}
          fault={formState.errors.name?.message}
          {...register('name')}
        />
        <Button type="submit" flexShrink="0" look={isFirst ? 'next' : 'choice'} disabled={create.isPending}>
          Add this level
        </Button>
      </chakra.form>
    </>
  );
}

function LevelRow({ level: { id }, level, takeAway }: { level: Level; takeAway(): void }) {
  const { data, commands, key } = useEntry('levels', id);
  const { name, order, shortest } = data?.body ?? level;
  const put = (what: string, more: Partial<Level>) => commands.edit(what, now => ({ ...now, ...more }));
  return (
    <TableRow>
      <TableCell>
        <NumberField
          label={`Order of ${name}`}
          value={order}
          save={next => next !== undefined && put('Order', { order: next })}
        />
      </TableCell>
      <TableCell>
        <SavedText
          label={`Name of level ${order}`}
          hidesLabel
          value={name}
          faultOf={text => (text.trim() ? undefined : 'A level needs a name.')}
          save={next => put('Name', { name: next })}
        />
        <EntryRefusal of={key} commands={commands} />
      </TableCell>
      <TableCell>
        <NumberField
          label={`Shortest step of ${name}`}
          value={shortest}
          min={1}
          max={5000}
          width="6rem"
          save={next =>
            commands.edit('Shortest step', ({ shortest: _, ...rest }) =>
              next === undefined ? rest : { ...rest, shortest: next },
            )
          }
        />
      </TableCell>
      <TableCell>
        <TakeAway of={name} take={takeAway} />
      </TableCell>
    </TableRow>
  );
}
