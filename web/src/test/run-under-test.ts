import type { PlannerRun } from '../workers/planner.ts';

/** A run of a worker that ends when the test says. */
export interface RunUnderTest {
  readonly run: PlannerRun;
  end(): void;
  fail(): void;
  isStopped(): boolean;
}

export function beginRun(): RunUnderTest {
  let [isStopped, end, fail] = [false, () => {}, () => {}];
  const done = new Promise<void>((resolve, reject) => {
    end = resolve;
    fail = () => reject(new Error('the worker is gone'));
  });
  const stop = () => {
    isStopped = true;
  };
  return { run: { done, stop }, end, fail, isStopped: () => isStopped };
}
