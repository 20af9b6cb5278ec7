import type { FoundStudent, StudioAnswer, TermAnswer } from '@map-step/contract';
import type { DateFault, Role, Section, TermClash } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { personName, studioQuery } from '../studio/studio-queries.ts';

export const dayInWords = (date: string) => format(parseISO(date), 'EEE d MMM');

/** “Hustle 1, Monday 19:00”. */
export function classInWords(
  { course, dates, start }: Pick<Section, 'course' | 'dates' | 'start'>,
  courses: TermAnswer['courses'],
): string {
  const name = courses.find(({ id }) => id === course)?.name ?? course;
  return `${name}, ${dates[0] ? `${format(parseISO(dates[0]), 'EEEE')} ` : ''}${start}`;
}

/** Clashes of one class, those of one room or person with the same other class told together. */
export function clashesInWords(
  clashes: readonly TermClash[],
  own: string,
  { classes, courses }: TermAnswer,
  studio: StudioAnswer | undefined,
): readonly string[] {
  const told = new Map<string, { readonly head: string; readonly dates: string[] }>();
  for (const { kind, id, date, classes: pair } of clashes) {
    const other = classes.find(one => pair.includes(one.id) && one.id !== own);
    const whose = other ? classInWords(other, courses) : 'another class';
    const what =
      kind === 'room'
        ? `${studio?.rooms.find(room => room.id === id)?.name ?? id} is taken by ${whose}`
        : `${personName(studio, id)} teaches ${whose}`;
    const entry = told.get(what) ?? { head: what, dates: [] };
    entry.dates.push(dayInWords(date));
    told.set(what, entry);
  }
  return [...told.values()].map(({ head, dates }) => `${head} at the same time: ${dates.join(', ')}`);
}

export function dateFaultInWords({ kind, lesson, date, name }: DateFault): string {
  const day = date ? dayInWords(date) : '';
  switch (kind) {
    case 'twice':
      return `Lesson ${lesson} is on the same day as another: ${day}.`;
    case 'order':
      return `Lesson ${lesson}, ${day}, comes before the one before it.`;
    case 'holiday':
      return `Lesson ${lesson}, ${day}, falls into ${name}.`;
    case 'missing':
      return `Lesson ${lesson} and those after it have no evening.`;
    case 'more':
      return `From evening ${lesson} on there is no lesson in the course.`;
    default:
      return kind satisfies never;
  }
}

/** The days of somebody on the staff, or of a student. */
export function daysOf({ from, to }: { readonly from?: string; readonly to?: string }): string {
  const word = (date: string) => format(parseISO(date), 'd MMM');
  if (from && to) return from === to ? `on ${word(from)} only` : `${word(from)} to ${word(to)}`;
  if (from) return `from ${word(from)}`;
  return to ? `until ${word(to)}` : 'every lesson';
}

/** What leaders, followers and who dances alone are called in this house. */
export function useRoleWords(): Readonly<Record<Role, string>> {
  const { data: studio } = useQuery(studioQuery);
  const { lead = 'Leader', follow = 'Follower' } = studio?.studio.roles ?? {};
  return { lead, follow, solo: 'Solo' };
}

/** “Hustle 1, Monday 19:00, until 2 Mar 2026”: the class by which a student is known. */
export function studentInWords({ classes: [newest] }: FoundStudent): string {
  if (!newest) return 'no class yet';
  const { name, start, first, last } = newest;
  const day = first ? `${format(parseISO(first), 'EEEE')} ` : '';
  return `${name}, ${day}${start}${last ? `, until ${format(parseISO(last), 'd MMM yyyy')}` : ''}`;
}
