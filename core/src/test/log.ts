import type { ElementLog, FigureLog, LogResult } from '../model/document.ts';

let count = 0;

/** An entry of a class, later than those made before it. */
export function log(
  lesson: number,
  pattern: string,
  result: LogResult = 'solid',
  more: Partial<FigureLog> = {},
): FigureLog {
  return { ...entry(lesson, result), pattern, ...more };
}

/** The same of an element that was taught ahead. */
export function elementLog(lesson: number, element: string, result: LogResult = 'solid'): ElementLog {
  return { ...entry(lesson, result), element };
}

function entry(lesson: number, result: LogResult) {
  count += 1;
  const id = `00000000-0000-4000-8000-${String(count).padStart(12, '0')}`;
  const at = new Date(Date.UTC(2026, 2, lesson, 19, 0, count)).toISOString();
  return { id, section: 'monday', lesson, result, by: 'ana', at };
}
