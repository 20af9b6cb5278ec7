import { chakra } from '@chakra-ui/react';
import { format, parseISO } from 'date-fns';
import { z } from 'zod';
import { Button, Label } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';
import { EveningsMet } from './evenings-met.tsx';
import type { DecisionsProps } from './setting.tsx';

const newHoliday = z
  .object({
    name: z.string().trim().min(1, 'Say what it is.').max(200),
    from: z.iso.date('Write a day.'),
    to: z.union([z.literal(''), z.iso.date('Write a day.')]),
  })
  .refine(({ from, to }) => to === '' || from <= to, {
    path: ['to'],
    message: 'The last day comes before the first.',
  });
const word = (date: string) => format(parseISO(date), 'd MMM yyyy');

/** Days on which no class is: what lays out evenings passes over them. */
export function Holidays({ studio, commands }: DecisionsProps) {
  const { holidays = [] } = studio;
  const { register, handleSubmit, formState, reset, watch } = useForm(newHoliday, {
    name: '',
    from: '',
    to: '',
  });
  const { errors } = formState;
  const asked = newHoliday.safeParse({ ...watch(), name: 'any' });
  const add = handleSubmit(({ name, from, to }) => {
    commands.edit(`${name} added`, now => ({
      ...now,
      holidays: [...(now.holidays ?? []), { name, from, to: to || from }].sort((a, b) =>
        a.from.localeCompare(b.from),
      ),
    }));
    reset();
  });
  return (
    <chakra.section aria-label="Holidays" display="grid" gap="3" justifyItems="start">
      <Label>
        New evenings are laid out around these days. Evenings that lie in one stay until somebody moves them.
      </Label>
      {holidays.length > 0 && (
        <GridTable look="fields" heads={['Holiday', 'From', 'To', 'Meets', '']}>
          {holidays.map(({ name, from, to }, index) => (
            <TableRow key={`${name} ${from}`}>
              <TableCell>{name}</TableCell>
              <TableCell>{word(from)}</TableCell>
              <TableCell>{word(to)}</TableCell>
              <TableCell>
                <EveningsMet from={from} to={to} />
              </TableCell>
              <TableCell>
                <TakeAway
                  of={name}
                  take={() =>
                    commands.edit(`${name} taken away`, now => ({
                      ...now,
                      holidays: (now.holidays ?? []).toSpliced(index, 1),
                    }))
                  }
                />
              </TableCell>
            </TableRow>
          ))}
        </GridTable>
      )}
      <chakra.form onSubmit={add} noValidate display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div width="18rem">
          <TextField label="Holiday" fault={errors.name?.message} {...register('name')} />
        </chakra.div>
        <chakra.div width="11rem">
          <TextField label="From" type="date" fault={errors.from?.message} {...register('from')} />
        </chakra.div>
        <chakra.div width="11rem">
          <TextField
            label="To (one day if empty)"
            type="date"
            fault={errors.to?.message}
            {...register('to')}
          />
        </chakra.div>
        <Button type="submit" look="next">
          Add it
        </Button>
      </chakra.form>
      {asked.success && (
        <div role="status">
          <Label>These days meet: </Label>
          <EveningsMet from={asked.data.from} to={asked.data.to || asked.data.from} />
        </div>
      )}
    </chakra.section>
  );
}
