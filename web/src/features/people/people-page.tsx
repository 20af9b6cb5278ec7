import { chakra } from '@chakra-ui/react';
import type { StaffRole } from '@map-step/contract';
import { freeId, type Person } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { z } from 'zod';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label, Skeleton } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useForm } from '../../ui/use-form.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { useCreateEntry } from '../setup/setup-queries.ts';
import { StudioPage, useIsDirector } from '../shell/studio-page.tsx';
import { studioQuery } from '../studio/studio-queries.ts';
import { FoundingLink } from './founding-link.tsx';
import { PersonRow } from './person-row.tsx';
import { ROLE_WORDS } from './role-words.ts';

/** Everybody who teaches here; a director also sees how they come in. */
export function PeoplePage() {
  const { data: studio, error } = useQuery(studioQuery);
  const { data: session } = useQuery(sessionQuery);
  const isDirector = useIsDirector();
  return (
    <StudioPage title="People">
      <chakra.div display="grid" gap="5">
        {!studio && (error ? <Failure error={error} /> : <Skeleton />)}
        {isDirector && studio && <NewPerson key={studio.people.length} people={studio.people} />}
        <chakra.ul listStyleType="none" p="0">
          {studio?.people.map(person => (
            <PersonRow
              key={person.id}
              person={person}
              isDirector={isDirector}
              isMe={session?.person?.id === person.id}
            />
          ))}
        </chakra.ul>
        {isDirector && (
          <Label>
            A director sees and changes everything. Teachers write figures, and log and recap their own
            classes on their days; assistants and stand-ins log theirs. Students’ names and marks are seen by
            the director and the staff of their class.
          </Label>
        )}
        {isDirector && session?.founding === 'invitation' && <FoundingLink />}
      </chakra.div>
    </StudioPage>
  );
}

const ROLES = optionsOf(ROLE_WORDS);
const newPerson = z.object({
  name: z.string().trim().min(1, 'Write the name that the staff know them by.').max(200),
  role: z.enum(['director', 'teacher', 'assistant', 'stand-in']),
});

function NewPerson({ people }: { people: readonly Person[] }) {
  const create = useCreateEntry('people');
  const { register, control, handleSubmit, formState, setError } = useForm(newPerson, {
    name: '',
    role: 'teacher' as StaffRole,
  });
  const [warned, warn] = useState<string>();
  const add = handleSubmit(async ({ name, role }) => {
    const known = people.find(one => one.name.toLowerCase() === name.toLowerCase());
    if (known && warned !== name) {
      warn(name);
      const message = `${known.name} is here already, as ${ROLE_WORDS[known.role].toLowerCase()}. Add again for another of this name.`;
      setError('name', { type: 'known', message }, { shouldFocus: true });
      return;
    }
    const id = freeId(name, taken => people.some(one => one.id === taken), 'person');
    await create.mutateAsync({ id, name, role }).catch(() => undefined);
  });
  return (
    <chakra.form onSubmit={add} noValidate aria-label="New person" display="grid" gap="2">
      {create.isError && <Failure error={create.error} />}
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div width="16rem">
          <TextField
            label="Add somebody"
            autoFocus
            fault={formState.errors.name?.message}
            {...register('name')}
          />
        </chakra.div>
        <Controller
          control={control}
          name="role"
          render={({ field }) => (
            <Choice label="As" width="13rem" value={field.value} among={ROLES} set={field.onChange} />
          )}
        />
        <Button type="submit" look="next" disabled={create.isPending}>
          Add
        </Button>
      </chakra.div>
    </chakra.form>
  );
}
