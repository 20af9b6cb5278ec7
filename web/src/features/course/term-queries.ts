import type { TermAnswer } from '@map-step/contract';
import { addDays, type Section, type TermClass } from '@map-step/core';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from './course-queries.ts';

const MOST_DAYS = 400;

/** The classes that have an evening in these weeks. */
export function termQuery(from: string, to: string) {
  return queryOptions({
    queryKey: [...keys.term, from, to],
    queryFn: () => call('term.read', { query: { from, to } }),
    placeholderData: previous => previous,
  });
}

/** The levels of all dances that have courses. Asked for apart: it reads all their figures. */
export const levelsQuery = queryOptions({
  queryKey: [...keys.today, 'levels'],
  queryFn: () => call('programme.levels'),
  staleTime: 60_000,
});

/** The weeks in which a class can meet another; undefined while it has no evening. */
export function weeksOf(
  dates: readonly string[],
): { readonly from: string; readonly to: string } | undefined {
  const [first, last] = [dates.toSorted()[0], dates.toSorted().at(-1)];
  if (!first || !last) return undefined;
  const end = addDays(first, MOST_DAYS - 2);
  return { from: addDays(first, -1), to: addDays(last < end ? last : end, 1) };
}

/** A class with the lengths of its evenings. */
export function termClass(
  {
    id,
    start,
    dates,
    room,
    staff,
  }: Pick<Section, 'id' | 'start' | 'dates' | 'staff'> & { readonly room?: string | undefined },
  minutes: readonly number[],
): TermClass {
  return { id, start, dates, staff, minutes, ...(room !== undefined && { room }) };
}

/** All classes of a term so. */
export function termClasses({ classes, courses }: TermAnswer): readonly TermClass[] {
  const minutes = new Map(courses.map(course => [course.id, course.minutes]));
  return classes.map(one => termClass(one, minutes.get(one.course) ?? []));
}
