import {
  type ClassPlan,
  type Course,
  createPlanSearch,
  type Log,
  type Material,
  openLibrary,
  type Placed,
  type PlanProblem,
  planClass,
  type Recap,
  type Result,
  type SearchProgress,
} from '@map-step/core';
import { expose } from 'comlink';

const RUN = 1500;

/** The heavy work of planning, away from the page. */
const worker = {
  /** Plans until the budget ends or nothing better can exist; tells every better plan at once. */
  async planLevel(
    problem: PlanProblem,
    start: Placed,
    seconds: number,
    onBetter: (placed: Placed, progress: SearchProgress) => void,
  ): Promise<{ placed: Placed; progress: SearchProgress }> {
    const search = createPlanSearch(problem, 1, start);
    const end = performance.now() + seconds * 1000;
    let progress = search.run(0);
    onBetter(search.best(), progress);
    while (!progress.proven && performance.now() < end) {
      progress = search.run(RUN);
      if (progress.improved) onBetter(search.best(), progress);
      await new Promise(resolve => setTimeout(resolve));
    }
    return { placed: search.best(), progress };
  },

  planClass(
    material: Material,
    course: Course,
    published: Placed,
    events: { logs: readonly Log[]; recaps: readonly Pick<Recap, 'lesson'>[] },
  ): Result<ClassPlan, readonly string[]> {
    return planClass(openLibrary(material), course, published, events);
  },
};

export type PlanWorker = typeof worker;

expose(worker);
