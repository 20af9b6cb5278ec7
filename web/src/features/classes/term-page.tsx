import { chakra } from '@chakra-ui/react';
import type { CourseClass, TermAnswer } from '@map-step/contract';
import { addDays, findClashes, type TermClash } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO, startOfISOWeek } from 'date-fns';
import { Link, useSearchParams } from 'react-router';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { classInWords, dayInWords } from '../course/class-words.ts';
import { termClasses, termQuery } from '../course/term-queries.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { StudioPage, useIsDirector } from '../shell/studio-page.tsx';
import { personName, studioQuery } from '../studio/studio-queries.ts';

const WEEKS = 14;
const WEEKS_BEFORE = 5;

/** All classes of a term on one page: a row each, a column a week; holidays, evenings called off and clashes stand out. */
export function TermPage() {
  const { data: session } = useQuery(sessionQuery);
  return session ? <Term today={session.today} /> : null;
}

function Term({ today }: { today: string }) {
  const [search, setSearch] = useSearchParams();
  const isDirector = useIsDirector();
  const monday = search.get('from') ?? addDays(mondayOf(today), -7 * WEEKS_BEFORE);
  const weeks = Array.from({ length: WEEKS }, (_, index) => addDays(monday, index * 7));
  const term = useQuery(termQuery(monday, addDays(monday, WEEKS * 7 - 1)));
  const go = (by: number) => setSearch({ from: addDays(monday, by * 7) }, { replace: true });
  return (
    <StudioPage
      title="Term"
      beside={
        <chakra.div display="flex" gap="2" alignItems="center">
          <Button size="small" onClick={() => go(-WEEKS)}>
            Earlier
          </Button>
          <Label>
            {weeks[0] && format(parseISO(weeks[0]), 'd MMM')} to{' '}
            {format(parseISO(addDays(weeks.at(-1) ?? monday, 6)), 'd MMM yyyy')}
          </Label>
          <Button size="small" onClick={() => go(WEEKS)}>
            Later
          </Button>
          {isDirector && <Link to="/next-term">Next term</Link>}
        </chakra.div>
      }
    >
      {!term.data && (term.error ? <Failure error={term.error} /> : <Skeleton />)}
      {term.data && <TermGrid term={term.data} weeks={weeks} today={today} />}
    </StudioPage>
  );
}

function mondayOf(date: string): string {
  return format(startOfISOWeek(parseISO(date)), 'yyyy-MM-dd');
}

interface TermGridProps {
  readonly term: TermAnswer;
  /** Mondays. */
  readonly weeks: readonly string[];
  readonly today: string;
}

function TermGrid({ term, weeks, today }: TermGridProps) {
  const { data: studio } = useQuery(studioQuery);
  const isDirector = useIsDirector();
  const clashes = findClashes(termClasses(term));
  if (term.classes.length === 0)
    return (
      <Empty title="No class in these weeks">
        {isDirector && <Link to="/classes/new">Make a class</Link>}
      </Empty>
    );
  const rows = term.classes.toSorted(
    (a, b) => weekdayOf(a).localeCompare(weekdayOf(b)) || a.start.localeCompare(b.start),
  );
  const columns = `minmax(11rem, 16rem) repeat(${weeks.length}, minmax(2.6rem, 1fr))`;
  const holidayIn = (week: string) =>
    studio?.holidays.find(({ from, to }) => from <= addDays(week, 6) && to >= week)?.name;
  return (
    <chakra.div display="grid" gap="4">
      {clashes.length > 0 && (
        <Notice tone="stop" title="Two classes at once">
          <chakra.ul pl="5">
            {clashes.map(clash => (
              <li key={`${clash.kind} ${clash.id} ${clash.date} ${clash.classes.join()}`}>
                {clashInWords(clash, term, studio)}
              </li>
            ))}
          </chakra.ul>
        </Notice>
      )}
      <chakra.div role="table" aria-label="The term" overflowX="auto" fontSize="sm">
        <chakra.div role="row" display="grid" gridTemplateColumns={columns} alignItems="end">
          <Label role="columnheader">Class</Label>
          {weeks.map(week => (
            <chakra.span
              role="columnheader"
              key={week}
              px="1"
              color="quiet"
              fontWeight={today >= week && today <= addDays(week, 6) ? '700' : '500'}
              borderBottom="3px solid"
              borderColor={today >= week && today <= addDays(week, 6) ? 'now' : 'transparent'}
            >
              {format(parseISO(week), 'd MMM')}
            </chakra.span>
          ))}
        </chakra.div>
        {rows.map(one => (
          <chakra.div
            role="row"
            key={one.id}
            display="grid"
            gridTemplateColumns={columns}
            borderTop="1px solid"
            borderColor="line"
            alignItems="stretch"
          >
            <ClassHead one={one} term={term} isDirector={isDirector} />
            {weeks.map(week => (
              <Week
                key={week}
                one={one}
                week={week}
                today={today}
                holiday={holidayIn(week)}
                clashes={clashes}
              />
            ))}
          </chakra.div>
        ))}
      </chakra.div>
      <Label>
        A number is a lesson: filled when it is over, framed when it is to come, struck through when it was
        called off, ! where two classes meet.
      </Label>
    </chakra.div>
  );
}

function ClassHead({ one, term, isDirector }: { one: CourseClass; term: TermAnswer; isDirector: boolean }) {
  const { data: studio } = useQuery(studioQuery);
  const room = studio?.rooms.find(({ id }) => id === one.room)?.name;
  const staff = one.staff.map(({ person }) => personName(studio, person));
  const to = isDirector ? `/classes/${one.id}` : `/courses/${one.course}/lesson?class=${one.id}`;
  return (
    <chakra.div role="rowheader" py="1.5" pr="2">
      <Link to={to}>{classInWords(one, term.courses)}</Link>
      <br />
      <Label>{[room, [...new Set(staff)].join(', ')].filter(Boolean).join(' · ')}</Label>
    </chakra.div>
  );
}

interface WeekProps {
  readonly one: CourseClass;
  readonly week: string;
  readonly today: string;
  readonly holiday: string | undefined;
  readonly clashes: readonly TermClash[];
}

function Week({ one, week, today, holiday, clashes }: WeekProps) {
  const isIn = (date: string) => date >= week && date <= addDays(week, 6);
  const lessons = one.dates.flatMap((date, index) => (isIn(date) ? [{ date, lesson: index + 1 }] : []));
  const off = (one.cancelled ?? []).filter(({ date }) => isIn(date));
  return (
    <chakra.div
      role="cell"
      display="flex"
      gap="1"
      alignItems="center"
      px="1"
      py="1.5"
      bg={holiday ? 'line/45' : undefined}
      title={holiday}
    >
      {lessons.map(({ date, lesson }) => {
        const isOver = date < today || lesson <= one.behind;
        const meets = clashes.some(clash => clash.date === date && clash.classes.includes(one.id));
        return (
          <chakra.span
            key={date}
            title={dayInWords(date)}
            minW="1.7rem"
            textAlign="center"
            fontWeight="650"
            fontVariantNumeric="tabular-nums"
            border="1.5px solid"
            borderColor={meets ? 'stop' : 'ink'}
            bg={isOver ? 'ink' : 'panel'}
            color={meets && !isOver ? 'stop' : isOver ? 'onInk' : 'ink'}
          >
            {lesson}
            {meets && '!'}
          </chakra.span>
        );
      })}
      {off.map(({ date, why }) => (
        <chakra.s key={date} title={`${dayInWords(date)}: ${why}`} color="quiet" px="1">
          off
        </chakra.s>
      ))}
      {holiday && lessons.length + off.length === 0 && <Label>·</Label>}
    </chakra.div>
  );
}

function weekdayOf({ dates: [first = ''] }: CourseClass): string {
  return first ? format(parseISO(first), 'i') : '9';
}

function clashInWords(
  { kind, id, date, classes }: TermClash,
  term: TermAnswer,
  studio: Parameters<typeof personName>[0],
): string {
  const [one, other] = classes.map(of => {
    const found = term.classes.find(entry => entry.id === of);
    return found ? classInWords(found, term.courses) : of;
  });
  const what = kind === 'room' ? studio?.rooms.find(room => room.id === id)?.name : personName(studio, id);
  return `${dayInWords(date)}, ${what ?? id}: ${one} and ${other}`;
}
