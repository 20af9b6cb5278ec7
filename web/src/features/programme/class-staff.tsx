import { chakra } from '@chakra-ui/react';
import type { Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useMemo } from 'react';
import { Controller } from 'react-hook-form';
import { z } from 'zod';
import type { Commands } from '../../api/commands.ts';
import { useCommands, useIsSaving } from '../../api/use-commands.ts';
import { Choice } from '../../ui/choice.tsx';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { UnsavedGuard } from '../../ui/unsaved-guard.tsx';
import { useForm } from '../../ui/use-form.ts';
import { classAggregate } from '../course/class-document.ts';
import { ClassRefusal } from '../course/class-refusal.tsx';
import { HistoryList } from '../history/history-list.tsx';
import { sessionQuery } from '../session/session-queries.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';

type Member = Section['staff'][number];

/** Who teaches a class and on which days; the director adds a stand-in for a date. */
export function ClassStaff({ id }: { id: string }) {
  const { data: studio } = useQuery(studioQuery);
  const { data: session } = useQuery(sessionQuery);
  const document = useMemo(() => classAggregate(id), [id]);
  const { data, error } = useQuery({ queryKey: document.key, queryFn: document.read });
  const commands = useCommands(document, session?.person?.id ?? '');
  if (!data) return error ? <Failure error={error} /> : null;
  const { staff } = data.body;
  const free = (studio?.people ?? []).filter(one => !staff.some(({ person }) => person === one.id));
  const takeOff = (member: Member) =>
    commands.edit(`${personName(studio, member.person)} taken off`, section => ({
      ...section,
      staff: section.staff.filter(({ person }) => person !== member.person),
    }));
  return (
    <chakra.div display="grid" gap="2" py="2" pl="4" borderLeft="3px solid" borderColor="line" width="100%">
      <ClassRefusal of={document.key} commands={commands} />
      <chakra.ul listStyleType="none" p="0">
        {staff.map(member => (
          <chakra.li
            key={member.person}
            display="grid"
            gridTemplateColumns="14rem 11rem auto"
            justifyContent="start"
            gap="2"
            alignItems="center"
          >
            <span>{personName(studio, member.person)}</span>
            <Label>{daysOf(member)}</Label>
            <Button look="quiet" size="small" onClick={() => takeOff(member)}>
              Take off
            </Button>
          </chakra.li>
        ))}
      </chakra.ul>
      {free.length > 0 && (
        <AddMember
          key={free[0]?.id}
          free={free.map(({ id: person, name, role }) => ({ value: person, words: `${name}, ${role}` }))}
          section={document}
          commands={commands}
          nameOf={person => personName(studio, person)}
        />
      )}
      <Disclosure title="Changes of this class" size="small">
        <HistoryList history={data.history} takeBack={commands.takeBack} />
      </Disclosure>
    </chakra.div>
  );
}

const day = z.union([z.literal(''), z.iso.date('Write a day.')]);
const memberForm = z
  .object({ person: z.string().min(1, 'Choose somebody.'), from: day, to: day })
  .refine(({ from, to }) => from === '' || to === '' || from <= to, {
    path: ['to'],
    message: 'The last day comes before the first.',
  });

interface AddMemberProps {
  readonly free: readonly { readonly value: string; readonly words: string }[];
  readonly section: ReturnType<typeof classAggregate>;
  readonly commands: Commands<Section>;
  nameOf(person: string): string;
}

function AddMember({ free, section, commands, nameOf }: AddMemberProps) {
  const isSaving = useIsSaving(section.key);
  const form = useForm(memberForm, { person: free[0]?.value ?? '', from: '', to: '' });
  const { errors } = form.formState;
  const add = form.handleSubmit(({ person, from, to }) => {
    const member: Member = { person, ...(from && { from }), ...(to && { to }) };
    commands.edit(`${nameOf(person)} added, ${daysOf(member)}`, now => ({
      ...now,
      staff: [...now.staff.filter(one => one.person !== person), member],
    }));
  });
  return (
    <chakra.form onSubmit={add} noValidate display="flex" gap="2" flexWrap="wrap" alignItems="end">
      <UnsavedGuard isDirty={form.formState.isDirty && !form.formState.isSubmitSuccessful} />
      <Controller
        control={form.control}
        name="person"
        render={({ field }) => (
          <Choice
            label="Add to the staff"
            width="14rem"
            value={field.value}
            among={free}
            set={field.onChange}
          />
        )}
      />
      <chakra.div width="11rem">
        <TextField
          label="From (any day if empty)"
          type="date"
          fault={errors.from?.message}
          {...form.register('from')}
        />
      </chakra.div>
      <chakra.div width="11rem">
        <TextField label="To" type="date" fault={errors.to?.message} {...form.register('to')} />
      </chakra.div>
      <Button type="submit" look="next" disabled={isSaving}>
        Add
      </Button>
    </chakra.form>
  );
}

function daysOf({ from, to }: Pick<Member, 'from' | 'to'>): string {
  const word = (date: string) => format(parseISO(date), 'd MMM');
  if (from && to) return from === to ? `on ${word(from)} only` : `${word(from)} to ${word(to)}`;
  if (from) return `from ${word(from)}`;
  return to ? `until ${word(to)}` : 'every lesson';
}
