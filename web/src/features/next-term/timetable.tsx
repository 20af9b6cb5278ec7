import { chakra } from '@chakra-ui/react';
import type { LevelsAnswer, TermAnswer } from '@map-step/contract';
import { type AskedClasses, addDays, likeThisTerm, type Named } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Failure } from '../../ui/failure.tsx';
import { Label, Skeleton } from '../../ui/parts.tsx';
import { levelsQuery, termQuery } from '../course/term-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import { TimetableDesk } from './timetable-desk.tsx';

/** A class is of this term when it has an evening in these weeks. */
const DAYS_BEFORE = 35;
const DAYS_AFTER = 90;
const USUAL_MINUTES = 60;

interface TimetableProps {
  readonly today: string;
  /** How many classes of a level are expected. */
  readonly expected: ReadonlyMap<string, number>;
}

/** Next term's timetable, begun as this term is held. */
export function Timetable({ today, expected }: TimetableProps) {
  const term = useQuery(termQuery(addDays(today, -DAYS_BEFORE), addDays(today, DAYS_AFTER)));
  const levels = useQuery(levelsQuery);
  const { data: studio } = useQuery(studioQuery);
  const error = term.error ?? levels.error;
  return (
    <chakra.section aria-label="Timetable" display="grid" gap="3" mt="6">
      <chakra.h2 fontSize="lg">Timetable</chakra.h2>
      {error && <Failure error={error} />}
      {!error && (!term.data || !levels.data || !studio) && <Skeleton />}
      {levels.data?.dances.length === 0 && (
        <Label>A timetable is laid out for the levels of courses; there is none yet.</Label>
      )}
      {term.data && levels.data && levels.data.dances.length > 0 && studio && (
        <>
          <Label>
            As this term is held, with the classes that are expected: change what will be different, a line
            each.
          </Label>
          <Begun
            term={term.data}
            dances={levels.data.dances}
            expected={expected}
            people={studio.people}
            rooms={studio.rooms}
            today={today}
          />
        </>
      )}
    </chakra.section>
  );
}

interface BegunProps {
  readonly term: TermAnswer;
  readonly dances: LevelsAnswer['dances'];
  readonly expected: ReadonlyMap<string, number>;
  readonly people: Named;
  readonly rooms: Named;
  readonly today: string;
}

function Begun({ term, dances, expected, people, rooms, today }: BegunProps) {
  const courseOf = new Map(term.courses.map(course => [course.id, course]));
  const held = term.classes.map(({ course, start, dates, room, staff }) => {
    const { level, minutes } = courseOf.get(course) ?? {};
    return {
      ...{ start, dates, staff, minutes: minutes?.[0] ?? USUAL_MINUTES },
      ...(level && { level }),
      ...(room !== undefined && { room }),
    };
  });
  const asked = dances.flatMap(({ levels }) =>
    levels.flatMap(({ id }, index): AskedClasses[] => {
      const now = held.filter(one => one.level === id);
      // To the first level people come from outside: of them no check knows.
      const times = Math.max(expected.get(id) ?? now.length, index === 0 ? now.length : 0);
      return times === 0 ? [] : [{ level: id, times, minutes: now[0]?.minutes ?? USUAL_MINUTES }];
    }),
  );
  const levels = dances.flatMap(dance => dance.levels.map(({ id, name }) => ({ id, name, dance: dance.id })));
  return (
    <TimetableDesk
      begun={likeThisTerm(held, asked)}
      levels={levels}
      people={people}
      rooms={rooms}
      courses={term.courses}
      today={today}
    />
  );
}
