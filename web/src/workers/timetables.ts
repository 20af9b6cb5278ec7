import type { Timetable, TimetableRequest } from '@map-step/core';
import { wrap } from 'comlink';
import type { TimetableWorker } from './timetable.worker.ts';

export interface TimetableRun {
  readonly done: Promise<Timetable>;
  /** Ends at once; `done` never settles then. */
  stop(): void;
}

/** Lays out a term in a worker of its own, which can be ended at any moment. */
export function runTimetable(
  request: TimetableRequest,
  dances: Readonly<Record<string, string>>,
): TimetableRun {
  const worker = new Worker(new URL('./timetable.worker.ts', import.meta.url), { type: 'module' });
  const stop = () => worker.terminate();
  return { done: wrap<TimetableWorker>(worker).make(request, dances).finally(stop), stop };
}
