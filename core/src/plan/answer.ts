import { type BrokenRule, judgePlan, type PlanCost, type PlannedLesson } from './judge.ts';
import type { Placed, PlanProblem } from './problem.ts';
import { createPlanSearch } from './search.ts';

export interface PlanAnswer {
  readonly problem: PlanProblem;
  readonly placed: Placed;
  readonly left: readonly string[];
  readonly lessons: readonly PlannedLesson[];
  readonly cost: PlanCost;
  /** No plan costs less than this. */
  readonly bound: number;
  readonly proven: boolean;
  readonly ended: 'proven' | 'work' | 'time' | 'stopped';
  readonly split: readonly string[];
  readonly broken: readonly BrokenRule[];
  readonly seconds: number;
}

export interface PlanBudget {
  readonly seed: number;
  /** The most iterations. */
  readonly work: number;
  /** Called between runs: why to end now, or undefined to go on. */
  readonly shouldEnd?: () => 'time' | 'stopped' | undefined;
}

const RUN = 2000;

/** Plans from nothing (or mends, when the problem says what was taught) until the budget ends or cost 0. */
export function solvePlan(
  problem: PlanProblem,
  budget: PlanBudget,
  start?: Placed,
): Omit<PlanAnswer, 'seconds'> {
  const search = createPlanSearch(problem, budget.seed, start);
  let progress = search.run(0);
  let ended: PlanAnswer['ended'] = 'work';
  while (progress.iterations < budget.work) {
    progress = search.run(Math.min(RUN, budget.work - progress.iterations));
    const reason = progress.proven ? 'proven' : budget.shouldEnd?.();
    if (reason) {
      ended = reason;
      break;
    }
  }
  return describePlan(problem, search.best(), ended);
}

/** A plan with all that is known of it. A cost of 0 is its own proof. */
export function describePlan(
  problem: PlanProblem,
  placed: Placed,
  ended: PlanAnswer['ended'],
): Omit<PlanAnswer, 'seconds'> {
  const { lessons, cost, broken, left, split } = judgePlan(problem, placed);
  const proven = cost.total === 0 && broken.length === 0;
  return {
    problem,
    placed,
    left,
    lessons,
    cost,
    bound: 0,
    proven,
    ended: proven ? 'proven' : ended,
    split,
    broken,
  };
}
