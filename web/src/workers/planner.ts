import type {
  ClassPlan,
  FoundPlan,
  LeastMinutes,
  Placing,
  PlanProblem,
  Result,
  WhatIfAnswer,
} from '@map-step/core';
import { proxy, type Remote, wrap } from 'comlink';
import type { MendsOfRule, PlanWorker } from './plan.worker.ts';

interface Started {
  readonly worker: Worker;
  readonly remote: Remote<PlanWorker>;
}

function startWorker(): Started {
  const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<PlanWorker>(worker);
  return { worker, remote };
}

let shared: Remote<PlanWorker> | undefined;

/** `planClass` of the core, in a worker that is started when it is first asked. */
export async function planClassInWorker(
  ...source: Parameters<PlanWorker['planClass']>
): Promise<Result<ClassPlan, readonly string[]>> {
  shared ??= startWorker().remote;
  return await shared.planClass(...source);
}

/** The recaps of a lesson as they would be drafted now, in the same worker. */
export async function draftRecapsInWorker(
  ...source: Parameters<PlanWorker['draftRecaps']>
): Promise<ReturnType<PlanWorker['draftRecaps']>> {
  shared ??= startWorker().remote;
  return await shared.draftRecaps(...source);
}

/** What would mend each broken rule of a plan, worked out beside the page. */
export async function findMendsInWorker(
  ...source: Parameters<PlanWorker['findMends']>
): Promise<readonly MendsOfRule[]> {
  shared ??= startWorker().remote;
  return await shared.findMends(...source);
}

let spare: Started | undefined;

/** The page is drawn before a worker is made ready behind it. */
const WARM_AFTER_MILLISECONDS = 300;

/** Has a worker with the exact solver ready soon, so that the next plan begins at once. */
export function warmPlanner(): void {
  setTimeout(() => {
    if (spare) return;
    spare = startWorker();
    void spare.remote.warm();
  }, WARM_AFTER_MILLISECONDS);
}

function takeWorker(): Started {
  const taken = spare ?? startWorker();
  spare = undefined;
  return taken;
}

export interface PlannerRun {
  /** Never settles when it was stopped. */
  readonly done: Promise<void>;
  /** Ends at once; what has been told so far stands. */
  stop(): void;
}

/** A worker is used once: the exact solver's memory never shrinks. */
function runIn({ worker, remote }: Started, work: (remote: Remote<PlanWorker>) => Promise<void>): PlannerRun {
  const stop = () => worker.terminate();
  return { done: work(remote).finally(stop), stop };
}

/** Plans a level in a worker of its own, which can be ended at any moment. */
export function runPlanner(
  problem: PlanProblem,
  start: Placing,
  seconds: number,
  onBetter: (found: FoundPlan) => void,
): PlannerRun {
  return runIn(takeWorker(), remote => remote.planLevel(problem, start, seconds, proxy(onBetter)));
}

/** Asks in a worker what would make everything fit. */
export function runWhatIfs(
  problem: PlanProblem,
  plan: Placing,
  onAnswer: (answer: WhatIfAnswer, done: number, of: number) => void,
  onMinutes: (least: LeastMinutes | undefined) => void,
): PlannerRun {
  return runIn(takeWorker(), remote => remote.askWhatIfs(problem, plan, proxy(onAnswer), proxy(onMinutes)));
}
