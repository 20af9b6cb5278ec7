// The follower's step that would keep the hold: the leader's way, what the leader's turn carries her round outside a
// frame, and an equal share of the way from one hold's place to the next one's. Linear in the steps.
import type { Point } from '../floor/path.ts';
import type { Dance, Hold } from '../model/document.ts';
import type { FigurePart, FigureStep } from '../steps/figure.ts';
import { holdPlace, isFrame, type Placed } from '../steps/hold-shape.ts';
import {
  isRock,
  placeIn,
  pointAt,
  rotate,
  standing,
  stepMetres,
  stepped,
  takesWeight,
  turned,
} from './body-track.ts';
import type { HoldLine } from './couple-time.ts';
import { betweenFacings, isPromenade, isWalk, jointTurn } from './together.ts';
import type { Turned } from './turns.ts';

/** Degrees that the follower turns in a step, before and after the landing. */
export interface StepTurns {
  readonly before: number;
  readonly after: number;
}

export interface NeededStep {
  readonly event: number;
  /** The hold in force. */
  readonly hold: Hold;
  /** In the follower's frame after the turn before the landing. */
  readonly way: Placed;
  /** Metres that the leader's turn takes her round, outside a frame. */
  readonly round: number;
  readonly takes: boolean;
  readonly rocks: boolean;
}

const ORIGIN: Point = { x: 0, y: 0 };

/** What is needed of the follower at each of the leader's steps, with the turns that she makes there. */
export function neededSteps(
  dance: Dance,
  lead: FigurePart,
  line: HoldLine,
  turnsOf: (step: number) => StepTurns,
): readonly NeededStep[] {
  const shares = waysBetweenHolds(dance, lead, line);
  let place = holdPlace(line[0].hold).middle;
  let body = standing(ORIGIN, 0);
  let away = pointAt(body, place);
  let facing = line[0].hold.rel ?? 180;
  let turns: Turned = { lead: 0, follow: 0 };
  return lead.steps.map((one, index): NeededStep => {
    const event = eventOf(one, index);
    const { hold } = holdAt(line, event);
    const next = lead.steps[index + 1] ?? null;
    const own = turnsOf(index);
    const [before, after] = [one.step?.turnBefore ?? 0, one.step?.turnAfter ?? 0];
    const landing = { lead: turns.lead + before, follow: turns.follow + own.before };
    const end = { lead: landing.lead + after, follow: landing.follow + own.after };
    const growth = (from: Turned, to: Turned) => (isFrame(hold) ? jointTurn(to) - jointTurn(from) : 0);
    body = turned(body, before);
    facing += own.before;
    away = rotate(away, ORIGIN, growth(turns, landing));
    const takes = takesWeight(dance, one);
    const round = isFrame(hold) ? 0 : distance(vector(body.facing, place), away);
    let way: Placed = { ahead: 0, side: 0 };
    if (takes) {
      const towards = isPromenade(hold) && isWalk(one) ? betweenFacings(body.facing, facing) : body.facing;
      const landed = stepped(body, one, towards, stepMetres(dance, one, next));
      const share = shares.get(index) ?? { ahead: 0, side: 0 };
      place = { ahead: place.ahead + share.ahead, side: place.side + share.side };
      const target = vector(body.facing, place);
      const need = {
        x: landed.middle.x - body.middle.x + target.x - away.x,
        y: landed.middle.y - body.middle.y + target.y - away.y,
      };
      way = placeIn({ middle: ORIGIN, facing }, need);
      body = landed;
      away = target;
    }
    away = rotate(away, ORIGIN, growth(landing, end));
    body = turned(body, after);
    facing += own.after;
    turns = end;
    return { event, hold, way, round, takes, rocks: isRock(one, next) };
  });
}

/** The hold that is in force while an event is danced. */
export function holdAt(line: HoldLine, event: number): HoldLine[0] {
  return line.findLast(point => point.event < event) ?? line[0];
}

/** The steps of a part from the end of one event to the end of another. */
export function stepsBetween({ steps }: FigurePart, after: number, upTo: number): readonly number[] {
  return steps.flatMap((one, index) => {
    const event = eventOf(one, index);
    return event > after && event <= upTo ? [index] : [];
  });
}

/** The share of each taking step of the way from a hold's place to the next one's; rocks and their return take none. */
function waysBetweenHolds(dance: Dance, lead: FigurePart, line: HoldLine): ReadonlyMap<number, Placed> {
  const shares = new Map<number, Placed>();
  for (const [index, to] of line.entries()) {
    const from = line[index - 1];
    if (!from) continue;
    const walking = stepsBetween(lead, from.event, to.event).filter(step => isWalking(dance, lead, step));
    const [a, b] = [holdPlace(from.hold).middle, holdPlace(to.hold).middle];
    const share = {
      ahead: (b.ahead - a.ahead) / walking.length,
      side: (b.side - a.side) / walking.length,
    };
    for (const step of walking) shares.set(step, share);
  }
  return shares;
}

function isWalking(dance: Dance, { steps }: FigurePart, index: number): boolean {
  const one = steps[index];
  return (
    one !== undefined &&
    takesWeight(dance, one) &&
    one.step?.action !== 'replace' &&
    !isRock(one, steps[index + 1] ?? null)
  );
}

function eventOf({ time }: FigureStep, index: number): number {
  return time?.event ?? index;
}

function vector(facing: number, place: Placed): Point {
  return pointAt({ middle: ORIGIN, facing }, place);
}

function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y);
}
