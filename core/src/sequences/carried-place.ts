// The couple's own place, carried from figure to figure of a sequence: the same off leads into a way again and again, so that
// what becomes of it is kept.
import { type CarriedHint, carriedHints, NOT_OFF, type Off, offAfter } from '../couple/carry.ts';
import type { SequenceWay } from './usable-figures.ts';

/** What a way makes of where the couple comes into it. */
export interface Carried {
  readonly hints: readonly CarriedHint[];
  readonly off: Off;
}

const FINE: Carried = { hints: [], off: NOT_OFF };

interface Kept {
  /** An off that was found before is mostly the same object. */
  readonly byOff: WeakMap<Off, Carried>;
  readonly byPlace: Map<string, Carried>;
}

const known = new WeakMap<SequenceWay, Kept>();

/** A way danced from where the couple is off by so much; nothing fails for one who dances alone. */
export function carryOn(way: SequenceWay, off: Off): Carried {
  const { danced } = way;
  if (!danced) return FINE;
  const kept = known.get(way) ?? { byOff: new WeakMap(), byPlace: new Map() };
  known.set(way, kept);
  const found = kept.byOff.get(off);
  if (found) return found;
  const key = `${off.ahead.toFixed(9)} ${off.side.toFixed(9)}`;
  const carried = kept.byPlace.get(key) ?? { hints: carriedHints(danced, off), off: offAfter(danced, off) };
  kept.byPlace.set(key, carried);
  kept.byOff.set(off, carried);
  return carried;
}

/** So often a loop is danced before it counts as one. */
export const ROUNDS = 4;

/** True where ways danced one after the other, four times over, never come to a hint; they begin in the middle of their hold. */
export function goesRound(ways: readonly SequenceWay[]): boolean {
  return Array.from({ length: ROUNDS }).every(goesOn(ways));
}

/** True where ways danced once, one after the other, never come to a hint. */
export function goesOnce(ways: readonly SequenceWay[]): boolean {
  return goesOn(ways)();
}

/** Dances ways from where the last time left the couple; true while nothing fails. */
function goesOn(ways: readonly SequenceWay[]): () => boolean {
  let off = NOT_OFF;
  return () =>
    ways.every(way => {
      const carried = carryOn(way, off);
      off = carried.off;
      return carried.hints.length === 0;
    });
}
