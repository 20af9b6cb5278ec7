import type { Timetable, TimetableRequest } from '@map-step/core';
import { type Remote, wrap } from 'comlink';
import type { ProgrammeWorker } from './programme.worker.ts';

export interface Run<Answer> {
  readonly done: Promise<Answer>;
  /** Ends at once; `done` never settles then. */
  stop(): void;
}

/** Work on the programme in a worker of its own, which can be ended at any moment. */
function run<Answer>(work: (remote: Remote<ProgrammeWorker>) => Promise<Answer>): Run<Answer> {
  const worker = new Worker(new URL('./programme.worker.ts', import.meta.url), { type: 'module' });
  const stop = () => worker.terminate();
  return { done: work(wrap<ProgrammeWorker>(worker)).finally(stop), stop };
}

/** Lays out a term; `dances`: of each level. */
export function runTimetable(
  request: TimetableRequest,
  dances: Readonly<Record<string, string>>,
): Run<Timetable> {
  return run(remote => remote.make(request, dances));
}
