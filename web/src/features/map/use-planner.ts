import type { Placed, SearchProgress } from '@map-step/core';
import { useEffect, useRef, useState } from 'react';
import { type PlanRun, runPlanner } from '../../workers/planner.ts';
import { useCourseView } from '../course/course-view.ts';

const SECONDS = 4;

export interface Planner {
  readonly progress: SearchProgress | undefined;
  start(): void;
  /** Ends now and keeps the best plan found. */
  stop(): void;
}

/** Plans the level in a worker; each better plan is shown at once, the last one is handed over. */
export function usePlanner(onDone: (placed: Placed, progress: SearchProgress) => void): Planner {
  const { draft, preview } = useCourseView();
  const [progress, setProgress] = useState<SearchProgress>();
  const run = useRef<PlanRun>(undefined);
  const best = useRef<{ placed: Placed; progress: SearchProgress }>(undefined);
  useEffect(() => () => run.current?.stop(), []);

  const finish = () => {
    run.current = undefined;
    setProgress(undefined);
    preview(undefined);
    if (best.current) onDone(best.current.placed, best.current.progress);
    best.current = undefined;
  };
  const start = () => {
    if (!draft.problem || run.current) return;
    const own = runPlanner(draft.problem, draft.placed, SECONDS, (placed, found) => {
      if (run.current !== own) return;
      best.current = { placed, progress: found };
      setProgress(found);
      preview(placed);
    });
    run.current = own;
    void own.done.then(done => {
      if (run.current !== own) return;
      best.current = done;
      finish();
    });
  };
  const stop = () => {
    run.current?.stop();
    finish();
  };
  return { progress, start, stop };
}
