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
  const create = useCreateEntry('levels');
  const remove = useRemoveEntry();
  const levels = (frames?.levels ?? [])
    .filter(level => level.dance === dance.id)
    .sort((a, b) => a.order - b.order);
  const { register, handleSubmit, formState, reset } = useForm(newLevel, {
    name: `${dance.name} ${levels.length + 1}`,
  });
  const add = handleSubmit(async ({ name }) => {
    const id = freeId(name, taken => frames?.levels.some(level => level.id === taken) ?? false, 'level');
    const order = (levels.at(-1)?.order ?? 0) + 1;
    await create.mutateAsync({ id, dance: dance.id, name, order }).then(
      () => reset({ name: `${dance.name} ${levels.length + 2}` }),
      () => undefined,
    );
  });
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
      {(create.error ?? remove.error) && <Failure error={create.error ?? remove.error ?? new Error()} />}
      <chakra.form onSubmit={add} noValidate display="flex" gap="2" alignItems="end">
        <TextField
          key={levels.length}
          label={levels.length === 0 ? 'Its first level' : 'The level after it'}
          autoFocus={levels.length === 0}
          fault={formState.errors.name?.message}
          {...register('name')}
        />
        <Button type="submit" look={levels.length === 0 ? 'next' : 'choice'} disabled={create.isPending}>
          Add this level
        </Button>
      </chakra.form>
      <Label>A figure of a level may need figures of the same level or lower ones.</Label>
      {levels.length > 0 && <NextStep key={levels.length} takesFocus />}
    </chakra.section>
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
