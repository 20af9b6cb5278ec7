// The couple on the floor: both tracks, and after each moment the follower's place in the leader's frame against the
// hold. Estimates from the usual lengths of steps; linear in the moments for each way in and out.
import type { Point } from '../floor/path.ts';
import type { Dance, Hold } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { modulo, printMetres } from '../model/units.ts';
import { stepCount } from '../steps/counts.ts';
import type { FigureFault, FigureStep } from '../steps/figure.ts';
import { holdPlace, isFrame, type Placed } from '../steps/hold-shape.ts';
import {
  type Body,
  carriedRound,
  middleBetween,
  placeIn,
  pointAt,
  standing,
  stepMetres,
  stepped,
  takesWeight,
  turned,
} from './body-track.ts';
import { type Couple, type HoldLine, holdLines, type Moment } from './couple-time.ts';
import { judgePlace, type Verdict } from './place-verdict.ts';
import type { Turned } from './turns.ts';

/** The couple after a moment. */
export interface CouplePose {
  readonly moment: Moment;
  readonly lead: Body;
  readonly follow: Body;
  /** Where the follower is in the leader's frame. */
  readonly place: Placed;
  /** The follower's facing less the leader's, in degrees, not modulo 360. */
  readonly rel: number;
  /** The hold that it was held against. */
  readonly hold: Hold;
  readonly verdict: Verdict;
  /** How near the centres come in this moment, where that is too near. */
  readonly collides: number | null;
  /** True where the follower alone may be out of place for this one moment. */
  readonly mayPass: boolean;
  /** How the moment was read: all that is asked again of a couple that came into the figure off its place. */
  readonly read: MomentReading;
}

/** One moment as it is danced from the middle of the hold. */
export interface MomentReading {
  /** The hold in force in a moment, those that it is held against, and whether one begins there. */
  readonly holds: MomentHolds;
  /** True where somebody steps outside or between the partner. */
  readonly passes: boolean;
  /** Degrees that both are carried round the middle between them, before the steps and after them. */
  readonly rotation: { readonly before: number; readonly after: number };
  /** From the leader's middle to the follower's before and after the steps. */
  readonly way: { readonly from: Point; readonly to: Point };
}

/** Middles this near each other walk through one another, in metres; who goes past the partner may end no nearer than that. */
const TOO_NEAR = 0.15;
const TOO_NEAR_PAST = 0.2;

/** What both have turned together since the figure began: the smaller, and nothing when to different sides. */
export function jointTurn({ lead, follow }: Turned): number {
  if (lead * follow <= 0) return 0;
  return Math.abs(lead) < Math.abs(follow) ? lead : follow;
}

/** The start of a line of holds: the leader at 0|0 facing up, the follower in the middle of the entry's place. */
export function coupleStart(hold: Hold): { readonly lead: Body; readonly follow: Body } {
  const lead = standing({ x: 0, y: 0 }, 0);
  return { lead, follow: standing(pointAt(lead, holdPlace(hold).middle), hold.rel ?? 180) };
}

/** Dances a figure along a line of holds: the couple after each moment. */
export function dancePoses(couple: Couple, line: HoldLine): readonly CouplePose[] {
  const poses: CouplePose[] = [];
  let bodies = coupleStart(line[0].hold);
  let turns: Turned = { lead: 0, follow: 0 };
  const holds = holdsByEvent(couple, line);
  for (const moment of couple.moments) {
    const readings = readingsOf(couple, moment, entryAt(holds, moment.event), bodies, turns);
    const pose = readings.reduce((best, one) => (isBetter(one, best) ? one : best));
    poses.push(pose);
    bodies = pose;
    turns = afterMoment(turns, moment);
  }
  return poses;
}

/** A line of holds and the couple on it. */
export interface DancedLine {
  readonly line: HoldLine;
  readonly poses: readonly CouplePose[];
}

/** For each way into a figure the couple on the lines to each way out. */
export function danceLines(couple: Couple): readonly (readonly DancedLine[])[] {
  return holdLines(couple).map(lines => lines.map(line => ({ line, poses: dancePoses(couple, line) })));
}

/** Who is out of place, and where they walk through each other; for each way in the way out with the fewest. */
export function checkTogether(couple: Couple, danced = danceLines(couple)): FigureFault[] {
  const found = new Map<string, FigureFault>();
  for (const lines of danced) {
    const hints = lines.map(({ poses }) => poseHints(couple, poses));
    const least = hints.reduce((best, one) => (one.length < best.length ? one : best));
    for (const hint of least) {
      const key = `${hint.code} ${hint.path.join('/')}`;
      if (!found.has(key)) found.set(key, hint);
    }
  }
  return [...found.values()];
}

function poseHints({ figure, follow }: Couple, poses: readonly CouplePose[]): FigureFault[] {
  return hintedMoments(poses).map(({ index, code }): FigureFault => {
    const { moment, verdict, collides } = entryAt(poses, index);
    const words =
      code === 'collide'
        ? `${printMetres(collides ?? 0)} from the leader’s middle: they walk into each other`
        : verdict.words;
    return {
      code,
      path: ['parts', 'follow', moment.followIndex],
      message: `at ${stepCount(figure, follow, moment.followIndex)} the follower is ${words}`,
    };
  });
}

interface HintedMoment {
  readonly index: number;
  readonly code: 'apart' | 'wrong-side' | 'collide';
}

/** The first of each kind in every run of moments out of place: what comes after follows from it. */
export function hintedMoments(
  poses: readonly Pick<CouplePose, 'verdict' | 'collides' | 'mayPass'>[],
): readonly HintedMoment[] {
  const hints: HintedMoment[] = [];
  let told = new Set<string>();
  for (const [index, { verdict, collides, mayPass }] of poses.entries()) {
    const { code } = verdict;
    if (collides !== null) hints.push({ index, code: 'collide' });
    if (code === null) {
      told = new Set();
      continue;
    }
    const isAlone = [poses[index - 1], poses[index + 1]].every(next => !next?.verdict.code);
    if ((isAlone && mayPass) || told.has(code)) continue;
    told.add(code);
    hints.push({ index, code });
  }
  return hints;
}

function afterMoment({ lead, follow }: Turned, moment: Moment): Turned {
  const turnOf = (one: FigureStep | null) => (one?.step ? one.step.turnBefore + one.step.turnAfter : 0);
  return { lead: lead + turnOf(moment.lead), follow: follow + turnOf(moment.follow) };
}

interface Bodies {
  readonly lead: Body;
  readonly follow: Body;
}

/** The ways to read a moment: carried round together or not, against the hold in force or the next. Rotated first. */
function readingsOf(
  couple: Couple,
  moment: Moment,
  holds: EventHolds,
  from: Bodies,
  turns: Turned,
): readonly CouplePose[] {
  const momentHolds = moment.endsEvent ? holds.end : holds.within;
  const { inForce, against, begins } = momentHolds;
  const growth = isFrame(inForce) ? jointGrowth(moment, turns) : NO_GROWTH;
  const isCarried = growth.before !== 0 || growth.after !== 0;
  const passes = isPassing(moment.lead) || isPassing(moment.follow);
  const readings: CouplePose[] = [];
  for (const rotation of isCarried ? [growth, NO_GROWTH] : [NO_GROWTH]) {
    const { lead, follow, way } = moved(couple.figure.dance, moment, from, rotation, inForce);
    const place = placeIn(lead, follow.middle);
    const rel = follow.facing - lead.facing;
    const collides = inForce.contact === 'body' ? null : tooNear(way, passes);
    for (const hold of against) {
      const verdict = judgePlace(place, hold, { rel, begins, passes });
      const mayPass = !begins && !isFrame(hold);
      readings.push({
        ...{ moment, lead, follow, place, rel, hold, verdict, collides, mayPass },
        read: { holds: momentHolds, passes, rotation, way },
      });
    }
  }
  return readings;
}

/** The hold in force in a moment, those that it is held against, and whether one begins there. */
export interface MomentHolds {
  readonly inForce: Hold;
  readonly against: readonly Hold[];
  readonly begins: boolean;
}

/** Of an event: while it goes on, and at its end. */
interface EventHolds {
  readonly within: MomentHolds;
  readonly end: MomentHolds;
}

/** The holds of each event along a line, whose points rise but for the exit. Linear in both. */
function holdsByEvent({ lastEvent }: Couple, line: HoldLine): readonly EventHolds[] {
  const exit = line.at(-1) ?? line[0];
  const points = line.slice(0, -1);
  let inForce = line[0].hold;
  let at = 0;
  return Array.from({ length: lastEvent + 1 }, (_, event): EventHolds => {
    for (; at < points.length && entryAt(points, at).event < event; at += 1)
      inForce = entryAt(points, at).hold;
    let begun = event === lastEvent ? exit.hold : undefined;
    for (let next = at; !begun && points[next]?.event === event; next += 1)
      if (points[next + 1]?.event !== event) begun = points[next]?.hold;
    const next = points[at]?.hold ?? exit.hold;
    const within = { inForce, against: next === inForce ? [inForce] : [inForce, next], begins: false };
    return { within, end: begun ? { inForce, against: [begun], begins: true } : within };
  });
}

function isPassing(one: FigureStep | null): boolean {
  return one?.step?.qualifiers.some(word => word === 'outside' || word === 'between') ?? false;
}

function isBetter(one: CouplePose, than: CouplePose): boolean {
  const hints = ({ verdict, collides }: CouplePose) =>
    Number(verdict.code !== null) + Number(collides !== null);
  const fewer = Math.min(1, hints(than)) - Math.min(1, hints(one));
  return fewer > 0 || (fewer === 0 && one.verdict.off < than.verdict.off - 1e-9);
}

const NO_GROWTH = { before: 0, after: 0 };

/** By how much the joint turn grows before the landing, and after it. */
function jointGrowth({ lead, follow }: Moment, turns: Turned): typeof NO_GROWTH {
  const landing = {
    lead: turns.lead + (lead?.step?.turnBefore ?? 0),
    follow: turns.follow + (follow?.step?.turnBefore ?? 0),
  };
  const end = {
    lead: landing.lead + (lead?.step?.turnAfter ?? 0),
    follow: landing.follow + (follow?.step?.turnAfter ?? 0),
  };
  return {
    before: jointTurn(landing) - jointTurn(turns),
    after: jointTurn(end) - jointTurn(landing),
  };
}

/** Both after a moment, and the way of the follower's middle seen from the leader's. */
function moved(dance: Dance, moment: Moment, from: Bodies, growth: typeof NO_GROWTH, hold: Hold) {
  const { lead, leadNext, follow, followNext } = moment;
  const before = carried(turnedBoth(from, lead?.step?.turnBefore, follow?.step?.turnBefore), growth.before);
  const halfway = isPromenade(hold) ? betweenFacings(before.lead.facing, before.follow.facing) : undefined;
  const landed = {
    lead: danced(dance, before.lead, lead, leadNext, halfway),
    follow: danced(dance, before.follow, follow, followNext, halfway),
  };
  const after = carried(landed, growth.after);
  const end = turnedBoth(after, lead?.step?.turnAfter, follow?.step?.turnAfter);
  const between = ({ lead: one, follow: other }: Bodies) => minus(other.middle, one.middle);
  return { lead: end.lead, follow: end.follow, way: { from: between(before), to: between(landed) } };
}

function turnedBoth({ lead, follow }: Bodies, leadTurn = 0, followTurn = 0): Bodies {
  return { lead: turned(lead, leadTurn), follow: turned(follow, followTurn) };
}

/** One dancer after a step; walks go half-way between the facings where that is told. */
function danced(
  dance: Dance,
  body: Body,
  one: FigureStep | null,
  next: FigureStep | null,
  halfway: number | undefined,
): Body {
  if (!one || !takesWeight(dance, one)) return body;
  const towards = isWalk(one) ? (halfway ?? body.facing) : body.facing;
  return stepped(body, one, towards, stepMetres(dance, one, next));
}

function carried({ lead, follow }: Bodies, degrees: number): Bodies {
  if (degrees === 0) return { lead, follow };
  const centre = middleBetween(lead.middle, follow.middle);
  return { lead: carriedRound(lead, centre, degrees), follow: carriedRound(follow, centre, degrees) };
}

/** A close hold in which the partners look neither at each other nor the same way. */
export function isPromenade({ contact, rel }: Hold): boolean {
  return contact === 'body' && rel !== undefined && modulo(rel, 180) !== 0;
}

export function isWalk({ step }: FigureStep): boolean {
  return step?.action === 'fwd' || step?.action === 'back';
}

/** The facing half-way between two, the short way. */
export function betweenFacings(lead: number, follow: number): number {
  const apart = modulo(follow - lead + 180, 360) - 180;
  return lead + apart / 2;
}

/** How near the middles come on the way of a moment, where that is too near; past the partner the way is free, its end is not. */
export function tooNear(way: MomentReading['way'], passes: boolean): number | null {
  const nearest = passes ? Math.hypot(way.to.x, way.to.y) : nearestBetween(way);
  return nearest < (passes ? TOO_NEAR_PAST : TOO_NEAR) ? nearest : null;
}

/** The least distance of two who go straight and evenly from one place to each other to another. */
function nearestBetween({ from, to }: MomentReading['way']): number {
  const way = minus(to, from);
  const length = way.x * way.x + way.y * way.y;
  const at = length === 0 ? 0 : Math.min(1, Math.max(0, -(from.x * way.x + from.y * way.y) / length));
  return Math.hypot(from.x + way.x * at, from.y + way.y * at);
}

function minus(a: Point, b: Point): Point {
  return { x: a.x - b.x, y: a.y - b.y };
}
