import type { ClassPlan, Placed, PlanProblem, Result, SearchProgress } from '@map-step/core';
import { proxy, type Remote, wrap } from 'comlink';
import type { PlanWorker } from './plan.worker.ts';

function startWorker(): { worker: Worker; remote: Remote<PlanWorker> } {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  return { worker, remote: wrap<PlanWorker>(worker) };
}

let shared: Remote<PlanWorker> | undefined;

/** `planClass` of the core, in a worker that is started when it is first asked. */
export async function planClassInWorker(
  ...source: Parameters<PlanWorker['planClass']>
): Promise<Result<ClassPlan, readonly string[]>> {
  shared ??= startWorker().remote;
  return await shared.planClass(...source);
}

export interface PlanRun {
  readonly done: Promise<{ placed: Placed; progress: SearchProgress }>;
  /** Ends at once; the best plan told so far stands. */
  stop(): void;
}

/** Plans a level in a worker of its own, which can be ended at any moment. */
export function runPlanner(
  problem: PlanProblem,
  start: Placed,
  seconds: number,
  onBetter: (placed: Placed, progress: SearchProgress) => void,
): PlanRun {
  const { worker, remote } = startWorker();
  const done = remote.planLevel(problem, start, seconds, proxy(onBetter)).finally(() => worker.terminate());
  return { done, stop: () => worker.terminate() };
}
