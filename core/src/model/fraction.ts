import { failure, type Result, success } from './result.ts';
import { TICKS_PER_BEAT, type Ticks, ticks } from './units.ts';

/** Beats in lowest terms: 36 ticks are `"3/4"`, 96 are `"2"`. */
export function printBeats(value: Ticks): string {
  const divisor = greatestCommonDivisor(Math.abs(value), TICKS_PER_BEAT);
  const top = value / divisor;
  const bottom = TICKS_PER_BEAT / divisor;
  return bottom === 1 ? String(top) : `${top}/${bottom}`;
}

/** Reads `3`, `"3"` or `"3/4"` beats; refuses what is not a multiple of 1/48 beat. */
export function parseBeats(value: number | string): Result<Ticks, string> {
  const match = /^\s*(-?\d{1,6})(?:\s*\/\s*(\d{1,6}))?\s*$/.exec(String(value));
  if (!match) return failure(`"${value}" is not a number of beats; write 3 or 3/4`);
  const bottom = Number(match[2] ?? 1);
  const inTicks = (Number(match[1]) * TICKS_PER_BEAT) / bottom;
  if (!Number.isInteger(inTicks)) return failure(`"${value}" is not a multiple of 1/48 beat`);
  return success(ticks(inTicks));
}

/** Of two whole numbers above 0. */
export function leastCommonMultiple(a: number, b: number): number {
  return (a / greatestCommonDivisor(a, b)) * b;
}

export function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
