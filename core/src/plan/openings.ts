// What would let a stuck figure be danced: what opens it laid into its lesson, or the figure laid where it is opened.
import type { Judgement } from './judge.ts';
import type { Placing, PlanProblem } from './problem.ts';
import { type MoveEffect, type Moves, moveEffect } from './reasons.ts';
import type { StuckItem } from './stuck.ts';

/** Moves after which a figure is stuck no longer, or for fewer lessons. */
export interface Opening {
  readonly moves: Moves;
  readonly effect: MoveEffect;
}

/** The ways to open a stuck figure by one move, those that break no rule first, then the cheapest. Each is tried. */
export function findOpenings(
  problem: PlanProblem,
  plan: Placing,
  { id, from, until, opens }: StuckItem,
  before: Judgement,
): readonly Opening[] {
  const lessons = (judged: Judgement) => judged.stuck.find(stuck => stuck.id === id);
  const isShorter = (after: StuckItem | undefined) =>
    after === undefined || (after.until ?? Infinity) - after.from < (until ?? Infinity) - from;
  const tried: Moves[] = [
    ...opens.map(way => ({ [way]: from })),
    ...(until !== undefined && problem.taught?.items[id] === undefined ? [{ [id]: until }] : []),
  ];
  return tried
    .filter(moves => Object.keys(moves).every(moved => problem.taught?.items[moved] === undefined))
    .map(moves => ({ moves, effect: moveEffect(problem, plan, moves, before) }))
    .filter(({ effect }) => isShorter(lessons(effect.after)))
    .toSorted(
      (a, b) =>
        a.effect.broken.length - b.effect.broken.length || a.effect.change.total - b.effect.change.total,
    );
}
