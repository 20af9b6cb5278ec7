// Where the feet of both roles fall on the floor, in metres: an estimate from the usual length of each action.
// The leader begins at 0|0 facing up (y); x is to the right, turns to the left are positive. Linear in the steps.

import type { Dance, Foot, Hold, Role } from '../model/document.ts';
import { ownEntry } from '../model/entry-at.ts';
import type { Action } from '../model/step-words.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import { danceActions, type Figure, type FigurePart, type FigureStep } from '../steps/figure.ts';
import { holdPlace } from '../steps/hold-shape.ts';
import { entryHolds, findHold } from '../steps/holds.ts';
import type { Step } from '../steps/step.ts';

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A foot put down: where, which way it points, and whether it took the weight. */
export interface Footfall extends Point {
  readonly foot: 'L' | 'R';
  /** Degrees to the left of the leader's first facing. */
  readonly facing: number;
  readonly weight: boolean;
  /** Index of the step; -1 for where the foot stood at the start. */
  readonly step: number;
}

export interface Track {
  readonly role: Role;
  readonly footfalls: readonly Footfall[];
  /** The middle of the dancer after each step, the start first. */
  readonly middle: readonly Point[];
  /** Degrees to the left of the leader's first facing, after the last step. */
  readonly facing: number;
}

/** Usual lengths in metres, sideways or along; a dance may set its own. */
export const STEP_LENGTHS: Readonly<Record<Action, number>> = {
  fwd: 0.5,
  back: 0.45,
  side: 0.4,
  close: 0,
  place: 0,
  replace: 0,
  'cross-front': 0.25,
  'cross-behind': 0.25,
  'diag-fwd': 0.5,
  'diag-back': 0.45,
  'lock-front': 0.2,
  'lock-behind': 0.2,
  pivot: 0.3,
  land: 0,
  tap: 0.05,
  touch: 0.05,
  point: 0.35,
  kick: 0.35,
  flick: 0.25,
  brush: 0.2,
  scuff: 0.25,
  heel: 0.3,
  toe: 0.3,
  hitch: 0,
  sweep: 0.35,
};

/** Half the distance between the feet of somebody who stands. */
export const HALF_STANCE = 0.1;
/** Steps under a beat are shorter. */
export const QUICK_SHARE = 0.7;
export const SMALL_SHARE = 0.5;

/** Which way an action goes for the left foot: along the facing, and to the left. */
export const STEP_DIRECTIONS: Readonly<Record<Action, readonly [ahead: number, outward: number]>> = {
  fwd: [1, 0],
  back: [-1, 0],
  side: [0, 1],
  'cross-front': [0.5, -1],
  'cross-behind': [-0.5, -1],
  'diag-fwd': [Math.SQRT1_2, Math.SQRT1_2],
  'diag-back': [-Math.SQRT1_2, Math.SQRT1_2],
  'lock-front': [0.4, -0.5],
  'lock-behind': [-0.4, -0.5],
  pivot: [1, 0],
  point: [0.3, 1],
  kick: [1, 0],
  flick: [-1, 0],
  brush: [1, 0],
  scuff: [1, 0],
  heel: [1, 0],
  toe: [-1, 0],
  sweep: [0.4, 1],
  tap: [0, -1],
  touch: [0, -1],
};

/** The tracks of all roles of a figure danced once; none for a figure without steps. */
export function figurePath(figure: Figure): readonly Track[] {
  const [first, second] = figure.parts;
  if (!first) return [];
  const lead = walk(figure, first, { x: 0, y: 0, facing: 0 });
  if (!second) return [lead];
  return [lead, walk(figure, second, partnerStart(figure))];
}

const FACE_TO_FACE: Pick<Hold, 'contact' | 'rel'> = { contact: 'hand' };

interface Stance extends Point {
  readonly facing: number;
}

/** In the middle of the place that the hold has for the partner. */
function partnerStart({ pattern, dance }: Figure): Stance {
  const hold = findHold(dance, entryHolds(pattern)[0] ?? '') ?? FACE_TO_FACE;
  const { middle } = holdPlace(hold);
  return { x: -middle.side, y: middle.ahead, facing: hold.rel ?? 180 };
}

function walk(figure: Figure, part: FigurePart, start: Stance): Track {
  const actions = danceActions(figure.dance);
  const feet: Record<'L' | 'R', Point> = { L: beside(start, 'L'), R: beside(start, 'R') };
  let facing = start.facing;
  let middle: Point = start;
  const footfalls: Footfall[] = (['L', 'R'] as const).map(foot => ({
    ...feet[foot],
    foot,
    facing,
    weight: true,
    step: -1,
  }));
  const track: Point[] = [{ x: start.x, y: start.y }];
  for (const [index, { step, time }] of part.steps.entries()) {
    if (step) {
      facing += step.turnBefore;
      const weightClass = actions.get(step.action) ?? 'takes';
      const isTaken = weightClass === 'takes' || step.foot === 'B';
      for (const foot of movedFeet(step.foot, weightClass)) {
        feet[foot] = landing(step, foot, { feet, middle, facing }, lengthOf(figure.dance, step, time));
        footfalls.push({
          ...feet[foot],
          foot,
          facing: facing + step.turnAfter,
          weight: isTaken,
          step: index,
        });
      }
      if (isTaken) middle = middleOver(step.foot, feet, facing);
      facing += step.turnAfter;
    }
    track.push(middle);
  }
  return { role: part.role, footfalls, middle: track, facing };
}

function movedFeet(foot: Foot, weight: string): readonly ('L' | 'R')[] {
  if (weight === 'stays') return [];
  return foot === 'B' ? ['L', 'R'] : [foot];
}

/** Partners go together: for them forward counts like back. */
const PARTNERS_GO: Readonly<Record<Action, Action>> = { fwd: 'back', 'diag-fwd': 'diag-back' };

/** Metres of an action, as the dance has it or as usual. */
export function usualLength({ stepLengths, roles }: Dance, action: Action): number {
  const like = roles === 'pair' ? (ownEntry(PARTNERS_GO, action) ?? action) : action;
  return ownEntry(stepLengths, action) ?? ownEntry(STEP_LENGTHS, like) ?? 0;
}

function lengthOf(dance: Dance, step: Step, time: FigureStep['time']): number {
  const usual = usualLength(dance, step.action);
  const isQuick = time?.length != null && time.length < TICKS_PER_BEAT;
  return usual * (isQuick ? QUICK_SHARE : 1) * (step.qualifiers.includes('small') ? SMALL_SHARE : 1);
}

interface Standing {
  readonly feet: Readonly<Record<'L' | 'R', Point>>;
  readonly middle: Point;
  readonly facing: number;
}

function landing(step: Step, foot: 'L' | 'R', { feet, middle, facing }: Standing, length: number): Point {
  if (step.action === 'replace') return feet[foot];
  const [along, outward] = ownEntry(STEP_DIRECTIONS, step.action) ?? [0, 0];
  const left = foot === 'L' ? 1 : -1;
  const place = beside({ ...middle, facing }, foot);
  return ahead(ahead(place, facing, along * length), facing + 90 * left, outward * length);
}

/** Over the foot that carries the weight, half a stance inward; over both, between them. */
function middleOver(foot: Foot, feet: Readonly<Record<'L' | 'R', Point>>, facing: number): Point {
  if (foot === 'B') return { x: (feet.L.x + feet.R.x) / 2, y: (feet.L.y + feet.R.y) / 2 };
  return ahead(feet[foot], facing + (foot === 'L' ? -90 : 90), HALF_STANCE);
}

function beside(stance: Stance, foot: 'L' | 'R'): Point {
  return ahead(stance, stance.facing + (foot === 'L' ? 90 : -90), HALF_STANCE);
}

/** A point so many metres on in a direction, in degrees to the left of up. */
export function ahead({ x, y }: Point, degrees: number, metres: number): Point {
  const radians = (degrees * Math.PI) / 180;
  return { x: x - Math.sin(radians) * metres, y: y + Math.cos(radians) * metres };
}
