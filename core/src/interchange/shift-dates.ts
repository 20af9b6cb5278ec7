import { addDays } from '../model/days.ts';
import type { StudioDocument } from '../model/document.ts';

const DATE_AT_START = /^\d{4}-\d{2}-\d{2}/;
const DATE_KEYS: ReadonlySet<string> = new Set(['from', 'to', 'dates', 'date', 'at', 'published']);

/** The same document some days later: every date and instant of holidays, sections, plans, logs and checks moves. */
export function shiftDates(document: StudioDocument, days: number): StudioDocument {
  const { holidays, sections, plans, logs, attendance, notes, recaps, checks } = document;
  const dated = { holidays, sections, plans, logs, attendance, notes, recaps, checks };
  const present = Object.entries(dated).filter(([, value]) => value !== undefined);
  const shifted = present.map(([key, value]) => [key, shift(value, key, days)]);
  return { ...document, ...Object.fromEntries(shifted) };
}

function shift(value: unknown, key: string, days: number): unknown {
  if (typeof value === 'string')
    return DATE_KEYS.has(key) && DATE_AT_START.test(value) ? addDays(value, days) + value.slice(10) : value;
  if (Array.isArray(value)) return value.map(entry => shift(entry, key, days));
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).map(([inner, entry]) => [inner, shift(entry, inner, days)]),
    );
  return value;
}
