import type { Mark } from '../model/document.ts';

/** The markers' average in a cell, unrounded; undefined where nobody marked. */
export function averageMark(marks: ReadonlyMap<string, Mark> | undefined): number | undefined {
  if (!marks || marks.size === 0) return undefined;
  let sum = 0;
  for (const { mark } of marks.values()) sum += mark;
  return sum / marks.size;
}
