import { chakra } from '@chakra-ui/react';
import type { Json, Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Field, Label, Select } from '../../ui/parts.tsx';
import { ClashChoice } from '../history/clash-choice.tsx';
import { HistoryList } from '../history/history-list.tsx';
import { useClassDocument } from '../history/use-class-document.ts';
import { studioQuery } from '../studio/studio-queries.ts';

type Member = Section['staff'][number];

/** Who teaches a class and on which days; the director adds a stand-in for a date. */
export function ClassStaff({ id }: { id: string }) {
  const { data: studio } = useQuery(studioQuery);
  const document = useClassDocument(id);
  const nameOf = (person: string) => studio?.people.find(one => one.id === person)?.name ?? person;
  const wordsOf = (value: Json) => (value === null ? 'not on the staff' : daysOf(value as unknown as Member));
  if (!document.answer) return document.error ? <Failure error={document.error} /> : null;
  const { body, history } = document.answer;
  const free = (studio?.people ?? []).filter(one => !body.staff.some(({ person }) => person === one.id));
  const add = (data: FormData) => {
    const person = String(data.get('person'));
    const [from, to] = [String(data.get('from')), String(data.get('to'))];
    const member = { person, ...(from && { from }), ...(to && { to }) };
    document.edit(`${nameOf(person)} added, ${daysOf(member)}`, body, { [`staff/${person}`]: member });
  };
  return (
    <chakra.div display="grid" gap="2" py="2" pl="4" borderLeft="3px solid" borderColor="line" width="100%">
      {document.error && <Failure error={document.error} />}
      <ClashChoice
        clashes={document.clashes}
        nameOf={field => nameOf(field.replace('staff/', ''))}
        wordsOf={wordsOf}
        settle={document.settle}
      />
      <chakra.ul listStyleType="none" p="0">
        {body.staff.map(member => (
          <chakra.li
            key={member.person}
            display="grid"
            gridTemplateColumns="14rem 11rem auto"
            justifyContent="start"
            gap="2"
            alignItems="center"
          >
            <span>{nameOf(member.person)}</span>
            <Label>{daysOf(member)}</Label>
            <Button
              look="quiet"
              size="small"
              onClick={() =>
                document.edit(`${nameOf(member.person)} taken off`, body, {
                  [`staff/${member.person}`]: null,
                })
              }
            >
              Take off
            </Button>
          </chakra.li>
        ))}
      </chakra.ul>
      <chakra.form action={add} display="flex" gap="2" flexWrap="wrap" alignItems="end">
        <chakra.label display="grid">
          <Label>Add to the staff</Label>
          <Select name="person" required width="14rem">
            {free.map(({ id: person, name, role }) => (
              <option key={person} value={person}>
                {name}, {role}
              </option>
            ))}
          </Select>
        </chakra.label>
        <DayField name="from" label="From (any day if empty)" />
        <DayField name="to" label="To" />
        <Button type="submit" look="next" disabled={document.isSaving || free.length === 0}>
          Add
        </Button>
      </chakra.form>
      <Disclosure title="Changes of this class" size="small">
        <HistoryList history={history} takeBack={document.takeBack} />
      </Disclosure>
    </chakra.div>
  );
}

function DayField({ name, label }: { name: string; label: string }) {
  return (
    <chakra.label display="grid">
      <Label>{label}</Label>
      <Field type="date" name={name} width="11rem" />
    </chakra.label>
  );
}

function daysOf({ from, to }: Pick<Member, 'from' | 'to'>): string {
  const day = (date: string) => format(parseISO(date), 'd MMM');
  if (from && to) return from === to ? `on ${day(from)} only` : `${day(from)} to ${day(to)}`;
  if (from) return `from ${day(from)}`;
  return to ? `until ${day(to)}` : 'every lesson';
}
