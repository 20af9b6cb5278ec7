import { findClashes, findDateFaults, type Section } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { clashesInWords, dateFaultInWords } from '../course/class-words.ts';
import { termClass, termClasses, termQuery, weeksOf } from '../course/term-queries.ts';
import { studioQuery } from '../studio/studio-queries.ts';

/** What a class is laid out by; its students are written for themselves. */
export interface ClassLayout
  extends Pick<Section, 'id' | 'course' | 'start' | 'dates' | 'cancelled' | 'staff'> {
  readonly room?: string | undefined;
}

export function layoutOf({ id, course, start, dates, cancelled, room, staff }: Section): ClassLayout {
  return { id, course, start, dates, room, staff, ...(cancelled && { cancelled }) };
}

/** The class as it is laid out; all else of it stays. */
export function layOut(section: Section, { start, dates, cancelled, room, staff }: ClassLayout): Section {
  const { room: _, cancelled: __, ...rest } = section;
  return {
    ...rest,
    start,
    dates,
    staff,
    ...(room !== undefined && { room }),
    ...(cancelled && { cancelled }),
  };
}

export interface ClassLook {
  /** What would be at the same time. */
  readonly clashes: readonly string[];
  /** What is wrong with its evenings. */
  readonly faults: readonly string[];
  /** False until the other classes of these weeks are known. */
  readonly isKnown: boolean;
}

/** What stands against a class as it is laid out, before it is saved. */
export function useClassLook(layout: ClassLayout, minutes: readonly number[]): ClassLook {
  const { data: studio } = useQuery(studioQuery);
  const weeks = weeksOf(layout.dates);
  const {
    data: term,
    isPlaceholderData,
    isError,
  } = useQuery({
    ...termQuery(weeks?.from ?? '', weeks?.to ?? ''),
    enabled: weeks !== undefined,
  });
  const faults = findDateFaults(layout.dates, minutes.length, studio?.holidays ?? []).map(dateFaultInWords);
  if (!term || !weeks) return { clashes: [], faults, isKnown: !weeks || isError };
  const others = termClasses(term).filter(({ id }) => id !== layout.id);
  const clashes = findClashes([...others, termClass(layout, minutes)]).filter(({ classes }) =>
    classes.includes(layout.id),
  );
  return { clashes: clashesInWords(clashes, layout.id, term, studio), faults, isKnown: !isPlaceholderData };
}
