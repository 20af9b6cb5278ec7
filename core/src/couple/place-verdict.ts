// Where the follower stands against the place that a hold has for her.
import type { Hold } from '../model/document.ts';
import { modulo, printMetres } from '../model/units.ts';
import { type HoldRegion, holdPlace, inDirection, type Placed } from '../steps/hold-shape.ts';

export interface Verdict {
  readonly code: 'apart' | 'wrong-side' | null;
  /** How far from right, in words; empty where nothing is wrong. */
  readonly words: string;
  /** Metres from the middle of the place, or between the two distances where the facings are others. */
  readonly off: number;
}

const PAST = 0.1;
const NEARLY_THERE = 0.15;
const REACH = { body: 0.15, hand: 0.3, none: 0.3 } as const;
const NEVER_OPENED = 0.35;
const TOLERANCE = 1e-9;

interface Judged {
  /** The follower's facing less the leader's, in degrees. */
  readonly rel: number;
  /** True where a hold begins, and at the end. */
  readonly begins: boolean;
  /** True where somebody steps outside or between the partner: nothing near is judged. */
  readonly passes: boolean;
}

/** What is to be said of the follower's place in a hold, in metres of the leader's frame. */
export function judgePlace(at: Placed, hold: Hold, { rel, begins, passes }: Judged): Verdict {
  const region = holdPlace(hold);
  const distance = Math.hypot(at.ahead, at.side);
  const usual = Math.hypot(region.middle.ahead, region.middle.side);
  const isFacing = hold.rel === undefined || modulo(rel - hold.rel, 360) === 0;
  const fine = (off: number): Verdict => ({ code: null, words: '', off });
  if (!isFacing) {
    const beyond = distance - farCorner(region) - REACH[hold.contact];
    const off = Math.abs(distance - usual);
    if (beyond <= TOLERANCE) return fine(off);
    return {
      code: 'apart',
      words: `${printMetres(distance)} from the leader while turning, too far to reach`,
      off,
    };
  }
  const off = Math.hypot(at.ahead - region.middle.ahead, at.side - region.middle.side);
  if (passes && distance < usual) return fine(off);
  const outside = outsideOf(at, region);
  const past = usual === 0 ? 0 : -(at.ahead * region.middle.ahead + at.side * region.middle.side) / usual;
  if (past > PAST + TOLERANCE && outside > NEARLY_THERE)
    return { code: 'wrong-side', words: `${printMetres(past)} past the leader, on the other side`, off };
  const isClosed =
    begins && hold.contact === 'hand' && hold.place === undefined && distance < NEVER_OPENED - TOLERANCE;
  if (isClosed)
    return {
      code: 'apart',
      words: `only ${printMetres(distance)} from the leader: it never opens to ${hold.name}`,
      off,
    };
  if (outside <= REACH[hold.contact] + TOLERANCE) return fine(off);
  return { code: 'apart', words: `${printMetres(outside)} ${awayFrom(at, region)} for ${hold.name}`, off };
}

/** Metres outside the place; 0 within. */
function outsideOf(at: Placed, region: HoldRegion): number {
  if (region.kind === 'round') return Math.max(0, Math.hypot(at.ahead, at.side) - region.along[1]);
  const [along, across] = within(at, region);
  return Math.hypot(beyond(along, region.along), beyond(across, region.across));
}

/** A place measured along and across the direction of a region. */
function within(at: Placed, { direction }: HoldRegion): readonly [number, number] {
  const { ahead: cos, side: sin } = inDirection(direction, 1);
  return [at.ahead * cos + at.side * sin, at.side * cos - at.ahead * sin];
}

function beyond(value: number, [from, to]: readonly [number, number]): number {
  return Math.max(0, from - value, value - to);
}

function farCorner(region: HoldRegion): number {
  if (region.kind === 'round') return region.along[1];
  const farthest = ([from, to]: readonly [number, number]) => Math.max(Math.abs(from), Math.abs(to));
  return Math.hypot(farthest(region.along), farthest(region.across));
}

/** Which way somebody is outside a place: the larger of both ways. */
function awayFrom(at: Placed, region: HoldRegion): string {
  const [along, across] = within(at, region);
  const [far, wide] = [beyond(along, region.along), beyond(across, region.across)];
  if (far >= wide) return along > region.along[1] ? 'too far away' : 'too near';
  return across > region.across[1] ? 'too far to the leader’s left' : 'too far to the leader’s right';
}
