import { greatestCommonDivisor, leastCommonMultiple } from '../model/fraction.ts';
import { modulo, TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';
import { type Figure, figureTurn } from '../steps/figure.ts';
import { allExitHolds, entryHolds } from '../steps/holds.ts';
import { feetAgree } from '../steps/links.ts';
import { fitPhrase } from '../timing/phrase.ts';

/** Least repeats until each is as at the start; null where it never is. */
export interface Closure {
  /** The free feet of every role. */
  readonly foot: number | null;
  readonly facing: number | null;
  /** The phrase is full; null without timing. */
  readonly phrase: number | null;
  /** The hold is an entry again: 1, or null when the figure does not lead there itself. */
  readonly hold: number | null;
  /** All of them together. */
  readonly all: number | null;
  /** Ticks of all the repeats. */
  readonly beats: Ticks | null;
}

/**
 * How often a figure is danced until it is back. One that ends on the other foot is repeated in its other-foot
 * form: left and right change, and a solo dancer's turns change sign; couples keep theirs.
 */
export function figureClosure(figure: Figure): Closure {
  const foot = footRepeats(figure);
  const facing = facingRepeats(figure);
  const phrase =
    figure.beats === null
      ? null
      : fitPhrase(figure.beats, ticks(figure.dance.phrase * TICKS_PER_BEAT)).repeats;
  const hold = holdRepeats(figure);
  const all = [foot, facing, phrase, hold].reduce<number | null>(
    (lcm, repeats) => (lcm === null || repeats === null ? null : leastCommonMultiple(lcm, repeats)),
    1,
  );
  const beats = all === null || figure.beats === null ? null : ticks(all * figure.beats);
  return { foot, facing, phrase, hold, all, beats };
}

/** 1 when every role can go on from its start foot, 2 when every role ends on the other, null when they disagree. */
export function footRepeats({ parts }: Figure): number | null {
  const others = parts.filter(({ start, end }) => !feetAgree(end, start));
  if (others.length === 0) return 1;
  const isBound = parts.some(({ start, end }) => start === end && (start === 'L' || start === 'R'));
  return isBound ? null : 2;
}

/** The degrees after which a facing counts as the same: no turn matters on a spot or free floor. */
const FACING_CIRCLE = { line: 360, walls: 360, slot: 180, spot: 1, free: 1 } as const;

/**
 * The least repeats after which a figure faces as at the start: 0 mod 360 on a line or to walls, 0 mod 180 in a
 * slot, always on a spot or free floor.
 */
export function facingRepeats(figure: Figure): number {
  const circle = FACING_CIRCLE[figure.dance.floor];
  const turn = modulo(figureTurn(figure), circle);
  if (turn === 0) return 1;
  // The other-foot form of a solo figure turns back what the figure turned.
  if (figure.dance.roles === 'solo' && footRepeats(figure) === 2) return 2;
  return circle / greatestCommonDivisor(turn, circle);
}

function holdRepeats({ pattern, dance }: Figure): number | null {
  const entries = entryHolds(pattern);
  if (entries.length === 0) return dance.roles === 'solo' || !pattern.parts ? 1 : null;
  return allExitHolds(pattern).some(exit => entries.includes(exit)) ? 1 : null;
}
