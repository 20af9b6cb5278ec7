// How the middle of a dancer moves: an estimate from the usual length of each action, in metres.

import {
  ahead,
  HALF_STANCE,
  type Point,
  QUICK_SHARE,
  SMALL_SHARE,
  STEP_DIRECTIONS,
  usualLength,
} from '../floor/path.ts';
import type { Dance } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import { danceActions, type FigureStep } from '../steps/figure.ts';
import type { Placed } from '../steps/hold-shape.ts';
import type { Step } from '../steps/step.ts';

/** A dancer who stands: where the middle and both feet are, and degrees to the left of the leader's first facing. */
export interface Body {
  readonly middle: Point;
  readonly facing: number;
  readonly feet: { readonly L: Point; readonly R: Point };
}

/** Half of a step before the other foot takes the weight back where it was. */
const ROCK_SHARE = 0.5;

/** Somebody who stands on both feet. */
export function standing(middle: Point, facing: number): Body {
  return { middle, facing, feet: { L: beside(middle, facing, 'L'), R: beside(middle, facing, 'R') } };
}

export function turned(body: Body, degrees: number): Body {
  return degrees === 0 ? body : { ...body, facing: body.facing + degrees };
}

/** The body carried round a point; its facing is its own affair. */
export function carriedRound(body: Body, centre: Point, degrees: number): Body {
  const around = (point: Point) => rotate(point, centre, degrees);
  return { ...body, middle: around(body.middle), feet: { L: around(body.feet.L), R: around(body.feet.R) } };
}

/**
 * The body after the weight is taken: its middle moved by the length of the action and the foot beside it;
 * `replace` goes back over that foot. `towards` is where forward is, in degrees.
 */
export function stepped(body: Body, { step }: FigureStep, towards: number, by: Placed): Body {
  if (!step) return body;
  const { facing, feet, middle } = body;
  if (step.action === 'replace' && step.foot !== 'B') {
    const inward = step.foot === 'L' ? -90 : 90;
    return { ...body, middle: ahead(feet[step.foot], facing + inward, HALF_STANCE) };
  }
  const moved = ahead(ahead(middle, towards, by.ahead), facing + 90, by.side);
  const placed = (foot: 'L' | 'R') => beside(moved, facing, foot);
  if (step.foot === 'B') return { ...body, middle: moved, feet: { L: placed('L'), R: placed('R') } };
  return { ...body, middle: moved, feet: { ...feet, [step.foot]: placed(step.foot) } };
}

/** True when a step takes the weight. */
export function takesWeight(dance: Dance, { step }: FigureStep): boolean {
  if (!step) return false;
  return step.foot === 'B' || (danceActions(dance).get(step.action) ?? 'takes') === 'takes';
}

/** True when the next step takes the weight back on the other foot. */
export function isRock({ step }: FigureStep, next: FigureStep | null): boolean {
  return step !== null && next?.step?.action === 'replace' && next.step.foot !== step.foot;
}

/** Metres that the middle goes in a taking step: ahead, and to the left. */
export function stepMetres(dance: Dance, given: FigureStep, next: FigureStep | null): Placed {
  const { step } = given;
  if (!step || !takesWeight(dance, given)) return { ahead: 0, side: 0 };
  const length = stepLength(dance, step, given.time, isRock(given, next));
  const [along, outward] = ownEntry(STEP_DIRECTIONS, step.action) ?? [0, 0];
  const left = step.foot === 'R' ? -1 : 1;
  return { ahead: along * length, side: outward * length * left };
}

/** Metres of an action where and as it is danced. */
export function stepLength(dance: Dance, step: Step, time: FigureStep['time'], rocks: boolean): number {
  const usual = usualLength(dance, step.action);
  const isQuick = time?.length != null && time.length < TICKS_PER_BEAT;
  const isSmall = step.qualifiers.includes('small');
  return usual * (isQuick ? QUICK_SHARE : 1) * (isSmall ? SMALL_SHARE : 1) * (rocks ? ROCK_SHARE : 1);
}

/** Where somebody is in another's frame. */
export function placeIn(frame: Pick<Body, 'middle' | 'facing'>, point: Point): Placed {
  const turnedBack = rotate(
    { x: point.x - frame.middle.x, y: point.y - frame.middle.y },
    ORIGIN,
    -frame.facing,
  );
  return { ahead: turnedBack.y, side: -turnedBack.x };
}

/** The point of a place in somebody's frame. */
export function pointAt(frame: Pick<Body, 'middle' | 'facing'>, { ahead: along, side }: Placed): Point {
  return ahead(ahead(frame.middle, frame.facing, along), frame.facing + 90, side);
}

export function middleBetween(a: Point, b: Point): Point {
  return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
}

const ORIGIN: Point = { x: 0, y: 0 };

export function rotate(point: Point, centre: Point, degrees: number): Point {
  const radians = (degrees * Math.PI) / 180;
  const [x, y] = [point.x - centre.x, point.y - centre.y];
  const [cos, sin] = [Math.cos(radians), Math.sin(radians)];
  return { x: centre.x + x * cos - y * sin, y: centre.y + x * sin + y * cos };
}

function beside(middle: Point, facing: number, foot: 'L' | 'R'): Point {
  return ahead(middle, facing + (foot === 'L' ? 90 : -90), HALF_STANCE);
}
