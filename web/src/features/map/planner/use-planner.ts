import type { FoundPlan } from '@map-step/core';
import { startTransition, useEffect, useRef, useState } from 'react';
import * as planner from '../../../workers/planner.ts';
import { usePlan } from '../../course/course-context.ts';

/** What plans beside the page; a test brings its own. */
const WORKERS: Pick<typeof planner, 'runPlanner' | 'warmPlanner'> = planner;

/** The planner goes on this long while the director looks at what it has found. */
const SECONDS = 90;

export interface Planner {
  /** The best plan so far; it stays after the planner has ended, until it is dismissed. */
  readonly found: FoundPlan | undefined;
  readonly isRunning: boolean;
  /** True while the board shows the proposal, and not the plan as it is. */
  readonly isShown: boolean;
  show(isShown: boolean): void;
  start(): void;
  /** Ends at once; the best plan found stays to be looked at. */
  stop(): void;
  /** Puts the proposal away. */
  dismiss(): void;
}

/** Plans the level in a worker; each better plan is shown at once, beside the plan as it is. */
export function usePlanner({ runPlanner, warmPlanner } = WORKERS): Planner {
  const { draft, saved, preview } = usePlan();
  const [found, setFound] = useState<FoundPlan>();
  const [isRunning, setRunning] = useState(false);
  const [isShown, setShown] = useState(true);
  const shows = useRef(true);
  const newest = useRef<FoundPlan>(undefined);
  const run = useRef<planner.PlannerRun>(undefined);
  useEffect(() => {
    warmPlanner();
    return () => {
      run.current?.stop();
      newest.current = undefined;
    };
  }, [warmPlanner]);
  useEffect(() => () => preview(undefined), [preview]);

  const stop = () => {
    run.current?.stop();
    run.current = undefined;
    setRunning(false);
    warmPlanner();
  };
  const show = (next: boolean) => {
    shows.current = next;
    setShown(next);
    preview(next ? newest.current : undefined);
  };
  const start = () => {
    if (!draft.problem || run.current) return;
    shows.current = true;
    setShown(true);
    const own = runPlanner(draft.problem, saved, SECONDS, plan => {
      if (run.current !== own) return;
      newest.current = plan;
      // Nobody waits for it: a key goes before.
      startTransition(() => {
        setFound(plan);
        if (shows.current) preview(plan);
      });
    });
    run.current = own;
    setRunning(true);
    const end = () => {
      if (run.current === own) stop();
    };
    // Whatever ends it, what has been found stands.
    own.done.then(end, end);
  };
  const dismiss = () => {
    stop();
    newest.current = undefined;
    setFound(undefined);
    preview(undefined);
  };
  return { found, isRunning, isShown, show, start, stop, dismiss };
}
