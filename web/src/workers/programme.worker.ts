import { makeTimetable, type Timetable, type TimetableRequest } from '@map-step/core';
import { expose } from 'comlink';
import { loadSolver } from './load-solver.ts';

const WORKER = {
  /** `dances`: of each level. */
  make: async (request: TimetableRequest, dances: Readonly<Record<string, string>>): Promise<Timetable> =>
    makeTimetable(request, { solver: await loadSolver(), danceOf: level => dances[level] ?? level }),
};
export type ProgrammeWorker = typeof WORKER;

expose(WORKER);
