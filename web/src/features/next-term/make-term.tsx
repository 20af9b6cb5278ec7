import { chakra } from '@chakra-ui/react';
import type { TermAnswer } from '@map-step/contract';
import {
  addDays,
  type Course,
  draftPlacing,
  type Holiday,
  keptPlacing,
  type PlacedClass,
  rolledOver,
  type Section,
  weekdayInWords,
  weeklyDates,
} from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { format, parseISO, startOfISOWeek } from 'date-fns';
import { useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { keys } from '../course/course-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';
import type { TimetableNames } from './timetable-names.ts';

interface MakeTermProps {
  readonly placed: readonly PlacedClass[];
  readonly courses: TermAnswer['courses'];
  readonly names: TimetableNames;
  readonly today: string;
  readonly isBroken: boolean;
}

/** The timetable becomes a course a level and its classes, their evenings laid around the holidays. */
export function MakeTerm({ placed, courses, names, today, isBroken }: MakeTermProps) {
  const { data: studio } = useQuery(studioQuery);
  const [begins, setBegins] = useState(addDays(today, 28));
  const [term, nameTerm] = useState('next term');
  const make = useMakeTerm({ placed, courses, begins, term, holidays: studio?.holidays ?? [] });
  const without = [...new Set(placed.map(({ level }) => level))].filter(
    level => !courses.some(course => course.level === level),
  );
  if (make.isSuccess)
    return (
      <Notice tone="ready" title={classesInWords(make.data.length, 'made')}>
        <chakra.ul pl="5">
          {make.data.map(({ id, name, start, dates }) => (
            <li key={id}>
              <Link to={`/classes/${id}?part=students`}>
                {name}, {dates[0] && weekdayInWords(dates[0])} {start}
              </Link>
            </li>
          ))}
        </chakra.ul>
        <p>Who comes back stands in each of them, to be entered.</p>
      </Notice>
    );
  return (
    <chakra.form display="flex" gap="3" alignItems="end" flexWrap="wrap" action={() => make.mutate()}>
      {make.isError && <Failure error={make.error} />}
      <chakra.div width="12rem">
        <TextField
          label="Begins in the week of"
          type="date"
          value={begins}
          onChange={event => setBegins(event.target.value)}
        />
      </chakra.div>
      <chakra.div width="14rem">
        <TextField
          label="What the term is called"
          value={term}
          maxLength={80}
          onChange={event => nameTerm(event.target.value)}
        />
      </chakra.div>
      <Button type="submit" look="next" disabled={make.isPending || begins === '' || without.length > 0}>
        {isBroken ? `${makeInWords(placed.length)} all the same` : makeInWords(placed.length)}
      </Button>
      {without.length > 0 && (
        <Label>
          First a course for{' '}
          {without.map(level => names.levels.find(({ id }) => id === level)?.name ?? level).join(', ')}.
        </Label>
      )}
    </chakra.form>
  );
}

function classesInWords(count: number, more: string): string {
  return `${count === 1 ? 'One class' : `${count} classes`} ${more}`;
}

function makeInWords(count: number): string {
  return count === 1 ? 'Make this class' : `Make these ${count} classes`;
}

interface TermToMake {
  readonly placed: readonly PlacedClass[];
  readonly courses: TermAnswer['courses'];
  readonly begins: string;
  readonly term: string;
  readonly holidays: readonly Holiday[];
}

type MadeClass = Section & { readonly name: string };

function useMakeTerm({ placed, courses, begins, term, holidays }: TermToMake) {
  const client = useQueryClient();
  // Where it breaks off it goes on when it is asked again: nothing is made twice.
  const [made] = useState({ courses: new Map<string, Course>(), classes: new Map<string, MadeClass>() });
  return useMutation({
    mutationFn: async () => {
      for (const { level, n, day, room, start, person } of placed) {
        const last = courses.findLast(course => course.level === level);
        const key = `${level} ${n}`;
        if (!last || made.classes.has(key)) continue;
        const course = made.courses.get(level) ?? (await makeCourse(last.id, `${last.name}, ${term}`));
        made.courses.set(level, course);
        const { dates } = weeklyDates(firstOn(begins, day), course.lessons.length, holidays);
        const section: Section = {
          ...{ id: newId(course.name, 'class'), course: course.id, room, start, dates },
          ...{ staff: [{ person }], students: [] },
        };
        await call('section.create', { body: { section } });
        made.classes.set(key, { ...section, name: course.name });
      }
      return [...made.classes.values()];
    },
    onSettled: () => {
      void client.invalidateQueries({ queryKey: keys.courses });
      void client.invalidateQueries({ queryKey: keys.term });
    },
  });
}

/** The newest course of a level once more, with the plan that its classes follow. */
async function makeCourse(id: string, name: string) {
  const { course, published } = await call('course.read', { params: { course: id } });
  const followed = published ? keptPlacing(published) : draftPlacing(course);
  const next = rolledOver(course, followed, { id: newId(name, 'course'), name, changes: [] });
  return (await call('course.create', { body: { course: next } })).course;
}

/** The day of a week on which a class is held; of a day that is no weekday the week's first. */
function firstOn(begins: string, day: string): string {
  const monday = format(startOfISOWeek(parseISO(begins)), 'yyyy-MM-dd');
  const week = Array.from({ length: 7 }, (_, index) => addDays(monday, index));
  return week.find(date => weekdayInWords(date) === day) ?? monday;
}
