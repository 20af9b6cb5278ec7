// Simulated annealing (Kirkpatrick et al. 1983) over whole plans, with a penalty for overfull lessons that
// swings with feasibility (strategic oscillation, Glover), restarted in rounds from the best plan found.
// A budget of iterations, not a clock, so that it repeats exactly; about 2 µs a move.
import { entryAt, numberAt } from '../model/entry-at.ts';
import { createRandom } from '../model/random.ts';
import { type CompiledPlan, compilePlan } from './compile.ts';
import { layInto, takeOut, tryMove } from './moves.ts';
import type { Placing, PlanProblem } from './problem.ts';
import { type Energy, SearchState } from './search-state.ts';
import { LEFT, placingOf, type Snapshot } from './snapshot.ts';

export interface SearchProgress {
  readonly iterations: number;
  /** True when the last run found a better plan. */
  readonly improved: boolean;
}

export interface PlanSearch {
  /** Goes on for so many iterations. */
  run(iterations: number): SearchProgress;
  best(): Placing;
  /** Goes on from this plan when it is legal and better than the best. */
  adopt(plan: Placing): void;
}

/**
 * Iterations of a round: the first are short, so that a small budget ends cold too, and several, because what fits is
 * found in one of them or another.
 */
const ROUNDS = [20_000, 40_000, 20_000, 40_000, 20_000, 40_000] as const;
const LATER_ROUND = 180_000;
const OSCILLATE_EVERY = 100;

/** A search that can be stopped after any run; `start` is a plan to begin with. */
export function createPlanSearch(problem: PlanProblem, seed: number, start?: Placing): PlanSearch {
  const plan = compilePlan(problem);
  const random = createRandom(seed);
  const state = new SearchState(plan);
  let best = listSchedule(plan, state);
  let bestRank = state.energy().rank;
  if (start) adopt(start);
  let iteration = 0;
  let round = 0;
  let roundStart = 0;
  let roundEnd: number = ROUNDS[0];
  let penalty = 10;

  function adopt({ placed, ahead }: Placing): void {
    const wanted = new Set(ahead);
    restore(plan, state, {
      // What was taught is where it was taught, wherever a plan has it.
      at: problem.items.map(({ id }) => (problem.taught?.items[id] ?? placed[id] ?? 0) - 1),
      ahead: plan.elementIds.map(id => Number(wanted.has(id))),
    });
    const energy = state.energy();
    if (energy.excess === 0 && energy.rank < bestRank && needsHold(plan, state)) keep(energy);
    else restore(plan, state, best);
  }

  function keep(energy: Energy): void {
    best = state.snapshot();
    bestRank = energy.rank;
  }

  function run(iterations: number): SearchProgress {
    const before = bestRank;
    let current = state.energy();
    for (const end = iteration + iterations; iteration < end; iteration += 1) {
      if (bestRank <= 0 || plan.itemCount === 0) break;
      if (iteration === roundEnd) {
        round += 1;
        roundStart = iteration;
        roundEnd += ROUNDS[round] ?? LATER_ROUND;
        restore(plan, state, best);
        if (random() < 0.7) ruin(plan, state, random);
        current = state.energy();
        penalty = 10;
      }
      const temperature = temperatureAt(
        (iteration - roundStart) / (roundEnd - roundStart),
        round,
        plan.taught > 0,
      );
      if (iteration % OSCILLATE_EVERY === 0)
        penalty = Math.min(1e6, Math.max(0.2, penalty * (current.excess > 0 ? 1.25 : 0.85)));
      if (!tryMove(plan, state, random)) {
        state.rollback();
        continue;
      }
      const next = state.energy();
      const delta = next.rank - current.rank + penalty * (next.excess - current.excess);
      if (delta <= 0 || random() < Math.exp(-delta / temperature)) {
        state.commit();
        current = next;
        if (current.excess === 0 && current.rank < bestRank - 1e-9) keep(current);
      } else state.rollback();
    }
    return { iterations: iteration, improved: bestRank < before };
  }

  return { run, adopt, best: () => placingOf(plan, best) };
}

/** Heat at the start of each round; a mend counts in far greater points, and begins hotter. */
const HEAT = [60, 60, 400, 60, 1500, 15] as const;
const MEND_HEAT = [1500, 400, 400, 60, 1500, 15] as const;
const MEND_SCALE = 600;
/** The last rounds of these come again and again. */
const FIRST_AGAIN = 2;

/** From hot to cold within a round; rounds alternate between wide and narrow searches. */
function temperatureAt(progress: number, round: number, isMend: boolean): number {
  const index =
    round < FIRST_AGAIN ? round : FIRST_AGAIN + ((round - FIRST_AGAIN) % (HEAT.length - FIRST_AGAIN));
  const hot = entryAt(isMend ? MEND_HEAT : HEAT, index);
  return (isMend ? MEND_SCALE : 1) * hot * (0.4 / hot) ** progress;
}

/** Puts items one after another into the lesson with the most room, musts first, needs with them. */
function listSchedule(plan: CompiledPlan, state: SearchState): Snapshot {
  const { problem } = plan;
  for (const [item, { id }] of problem.items.entries()) {
    const lesson = problem.taught?.items[id];
    if (lesson !== undefined) state.put(item, lesson - 1);
  }
  state.commit();
  const pinnedFirst = problem.items
    .map((_, item) => item)
    .filter(item => state.at[item] === LEFT)
    .sort(
      (a, b) =>
        Number(plan.mayLeave[a]) - Number(plan.mayLeave[b]) ||
        (plan.leftCost[b] ?? 0) - (plan.leftCost[a] ?? 0),
    );
  for (const item of pinnedFirst) if (state.at[item] === LEFT) insertBest(plan, state, item);
  return state.snapshot();
}

function insertBest(plan: CompiledPlan, state: SearchState, item: number): void {
  let best = LEFT;
  let bestRank = plan.mayLeave[item] ? state.energy().rank : Number.POSITIVE_INFINITY;
  const excess = state.energy().excess;
  for (const lesson of entryAt(plan.domain, item)) {
    if (layInto(plan, state, item, lesson)) {
      const energy = state.energy();
      const fits = energy.excess <= excess || !plan.mayLeave[item];
      const rank = energy.rank + 1e7 * Math.max(0, energy.excess - excess);
      if (fits && rank < bestRank) {
        best = lesson;
        bestRank = rank;
      }
    }
    state.rollback();
  }
  if (best !== LEFT) layInto(plan, state, item, best);
  state.commit();
}

/** Takes out everything that lies in one or two lessons and lays it in again greedily. */
function ruin(plan: CompiledPlan, state: SearchState, random: () => number): void {
  const items = Array.from({ length: plan.itemCount }, (_, item) => item);
  const lessons = [0, 1].map(() => plan.taught + Math.floor(random() * Math.max(1, plan.last - plan.taught)));
  for (const item of items)
    if (lessons.includes(numberAt(state.at, item)) && random() < 0.8) {
      if (takeOut(plan, state, item)) state.commit();
      else state.rollback();
    }
  const left = items.filter(item => state.at[item] === LEFT);
  left.sort((a, b) => (plan.leftCost[b] ?? 0) - (plan.leftCost[a] ?? 0) || random() - 0.5);
  for (const item of left) if (state.at[item] === LEFT) insertBest(plan, state, item);
}

function restore(plan: CompiledPlan, state: SearchState, { at, ahead }: Snapshot): void {
  for (let item = 0; item < plan.itemCount; item += 1) state.put(item, entryAt(at, item));
  for (const element of plan.aheadable) state.putAhead(element, entryAt(ahead, element));
  state.commit();
}

function needsHold(plan: CompiledPlan, state: SearchState): boolean {
  return plan.domain.every((domain, item) => {
    const lesson = numberAt(state.at, item);
    if (lesson === LEFT) return plan.mayLeave[item];
    if (!plan.isTaught[item] && !domain.includes(lesson)) return false;
    return [...entryAt(plan.needs, item)].every(need => {
      const there = numberAt(state.at, need);
      if (there === LEFT) return false;
      return plan.open ? there === lesson : there + numberAt(plan.delay, need) <= lesson;
    });
  });
}
