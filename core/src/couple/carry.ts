// A couple that comes into a figure off the middle of its hold: what becomes of that, and where it fails.
import type { Point } from '../floor/path.ts';
import type { Dance } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import type { FigureStep } from '../steps/figure.ts';
import { holdPlace, type Placed } from '../steps/hold-shape.ts';
import { isRock, pointAt, rotate, stepMetres, takesWeight } from './body-track.ts';
import type { HoldLine } from './couple-time.ts';
import { judgePlace, type Verdict } from './place-verdict.ts';
import { type CouplePose, hintedMoments, tooNear } from './together.ts';

/** Where the follower is less the middle of the place that the hold has for it, in the leader's frame, in metres. */
export type Off = Placed;

export const NOT_OFF: Off = { ahead: 0, side: 0 };

/** A figure danced from the middle along one line of holds. */
export interface DancedWay {
  readonly line: HoldLine;
  readonly poses: readonly CouplePose[];
  /** Metres that the steps of each moment give to be in place again; so much in all. */
  readonly gives: readonly number[];
  readonly given: number;
}

/** Something that fails only because of where the couple came in. */
export interface CarriedHint {
  readonly code: 'collide' | 'apart' | 'wrong-side';
  /** The follower's step. */
  readonly step: number;
  readonly words: string;
}

const SHARE = 0.1;
const MOST_GIVEN = 0.15;
const NOT_JUDGED = 0.1;
const TOLERANCE = 1e-9;

/** What dancers adapt by themselves: a tenth of each step that has a length, the first steps first. */
export function danceWay(dance: Dance, line: HoldLine, poses: readonly CouplePose[]): DancedWay {
  let given = 0;
  const gives = poses.map(({ moment }) => {
    const metres =
      stepGives(dance, moment.lead, moment.leadNext) + stepGives(dance, moment.follow, moment.followNext);
    const own = Math.min(MOST_GIVEN - given, SHARE * metres);
    given += own;
    return own;
  });
  return { line, poses, gives, given };
}

function stepGives(dance: Dance, one: FigureStep | null, next: FigureStep | null): number {
  if (!one?.step || !takesWeight(dance, one) || isRock(one, next)) return 0;
  const { ahead, side } = stepMetres(dance, one, next);
  return Math.hypot(ahead, side);
}

/** Where the couple is off after a way that it came into off by so much; `adapts`: as dancers do by themselves. */
export function offAfter({ line, poses, given }: DancedWay, off: Off, adapts = true): Off {
  const last = poses.at(-1);
  if (!last) return off;
  const middle = holdPlace((line.at(-1) ?? line[0]).hold).middle;
  const own = { ahead: last.place.ahead - middle.ahead, side: last.place.side - middle.side };
  const came = inFrame(rotated(worldOf(off), turnedBy(poses)), last.lead.facing);
  return shortened({ ahead: own.ahead + came.ahead, side: own.side + came.side }, adapts ? given : 0);
}

/**
 * What fails on a way that was come into off by so much, and not from the middle. Judged as from the middle, with the off
 * added to every place; linear in the moments.
 */
export function carriedHints(way: DancedWay, off: Off, adapts = true): readonly CarriedHint[] {
  const judged = carried(way, off, adapts);
  return hintedMoments(judged).map(({ index, code }): CarriedHint => {
    const { moment, verdict } = entryAt(judged, index);
    const words = code === 'collide' ? 'they walk into each other' : `the follower is ${verdict.words}`;
    return { code, step: moment.followIndex, words };
  });
}

/** The couple after each moment of a way that it came into off by so much, as dancers adapt; what fails only then is told there. */
export function carriedPoses(way: DancedWay, off: Off): readonly CouplePose[] {
  return carried(way, off, true);
}

/** Every pose with the couple off its place. */
function carried({ poses, gives }: DancedWay, off: Off, adapts: boolean): readonly CouplePose[] {
  const start = worldOf(off);
  const hintedEvents = new Set(
    poses.flatMap(({ verdict, collides, moment }) =>
      verdict.code || collides !== null ? [moment.event] : [],
    ),
  );
  let degrees = 0;
  let givenBefore = 0;
  let givenInEvent = 0;
  let event = -1;
  return poses.map((pose, index) => {
    const { moment, read, lead } = pose;
    if (moment.event !== event) {
      givenBefore += givenInEvent;
      givenInEvent = 0;
      event = moment.event;
    }
    givenInEvent += adapts ? (gives[index] ?? 0) : 0;
    const stepping = rotated(shortenedPoint(start, givenBefore), degrees + read.rotation.before);
    degrees += read.rotation.before + read.rotation.after;
    const given = givenBefore + (moment.endsEvent ? givenInEvent : 0);
    const left = inFrame(rotated(shortenedPoint(start, given), degrees), lead.facing);
    const isTold =
      hintedEvents.has(moment.event) || Math.hypot(left.ahead, left.side) < NOT_JUDGED - TOLERANCE;
    const at = moved(pose, left);
    return isTold ? { ...at, verdict: FINE, collides: null } : judgedOff(at, stepping);
  });
}

/** A pose with the follower off by so much in the leader's frame. */
function moved(pose: CouplePose, left: Off): CouplePose {
  const place = { ahead: pose.place.ahead + left.ahead, side: pose.place.side + left.side };
  return { ...pose, place, follow: { ...pose.follow, middle: pointAt(pose.lead, place) } };
}

const FINE: Verdict = { code: null, words: '', off: 0 };

/** A pose judged where it is; `stepping` is what it was off by while the steps were made. */
function judgedOff(pose: CouplePose, stepping: Point): CouplePose {
  const { read, place, rel } = pose;
  const { inForce, against, begins } = read.holds;
  const [first, ...others] = against.map(hold =>
    judgePlace(place, hold, { rel, begins, passes: read.passes }),
  );
  const verdict = others.reduce((best, one) => (isBetter(one, best) ? one : best), first ?? FINE);
  const from = { x: read.way.from.x + stepping.x, y: read.way.from.y + stepping.y };
  const to = { x: read.way.to.x + stepping.x, y: read.way.to.y + stepping.y };
  return {
    ...pose,
    verdict,
    collides: inForce.contact === 'body' ? null : tooNear({ from, to }, read.passes),
  };
}

function isBetter(one: Verdict, than: Verdict): boolean {
  if ((one.code === null) !== (than.code === null)) return one.code === null;
  return one.off < than.off - TOLERANCE;
}

/** Degrees that both are carried round in a figure. */
function turnedBy(poses: readonly CouplePose[]): number {
  return poses.reduce((sum, { read }) => sum + read.rotation.before + read.rotation.after, 0);
}

/** As a vector on the floor, the leader facing up. */
function worldOf({ ahead, side }: Off): Point {
  return { x: -side, y: ahead };
}

function inFrame(point: Point, facing: number): Off {
  const { x, y } = rotated(point, -facing);
  return { ahead: y, side: -x };
}

function rotated(point: Point, degrees: number): Point {
  return rotate(point, { x: 0, y: 0 }, degrees);
}

function shortenedPoint({ x, y }: Point, by: number): Point {
  const length = Math.hypot(x, y);
  const scale = length <= by ? 0 : (length - by) / length;
  return { x: x * scale, y: y * scale };
}

function shortened({ ahead, side }: Off, by: number): Off {
  const { x, y } = shortenedPoint({ x: ahead, y: side }, by);
  return { ahead: x, side: y };
}
