// What would mend a broken rule of a plan made by hand: moves that are tried with the judge, the cheapest first.
import { compilePlan } from './compile.ts';
import { allowedLessons } from './domain.ts';
import { type BrokenRule, judgePlan } from './judge.ts';
import { layInto } from './moves.ts';
import { type Placed, type PlanProblem, taughtLessons } from './problem.ts';
import { type MoveEffect, type Moves, moveEffect } from './reasons.ts';
import { LEFT, SearchState } from './search-state.ts';

export interface PlanMend {
  readonly kind: 'take-along' | 'move' | 'leave-out';
  readonly moves: Moves;
  readonly effect: MoveEffect;
}

const MOST_MENDS = 3;

/**
 * Moves after which a broken rule holds and no other is broken that held, the cheapest first, at most three. Empty
 * when no single move and no taking along mends it.
 */
export function planMends(problem: PlanProblem, placed: Placed, broken: BrokenRule): readonly PlanMend[] {
  const before = judgePlan(problem, placed);
  const isMended = (effect: MoveEffect) =>
    effect.broken.length === 0 &&
    effect.mended.some(({ rule, at }) => rule === broken.rule && at === broken.at);
  return candidates(problem, placed, broken)
    .map(({ kind, moves }) => ({ kind, moves, effect: moveEffect(problem, placed, moves, before) }))
    .filter(({ effect }) => isMended(effect))
    .sort((a, b) => a.effect.change.total - b.effect.change.total)
    .slice(0, MOST_MENDS);
}

type Candidate = Pick<PlanMend, 'kind' | 'moves'>;

function candidates(problem: PlanProblem, placed: Placed, { rule, at, lesson }: BrokenRule): Candidate[] {
  if (rule === 'capacity' || rule === 'quality')
    return problem.items
      .filter(({ id }) => isMovable(problem, id) && touches(problem, placed, id, lesson ?? 0))
      .flatMap(({ id }) => movesOf(problem, placed, id));
  const item = problem.items.find(({ id }) => id === at);
  if (!item || !isMovable(problem, at)) return [];
  const here = placed[at];
  const along = rule === 'need' && here !== undefined ? takeAlong(problem, placed, at, here) : undefined;
  return [...(along ? [{ kind: 'take-along', moves: along } as const] : []), ...movesOf(problem, placed, at)];
}

/** Each lesson that an item may have, with what it must take along there; and leaving it out. */
function movesOf(problem: PlanProblem, placed: Placed, id: string): Candidate[] {
  const item = problem.items.find(entry => entry.id === id);
  if (!item) return [];
  const lessons = allowedLessons(problem, item).filter(lesson => lesson !== placed[id]);
  return [
    ...lessons.map(lesson => ({ kind: 'move', moves: { [id]: lesson } }) as const),
    { kind: 'leave-out', moves: { [id]: null } },
  ];
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
    const there = state.at[index] as number;
    const to = there === LEFT ? null : there + 1;
    if (to !== (placed[entry.id] ?? null)) moves[entry.id] = to;
  }
  return { ...moves, [id]: lesson };
}

function isMovable(problem: PlanProblem, id: string): boolean {
  return problem.taught?.items[id] === undefined;
}

/** True for an item that is introduced, or reviewed, in a lesson still to come. */
function touches(problem: PlanProblem, placed: Placed, id: string, lesson: number): boolean {
  const there = placed[id];
  return there !== undefined && there <= lesson && lesson - there <= 5 && lesson > taughtLessons(problem);
}
