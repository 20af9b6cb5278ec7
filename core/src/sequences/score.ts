// What makes one sequence better than another: points that are taken off, whole ones, each of one kind.
import { TICKS_PER_BEAT } from '../model/units.ts';
import { type CombineRequest, isLoop } from './request.ts';
import type { SequenceFigure, SequenceWay } from './usable-figures.ts';

/** Points taken off. */
export const SEQUENCE_WEIGHTS = {
  /** A change of hold, inside a figure too. */
  hold: 2,
  /** A turn that follows one to the other side within two beats. */
  flip: 3,
  /** The same figure at once again. */
  again: 1,
  /** Each time that a figure is danced beyond its share: as often as all would be danced in turn, rounded up. */
  share: 2,
  /** Musts that lie together: the longest stretch without one, beyond an even one, as a part of the whole, times this. */
  spread: 6,
} as const;

const AT_SPEED = 2 * TICKS_PER_BEAT;

export interface SequenceStep {
  readonly figure: SequenceFigure;
  readonly way: SequenceWay;
}

/** Points for a figure after another, whatever came before. */
export function stepPoints(before: SequenceFigure | undefined, { figure, way }: SequenceStep): number {
  const { hold, again } = SEQUENCE_WEIGHTS;
  return way.changes * hold + (before === figure ? again : 0) + flipPoints(before, figure);
}

/** Points for the seam of a loop. */
export function seamPoints(request: CombineRequest, first: SequenceFigure, last: SequenceFigure): number {
  return isLoop(request) ? flipPoints(last, first) : 0;
}

function flipPoints(before: SequenceFigure | undefined, figure: SequenceFigure): number {
  const [last, first] = [before?.lastTurn, figure.firstTurn];
  const flips = last && first && last.side !== first.side && last.ticks + first.ticks < AT_SPEED;
  return flips ? SEQUENCE_WEIGHTS.flip : 0;
}

/** How often each figure may be danced without a point: as often as all of them in turn would fill the whole, rounded up. */
export function shareOf(
  { beats }: Pick<CombineRequest, 'beats'>,
  figures: readonly SequenceFigure[],
): number {
  const round = figures.reduce((sum, figure) => sum + figure.beats, 0);
  return Math.max(1, Math.ceil(beats / round));
}

/** The stretches of a sequence without a must, in ticks, as far as it is danced. */
export interface Stretches {
  readonly first: number | undefined;
  readonly last: number;
  /** The longest between two musts. */
  readonly longest: number;
}

export const NO_STRETCHES: Stretches = { first: undefined, last: 0, longest: 0 };

/** With a must that begins at so many ticks. */
export function stretchTo({ first, last, longest }: Stretches, at: number): Stretches {
  if (first === undefined) return { first: at, last: at, longest };
  return { first, last: at, longest: Math.max(longest, at - last) };
}

/** Points for how the musts lie, at the least: `at` is how far it is danced; at the end the stretch goes over the seam. */
export function spreadPoints({ must, beats }: CombineRequest, stretches: Stretches, at: number): number {
  const musts = must.length;
  if (musts < 2) return 0;
  const open = at - stretches.last + (at === beats ? (stretches.first ?? 0) : 0);
  const longest = Math.max(stretches.longest, stretches.first ?? 0, open);
  return Math.round((SEQUENCE_WEIGHTS.spread * Math.max(0, longest - beats / musts)) / beats);
}

/** What a whole sequence is worth: 0 at best, less for each point taken off. */
export function scoreSequence(
  request: CombineRequest,
  steps: readonly SequenceStep[],
  share: number,
): number {
  const [first, last] = [steps[0], steps.at(-1)];
  if (!first || !last) return 0;
  const musts = new Set(request.must);
  const times = new Map<SequenceFigure, number>();
  let [points, at, stretches] = [0, 0, NO_STRETCHES];
  for (const [index, step] of steps.entries()) {
    const { figure } = step;
    const time = (times.get(figure) ?? 0) + 1;
    times.set(figure, time);
    points += stepPoints(steps[index - 1]?.figure, step) + (time > share ? SEQUENCE_WEIGHTS.share : 0);
    if (musts.has(figure.id)) stretches = stretchTo(stretches, at);
    at += figure.beats;
  }
  return 0 - points - seamPoints(request, first.figure, last.figure) - spreadPoints(request, stretches, at);
}
