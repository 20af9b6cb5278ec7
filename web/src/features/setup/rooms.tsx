import { chakra } from '@chakra-ui/react';
import { freeId, type Room } from '@map-step/core';
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
import { studioQuery } from '../studio/studio-queries.ts';
import { EntryRefusal } from './entry-refusal.tsx';
import { useCreateEntry, useRemoveEntry } from './setup-queries.ts';
import { useEntry } from './use-entry.ts';

const metres = z.coerce.number('Write metres.').min(1, 'Write metres.').max(200, 'Write metres.');
const newRoom = z.object({
  name: z.string().trim().min(1, 'A room needs a name.').max(200),
  length: metres,
  width: metres,
});

/** The rooms and their floors in metres. */
export function Rooms() {
  const { data: studio } = useQuery(studioQuery);
  const create = useCreateEntry('rooms');
  const remove = useRemoveEntry();
  const rooms = studio?.rooms ?? [];
  const { register, handleSubmit, formState, reset } = useForm(newRoom, {
    name: '',
    length: '10',
    width: '8',
  });
  const { errors } = formState;
  const add = handleSubmit(async room => {
    const id = freeId(room.name, taken => rooms.some(one => one.id === taken), 'room');
    await create.mutateAsync({ id, ...room }).then(
      () => reset(),
      () => undefined,
    );
  });
  const error = create.error ?? remove.error;
  return (
    <chakra.section aria-label="Rooms" display="grid" gap="3" justifyItems="start">
      <Label>
        How many couples fit, and whether a figure has the room it takes; two classes at once in one are told.
      </Label>
      {error && <Failure error={error} />}
      {rooms.length > 0 && (
        <GridTable look="fields" heads={['Room', 'Length, m', 'Width, m', '']}>
          {rooms.map(room => (
            <RoomRow
              key={room.id}
              room={room}
              takeAway={() => remove.mutate({ kind: 'rooms', entry: room.id })}
            />
          ))}
        </GridTable>
      )}
      <chakra.form onSubmit={add} noValidate display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div width="18rem">
          <TextField label="Room" fault={errors.name?.message} {...register('name')} />
        </chakra.div>
        <chakra.div width="7rem">
          <TextField
            label="Length, m"
            inputMode="decimal"
            fault={errors.length?.message}
            {...register('length')}
          />
        </chakra.div>
        <chakra.div width="7rem">
          <TextField
            label="Width, m"
            inputMode="decimal"
            fault={errors.width?.message}
            {...register('width')}
          />
        </chakra.div>
        <Button type="submit" look="next" disabled={create.isPending}>
          Add this room
        </Button>
      </chakra.form>
    </chakra.section>
  );
}

function RoomRow({ room, takeAway }: { room: Room; takeAway(): void }) {
  const { id } = room;
  const { data, commands, key } = useEntry('rooms', id);
  const { name, length, width } = data?.body ?? room;
  const put = (what: string, more: Partial<Room>) => commands.edit(what, now => ({ ...now, ...more }));
  return (
    <TableRow>
      <TableCell>
        <SavedText
          label={`Name of ${name}`}
          hidesLabel
          value={name}
          faultOf={text => (text.trim() ? undefined : 'A room needs a name.')}
          save={next => put('Name', { name: next })}
        />
        <EntryRefusal of={key} commands={commands} />
      </TableCell>
      <TableCell>
        <NumberField
          label={`Length of ${name}`}
          value={length}
          min={1}
          max={200}
          save={next => next !== undefined && put('Length', { length: next })}
        />
      </TableCell>
      <TableCell>
        <NumberField
          label={`Width of ${name}`}
          value={width}
          min={1}
          max={200}
          save={next => next !== undefined && put('Width', { width: next })}
        />
      </TableCell>
      <TableCell>
        <TakeAway of={name} take={takeAway} />
      </TableCell>
    </TableRow>
  );
}
