import { chakra } from '@chakra-ui/react';
import type { ReturningAnswer } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useRoleWords } from '../course/class-words.ts';
import { keys } from '../course/course-queries.ts';
import type { EnterStudentsProps } from './enter-students.tsx';
import { useEnrol } from './use-enrol.ts';

type Coming = ReturningAnswer['students'][number];

const GROUPS = [
  ['ready', 'Ready for this level'],
  ['again', 'Take it once more'],
  ['nearly', 'Nearly ready: this level if you let them, or the one below again'],
] as const;

/** Whoever is expected by their check: entered one by one, or all whose place is clear. */
export function WhoComesBack({ section, today, takesFocus }: Omit<EnterStudentsProps, 'isPair'>) {
  const { data } = useQuery(returningQuery(section));
  const enrol = useEnrol(section, today);
  // Whoever is on the way in is off the list at once, so that fast keys enter nobody twice.
  const [entering, setEntering] = useState<ReadonlySet<string>>(new Set());
  const inIt = new Set(section.students.map(({ student }) => student));
  const students = (data?.students ?? []).filter(
    ({ student }) => !inIt.has(student) && !entering.has(student),
  );
  // A half-way check is no last word: whom it speaks for is entered one by one.
  const clear = students.filter(
    ({ why, elsewhere, from }) => why !== 'nearly' && elsewhere === null && from.kind === 'final',
  );
  if (students.length === 0 && !enrol.isError) return null;
  const enter = (coming: readonly Coming[]) => {
    const ids = coming.map(({ student }) => student);
    setEntering(now => new Set([...now, ...ids]));
    const end = () => setEntering(now => new Set([...now].filter(id => !ids.includes(id))));
    enrol
      .mutateAsync(coming.map(({ student, name, role }) => ({ name, role, known: student })))
      .then(end, end);
  };
  const list = (
    <chakra.div display="grid" gap="2">
      {enrol.isError && <Failure error={enrol.error} />}
      {clear.length > 1 && (
        <chakra.div>
          <Button look="next" autoFocus={takesFocus} onClick={() => enter(clear)}>
            Enter all {clear.length} who are ready or take it again
          </Button>
        </chakra.div>
      )}
      {GROUPS.map(([why, title]) => {
        const own = students.filter(one => one.why === why);
        return (
          own.length > 0 && (
            <chakra.div key={why} display="grid" gap="1">
              <Label>
                {title}: {own.length}
              </Label>
              <chakra.ul listStyleType="none" p="0">
                {own.map(one => (
                  <ComingRow
                    key={one.student}
                    coming={one}
                    takesFocus={takesFocus && clear.length < 2 && one === students[0]}
                    enter={() => enter([one])}
                  />
                ))}
              </chakra.ul>
            </chakra.div>
          )
        );
      })}
    </chakra.div>
  );
  const hasBegun = (section.dates[0] ?? today) < today;
  return (
    <chakra.section aria-label="Who comes back" display="grid" gap="2">
      {hasBegun ? (
        <Disclosure title={`Who could come back: ${students.length}`} size="small">
          {list}
        </Disclosure>
      ) : (
        <>
          <chakra.h3 fontSize="md">Who comes back</chakra.h3>
          {list}
        </>
      )}
    </chakra.section>
  );
}

export function returningQuery({ id, students }: Section) {
  return queryOptions({
    queryKey: [...keys.section(id), 'returning', students.length],
    queryFn: () => call('section.returning', { params: { section: id } }),
    placeholderData: previous => previous,
  });
}

interface ComingRowProps {
  readonly coming: Coming;
  readonly takesFocus: boolean;
  enter(): void;
}

function ComingRow({ coming, takesFocus, enter }: ComingRowProps) {
  const roles = useRoleWords();
  const { name, role, from, missing, elsewhere } = coming;
  const check = from.kind === 'final' ? '' : 'half-way, ';
  return (
    <chakra.li
      display="flex"
      gap="3"
      alignItems="baseline"
      flexWrap="wrap"
      py="1"
      borderTop="1px solid"
      borderColor="line"
    >
      <Button size="small" autoFocus={takesFocus} aria-label={`Enter ${name}`} onClick={enter}>
        Enter
      </Button>
      <chakra.span fontWeight="600">{name}</chakra.span>
      <Label>
        {roles[role]}, from {from.name} ({check}
        {format(parseISO(from.date), 'd MMM yyyy')}){elsewhere !== null && `; is in ${elsewhere} already`}
        {missing.length > 0 && `; lacks ${missing.join('; ')}`}
      </Label>
    </chakra.li>
  );
}
