// What would mend a broken rule of a plan made by hand: moves that are tried with the judge, the cheapest first.
import { entryAt } from '../model/entry-at.ts';
import { compilePlan } from './compile.ts';
import { allowedLessons } from './domain.ts';
import { type BrokenRule, judgePlan } from './judge.ts';
import { layInto } from './moves.ts';
import type { Placed, Placing, PlanProblem } from './problem.ts';
import { type MoveEffect, type Moves, moveEffect } from './reasons.ts';
import { SearchState } from './search-state.ts';
import { LEFT } from './snapshot.ts';

export interface PlanMend {
  readonly kind: 'take-along' | 'move' | 'leave-out';
  readonly moves: Moves;
  readonly effect: MoveEffect;
}

const MOST_MENDS = 3;

/**
 * Moves after which a broken rule holds and no other is broken that held, the cheapest first, at most three. Empty
 * when no single move and no taking along mends it. Costs a judgement for each move that is tried.
 */
export function planMends(problem: PlanProblem, plan: Placing, broken: BrokenRule): readonly PlanMend[] {
  const before = judgePlan(problem, plan.placed, plan.ahead);
  const isMended = (effect: MoveEffect) =>
    effect.broken.length === 0 &&
    effect.mended.some(({ rule, at }) => rule === broken.rule && at === broken.at);
  for (const moves of candidates(problem, plan.placed, broken)) {
    const mends = moves
      .map(candidate => ({ ...candidate, effect: moveEffect(problem, plan, candidate.moves, before) }))
      .filter(({ effect }) => isMended(effect));
    if (mends.length > 0)
      return mends.sort((a, b) => a.effect.change.total - b.effect.change.total).slice(0, MOST_MENDS);
  }
  return [];
}

type Candidate = Pick<PlanMend, 'kind' | 'moves'>;

/** In rounds: the next is only tried when nothing of the one before mends the rule. */
function candidates(
  problem: PlanProblem,
  placed: Placed,
  { rule, at, lesson = 0 }: BrokenRule,
): readonly (readonly Candidate[])[] {
  if (rule === 'capacity' || rule === 'quality') {
    const movable = problem.items.filter(({ id }) => isMovable(problem, id));
    const here = movable.filter(({ id }) => placed[id] === lesson);
    const reviewed = movable.filter(({ id }) => isReviewedIn(placed, id, lesson));
    return [
      here.flatMap(({ id }) => movesOf(problem, placed, id)),
      reviewed.flatMap(({ id }) => movesOf(problem, placed, id)),
      here.map(({ id }) => leaveOut(id)),
    ];
  }
  const item = problem.items.find(({ id }) => id === at);
  if (!item || !isMovable(problem, at)) return [];
  const here = placed[at];
  const along = rule === 'need' && here !== undefined ? takeAlong(problem, placed, at, here) : undefined;
  const taken = along ? [{ kind: 'take-along', moves: along } as const] : [];
  return [[...taken, ...movesOf(problem, placed, at)], [leaveOut(at)]];
}

function leaveOut(id: string): Candidate {
  return { kind: 'leave-out', moves: { [id]: null } };
}

/** Each other lesson that an item may have. */
function movesOf(problem: PlanProblem, placed: Placed, id: string): Candidate[] {
  const item = problem.items.find(entry => entry.id === id);
  if (!item) return [];
  return allowedLessons(problem, item)
    .filter(lesson => lesson !== placed[id])
    .map(lesson => ({ kind: 'move', moves: { [id]: lesson } }));
}

/**
 * An item's move to a lesson with all that it needs before it and all that needs it after it; undefined when the rules
 * let none of these go along.
 */
export function takeAlong(
  problem: PlanProblem,
  placed: Placed,
  id: string,
  lesson: number,
): Moves | undefined {
  const plan = compilePlan(problem);
  const state = new SearchState(plan);
  for (const [index, entry] of problem.items.entries()) {
    const there = placed[entry.id];
    if (there !== undefined) state.put(index, there - 1);
  }
  state.commit();
  const item = problem.items.findIndex(entry => entry.id === id);
  if (item < 0 || !layInto(plan, state, item, lesson - 1)) return undefined;
  const moves: Record<string, number | null> = {};
  for (const [index, entry] of problem.items.entries()) {
    const there = entryAt(state.at, index);
    const to = there === LEFT ? null : there + 1;
    if (to !== (placed[entry.id] ?? null)) moves[entry.id] = to;
  }
  return { ...moves, [id]: lesson };
}

function isMovable(problem: PlanProblem, id: string): boolean {
  return problem.taught?.items[id] === undefined;
}

/** True for an item of an earlier lesson that may still be reviewed, or joined, in this one. */
function isReviewedIn(placed: Placed, id: string, lesson: number): boolean {
  const there = placed[id];
  return there !== undefined && there < lesson && lesson - there <= LAST_REVIEW;
}

/** The last review of a split item. */
const LAST_REVIEW = 5;
