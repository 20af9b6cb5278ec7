import { addDays } from '../model/days.ts';
import type { Holiday, Section } from '../model/document.ts';
import { weeklyDates } from './dates.ts';

export interface DateFault {
  readonly kind: 'twice' | 'order' | 'holiday' | 'missing' | 'more';
  /** From 1. */
  readonly lesson: number;
  readonly date?: string;
  /** The name of the holiday. */
  readonly name?: string;
}

/** What is wrong with the evenings of a class of so many lessons. */
export function findDateFaults(
  dates: readonly string[],
  lessons: number,
  holidays: readonly Holiday[],
): readonly DateFault[] {
  const faults = dates.flatMap((date, index): DateFault[] => {
    const lesson = index + 1;
    const before = dates[index - 1];
    const holiday = holidays.find(({ from, to }) => from <= date && date <= to);
    return [
      ...(dates.indexOf(date) < index ? [{ kind: 'twice', lesson, date } as const] : []),
      ...(before !== undefined && date < before ? [{ kind: 'order', lesson, date } as const] : []),
      ...(holiday ? [{ kind: 'holiday', lesson, date, name: holiday.name } as const] : []),
    ];
  });
  if (dates.length < lessons) return [...faults, { kind: 'missing', lesson: dates.length + 1 }];
  if (dates.length > lessons) return [...faults, { kind: 'more', lesson: lessons + 1 }];
  return faults;
}

export interface ClassEvening<Class> {
  readonly of: Class;
  readonly date: string;
  /** From 1. */
  readonly lesson: number;
}

/** The evenings of classes that lie on these days, the first and the last among them, in the order of their days. */
export function eveningsBetween<Class extends Pick<Section, 'dates'>>(
  classes: readonly Class[],
  from: string,
  to: string,
): readonly ClassEvening<Class>[] {
  return classes
    .flatMap(of => of.dates.map((date, index) => ({ of, date, lesson: index + 1 })))
    .filter(({ date }) => from <= date && date <= to)
    .sort((a, b) => a.date.localeCompare(b.date));
}

export interface CancelledEvening {
  readonly dates: readonly string[];
  readonly cancelled: NonNullable<Section['cancelled']>;
  /** Lessons that now come on another day, from 1. */
  readonly moved: readonly { readonly lesson: number; readonly from: string; readonly to: string }[];
  /** The lesson that has no evening any more. */
  readonly lost?: number;
}

/**
 * An evening called off. Its lesson comes on the next evening and so on; the last gets a new one a week after, with
 * holidays passed over, or none. Undefined where the class has no evening on that day.
 */
export function cancelEvening(
  section: Pick<Section, 'dates' | 'cancelled'>,
  date: string,
  why: string,
  last: { readonly kind: 'new-evening'; readonly holidays: readonly Holiday[] } | { readonly kind: 'none' },
): CancelledEvening | undefined {
  const { dates } = section;
  if (!dates.includes(date)) return undefined;
  const rest = dates.filter(day => day !== date);
  const end = dates.toSorted().at(-1) ?? date;
  const fresh = last.kind === 'new-evening' ? weeklyDates(addDays(end, 7), 1, last.holidays).dates : [];
  const after = [...rest, ...fresh];
  const moved = dates.flatMap((from, index) => {
    const to = after[index];
    return to === undefined || to === from ? [] : [{ lesson: index + 1, from, to }];
  });
  return {
    dates: after,
    cancelled: [...(section.cancelled ?? []), { date, why }],
    moved,
    ...(after.length < dates.length && { lost: dates.length }),
  };
}
