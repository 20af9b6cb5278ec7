const DAY_MS = 86_400_000;

/** Whole days from one date to another, both as `2026-03-09`. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
}

const WEEKDAY = new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' });

/** `Monday`, of a date as `2026-03-16`. */
export function weekdayInWords(date: string): string {
  return WEEKDAY.format(Date.parse(date));
}

/** A date some days later. */
export function addDays(date: string, days: number): string {
  return new Date(Date.parse(date.slice(0, 10)) + days * DAY_MS).toISOString().slice(0, 10);
}
