import {
  askWhatIf,
  type BrokenRule,
  type ClassHistory,
  type ClassPlan,
  type Course,
  draftRecaps,
  type FinishedLesson,
  type FoundPlan,
  type LeastMinutes,
  leastMinutes,
  type Material,
  type MipSolver,
  openLibrary,
  type Placing,
  type PlanMend,
  type PlanProblem,
  planClass,
  planMends,
  type Result,
  solvePlan,
  type WhatIfAnswer,
  whatIfsOf,
} from '@map-step/core';
import { expose } from 'comlink';
import { loadSolver } from './load-solver.ts';

export type MendsOfRule = readonly Pick<PlanMend, 'kind' | 'moves'>[];

let solver: Promise<MipSolver> | undefined;

function loadOnce(): Promise<MipSolver> {
  solver ??= loadSolver();
  return solver;
}

/** Seconds of annealing before the exact solver is there: the first plan does not wait for it. */
const FIRST_SECONDS = 0.25;

/** The heavy work of planning, away from the page. Whoever wants it to stop ends the worker. */
const worker = {
  /** Fetches the exact solver, so that a plan need not wait for it. */
  async warm(): Promise<void> {
    await loadOnce();
  },

  /** Plans until nothing better can exist or the seconds are over; tells every better plan and bound at once. */
  async planLevel(
    problem: PlanProblem,
    start: Placing,
    seconds: number,
    onBetter: (found: FoundPlan) => unknown,
  ): Promise<void> {
    const clock = () => performance.now() / 1000;
    // What is told travels by itself: the last of it must have arrived before this ends.
    let told: unknown;
    const tell = (found: FoundPlan) => {
      told = onBetter(found);
    };
    const first = solvePlan(problem, {
      seed: 1,
      start,
      budget: { kind: 'time', seconds: FIRST_SECONDS, clock },
      onBetter: tell,
    });
    if (!first.proven) {
      solvePlan(problem, {
        seed: 1,
        start: first,
        solver: await loadOnce(),
        budget: { kind: 'time', seconds, clock },
        onBetter: tell,
      });
    }
    await told;
  },

  /** Re-plans the problem with each change that might make it fit; tells each answer as it is found. */
  async askWhatIfs(
    problem: PlanProblem,
    plan: Placing,
    onAnswer: (answer: WhatIfAnswer, done: number, of: number) => unknown,
    onMinutes: (least: LeastMinutes | undefined) => unknown,
  ): Promise<void> {
    const asked = whatIfsOf(problem);
    for (const [index, whatIf] of asked.entries()) {
      await onAnswer(askWhatIf(problem, plan, whatIf), index + 1, asked.length);
      if (index === 0) await onMinutes(leastMinutes(problem, plan, await loadOnce()));
    }
  },

  /** What would mend each of these rules; tries hundreds of moves for a lesson that is too full. */
  findMends(problem: PlanProblem, plan: Placing, broken: readonly BrokenRule[]): readonly MendsOfRule[] {
    return broken.map(rule => planMends(problem, plan, rule).map(({ kind, moves }) => ({ kind, moves })));
  },

  planClass(
    material: Material,
    course: Course,
    published: Placing,
    history: ClassHistory,
  ): Result<ClassPlan, readonly string[]> {
    return planClass(openLibrary(material), course, published, history);
  },

  /** The recaps of a lesson as they would be drafted now. */
  draftRecaps(material: Material, finished: Omit<FinishedLesson, 'library'>): ReturnType<typeof draftRecaps> {
    return draftRecaps({ ...finished, library: openLibrary(material) });
  },
};

export type PlanWorker = typeof worker;

expose(worker);
