import { chakra } from '@chakra-ui/react';
import type { ReturningAnswer } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { call } from '../../api/client.ts';
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
export function WhoComesBack({ section, today }: Pick<EnterStudentsProps, 'section' | 'today'>) {
  const { data } = useQuery(returningQuery(section));
  const enrol = useEnrol(section, today);
  const students = data?.students ?? [];
  const clear = students.filter(({ why, elsewhere }) => why !== 'nearly' && elsewhere === null);
  if (students.length === 0) return null;
  const enter = (coming: readonly Coming[]) =>
    enrol.mutate(coming.map(({ student, name, role }) => ({ name, role, known: student })));
  return (
    <chakra.section aria-label="Who comes back" display="grid" gap="2">
      <chakra.h3 fontSize="md">Who comes back</chakra.h3>
      {enrol.isError && <Failure error={enrol.error} />}
      {clear.length > 1 && (
        <chakra.div>
          <Button look="next" disabled={enrol.isPending} onClick={() => enter(clear)}>
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
                    isPending={enrol.isPending}
                    enter={() => enter([one])}
                  />
                ))}
              </chakra.ul>
            </chakra.div>
          )
        );
      })}
    </chakra.section>
  );
}

function returningQuery({ id, students }: Section) {
  return queryOptions({
    queryKey: [...keys.section(id), 'returning', students.length],
    queryFn: () => call('section.returning', { params: { section: id } }),
    placeholderData: previous => previous,
  });
}

interface ComingRowProps {
  readonly coming: Coming;
  readonly isPending: boolean;
  enter(): void;
}

function ComingRow({ coming, isPending, enter }: ComingRowProps) {
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
      <Button size="small" aria-label={`Enter ${name}`} disabled={isPending} onClick={enter}>
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
