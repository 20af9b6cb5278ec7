import { addDays } from '../model/days.ts';
import type { Holiday } from '../model/document.ts';

export interface WeeklyDates {
  /** Days as `2026-03-09`, in order. */
  readonly dates: readonly string[];
  /** The weeks that were passed over, each with the name of its holiday. */
  readonly skipped: readonly { readonly date: string; readonly name: string }[];
}

const WEEK_DAYS = 7;
/** Nobody plans over more than this many weeks of holidays. */
const MOST_SKIPPED = 200;

/**
 * So many dates from a first one on, a week apart; weeks that fall into a holiday are passed over. Empty for a first
 * date that is none.
 */
export function weeklyDates(first: string, count: number, holidays: readonly Holiday[]): WeeklyDates {
  const dates: string[] = [];
  const skipped: { date: string; name: string }[] = [];
  if (Number.isNaN(Date.parse(`${first}T00:00:00Z`))) return { dates, skipped };
  for (let week = 0; dates.length < count && skipped.length < MOST_SKIPPED; week += 1) {
    const date = addDays(first, week * WEEK_DAYS);
    const holiday = holidays.find(({ from, to }) => from <= date && date <= to);
    if (holiday) skipped.push({ date, name: holiday.name });
    else dates.push(date);
  }
  return { dates, skipped };
}
