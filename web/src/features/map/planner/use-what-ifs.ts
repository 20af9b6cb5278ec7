import type { LeastMinutes, WhatIfAnswer } from '@map-step/core';
import { useEffect, useRef, useState } from 'react';
import * as planner from '../../../workers/planner.ts';

/** What plans beside the page; a test brings its own. */
const WORKERS: Pick<typeof planner, 'runWhatIfs' | 'warmPlanner'> = planner;

import type { DraftPlan } from '../../course/course-view.ts';

export interface WhatIfs {
  readonly answers: readonly WhatIfAnswer[];
  /** Null when even an hour more would not be enough; undefined while it is not known. */
  readonly least: LeastMinutes | null | undefined;
  readonly progress: { readonly done: number; readonly of: number } | undefined;
  /** True when the plan has changed since it was asked. */
  readonly isOld: boolean;
  readonly hasFailed: boolean;
  ask(): void;
  stop(): void;
}

/** What would make everything fit, asked in a worker; each answer comes as it is found. */
export function useWhatIfs(draft: DraftPlan, { runWhatIfs, warmPlanner } = WORKERS): WhatIfs {
  const [answers, setAnswers] = useState<readonly WhatIfAnswer[]>([]);
  const [least, setLeast] = useState<LeastMinutes | null>();
  const [progress, setProgress] = useState<WhatIfs['progress']>();
  const [hasFailed, setFailed] = useState(false);
  const [askedOf, setAskedOf] = useState<typeof draft>();
  const run = useRef<planner.PlannerRun>(undefined);
  useEffect(() => () => run.current?.stop(), []);
  const stop = () => {
    run.current?.stop();
    run.current = undefined;
    setProgress(undefined);
    warmPlanner();
  };
  const ask = () => {
    if (!draft.problem) return;
    stop();
    setAnswers([]);
    setLeast(undefined);
    setAskedOf(draft);
    setProgress({ done: 0, of: 1 });
    setFailed(false);
    const own = runWhatIfs(
      draft.problem,
      draft,
      (answer, done, of) => {
        if (run.current !== own) return;
        setAnswers(before => [...before, answer]);
        setProgress({ done, of });
      },
      found => {
        if (run.current === own) setLeast(found ?? null);
      },
    );
    run.current = own;
    own.done.then(
      () => run.current === own && stop(),
      () => {
        setFailed(true);
        stop();
      },
    );
  };
  return {
    answers,
    least,
    progress,
    hasFailed,
    isOld: askedOf !== undefined && askedOf?.judgement !== draft.judgement,
    ask,
    stop,
  };
}
