import type { PlannedLesson } from './fill-lessons.ts';
import { type BrokenRule, judgePlan, type PlanCost } from './judge.ts';
import type { Placing, PlanProblem } from './problem.ts';

export interface PlanAnswer extends Placing {
  readonly problem: PlanProblem;
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

/** What is known of a plan beside what can be judged in it. */
export interface PlanKnowledge {
  readonly ended: PlanAnswer['ended'];
  /** No plan costs less than this; 0 when nothing is known. */
  readonly bound?: number;
  readonly proven?: boolean;
}

/** A plan with all that is known of it. A cost of 0 is its own proof. */
export function describePlan(
  problem: PlanProblem,
  { placed, ahead: wanted }: Placing,
  known: PlanKnowledge,
): Omit<PlanAnswer, 'seconds'> {
  const { lessons, cost, broken, left, split, ahead } = judgePlan(problem, placed, wanted);
  const proven = broken.length === 0 && (known.proven === true || cost.total === 0);
  return {
    problem,
    placed,
    ahead,
    left,
    lessons,
    cost,
    bound: proven ? cost.total : (known.bound ?? 0),
    proven,
    ended: proven ? 'proven' : known.ended,
    split,
    broken,
  };
}
