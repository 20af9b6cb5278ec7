import { chakra } from '@chakra-ui/react';
import type { TodayAnswer, TodaysClass } from '@map-step/contract';
import { isOnStaff } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { Label, LinkButton } from '../../ui/parts.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import { eveningsOf, ownFirst } from './todays-work.ts';

const NAMES = new Intl.ListFormat('en');

interface EveningsProps {
  readonly answer: TodayAnswer;
  readonly day: 'today' | 'tomorrow';
  readonly date: string;
  readonly me: string;
}

/** What is on, and who takes it; one's own first, and the next of them biggest. */
export function Evenings({ answer, day, date, me }: EveningsProps) {
  const on = ownFirst(eveningsOf(answer, day), me, date);
  const [first] = on;
  const title = day === 'today' ? 'Tonight' : 'Tomorrow';
  return (
    <chakra.section aria-label={title}>
      <chakra.h2 fontSize="lg" mb="1">
        {title}
      </chakra.h2>
      {on.length === 0 && <Label>No class is on.</Label>}
      <chakra.ul listStyleType="none" p="0">
        {on.map(one => (
          <Evening
            key={one.id}
            one={one}
            lesson={one.standing[day] ?? 1}
            isOwn={isOnStaff(one, me, date)}
            isNext={day === 'today' && one === first}
            date={date}
          />
        ))}
      </chakra.ul>
    </chakra.section>
  );
}

interface EveningProps {
  readonly one: TodaysClass;
  readonly lesson: number;
  readonly isOwn: boolean;
  readonly isNext: boolean;
  readonly date: string;
}

function Evening({ one, lesson, isOwn, isNext, date }: EveningProps) {
  const { data: studio } = useQuery(studioQuery);
  const takers = one.staff.filter(({ person }) => isOnStaff(one, person, date));
  const room = studio?.rooms.find(({ id }) => id === one.room)?.name;
  const to = `/courses/${one.course}/lesson?class=${one.id}&lesson=${lesson}`;
  const words = `${one.name}, lesson ${lesson} of ${one.lessons}`;
  return (
    <chakra.li
      display="grid"
      gridTemplateColumns="4rem minmax(0, 1fr)"
      gap="3"
      py="2"
      borderTop="1px solid"
      borderColor="line"
      alignItems="center"
    >
      <chakra.span fontFamily="title" fontSize="lg" fontWeight="650" fontVariantNumeric="tabular-nums">
        {one.start}
      </chakra.span>
      <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
        {isNext ? (
          <LinkButton look="next" size="large" to={to}>
            {words}
          </LinkButton>
        ) : (
          <Link to={to}>{words}</Link>
        )}
        <Label>
          {[
            isOwn ? 'yours' : undefined,
            NAMES.format(takers.map(({ person }) => personName(studio, person))),
            room,
            `${one.students} students`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Label>
      </chakra.div>
    </chakra.li>
  );
}
