import { chakra } from '@chakra-ui/react';
import type { Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { daysOf } from '../course/class-words.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import type { ClassLayout } from './class-draft.ts';

type Member = Section['staff'][number];

interface ClassStaffProps {
  readonly staff: ClassLayout['staff'];
  put(staff: ClassLayout['staff']): void;
}

/** Who teaches a class and on which days; a stand-in is added for a day. */
export function ClassStaff({ staff, put }: ClassStaffProps) {
  const { data: studio } = useQuery(studioQuery);
  return (
    <chakra.section aria-label="Staff" display="grid" gap="2">
      <chakra.h2 fontSize="lg">Staff</chakra.h2>
      <chakra.ul listStyleType="none" p="0">
        {staff.map((member, index) => (
          <chakra.li
            key={`${member.person} ${member.from ?? ''}`}
            display="grid"
            gridTemplateColumns={{ base: '1fr 1fr auto', md: '14rem minmax(12rem, auto) auto' }}
            justifyContent="start"
            gap="2"
            alignItems="center"
          >
            <span>{personName(studio, member.person)}</span>
            <Label>{[daysOf(member), member.rights].filter(Boolean).join(' · ')}</Label>
            <Button look="quiet" size="small" onClick={() => put(staff.toSpliced(index, 1))}>
              Take off
            </Button>
          </chakra.li>
        ))}
      </chakra.ul>
      <AddMember add={member => put([...staff.filter(one => !isSame(one, member)), member])} />
    </chakra.section>
  );
}

function isSame(one: Member, other: Member): boolean {
  return one.person === other.person && one.from === other.from;
}

function AddMember({ add }: { add(member: Member): void }) {
  const { data: studio } = useQuery(studioQuery);
  const [chosen, choose] = useState<string>();
  const [days, setDays] = useState({ from: '', to: '' });
  const [rights, setRights] = useState('');
  const people = studio?.people ?? [];
  const person = chosen ?? people[0]?.id;
  const isTurned = days.from !== '' && days.to !== '' && days.to < days.from;
  return (
    <chakra.div display="flex" gap="2" flexWrap="wrap" alignItems="end">
      <Choice
        label="Add to the staff"
        width="16rem"
        value={person}
        among={people.map(({ id, name, role }) => ({ value: id, words: `${name}, ${role}` }))}
        set={choose}
      />
      {(['from', 'to'] as const).map(end => (
        <chakra.div key={end} width="11rem">
          <TextField
            label={end === 'from' ? 'From (any day if empty)' : 'To'}
            type="date"
            value={days[end]}
            fault={end === 'to' && isTurned ? 'The last day comes before the first.' : undefined}
            onChange={event => setDays({ ...days, [end]: event.target.value })}
          />
        </chakra.div>
      ))}
      <chakra.div width="14rem">
        <TextField
          label="What for, as the staff reads it"
          value={rights}
          maxLength={200}
          placeholder="marks the check"
          onChange={event => setRights(event.target.value)}
        />
      </chakra.div>
      <Button
        disabled={person === undefined || isTurned}
        onClick={() => {
          if (person === undefined) return;
          add({
            person,
            ...(days.from && { from: days.from }),
            ...(days.to && { to: days.to }),
            ...(rights.trim() && { rights: rights.trim() }),
          });
          setDays({ from: '', to: '' });
          setRights('');
        }}
      >
        Add
      </Button>
    </chakra.div>
  );
}
