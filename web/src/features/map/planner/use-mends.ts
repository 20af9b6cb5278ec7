import { useEffect, useState } from 'react';
import type { MendsOfRule } from '../../../workers/plan.worker.ts';
import { findMendsInWorker } from '../../../workers/planner.ts';
import type { DraftPlan } from '../../course/course-view.ts';

/** While the moves follow each other faster than this, nothing is asked. */
const QUIET_MS = 400;

const NONE: readonly MendsOfRule[] = [];

/** What would mend each broken rule, in the order of the rules; empty until it is worked out. */
export function useMends(
  { problem, placed, ahead, judgement }: DraftPlan,
  isWanted: boolean,
  /** A test brings its own. */
  findMends: typeof findMendsInWorker = findMendsInWorker,
): readonly MendsOfRule[] {
  const [found, setFound] = useState<{ of: typeof judgement; mends: readonly MendsOfRule[] }>();
  useEffect(() => {
    if (!isWanted || !problem || !judgement || judgement.broken.length === 0) return;
    let isOld = false;
    const ask = async () => {
      const mends = await findMends(problem, { placed, ahead }, judgement.broken).catch(() => NONE);
      if (!isOld) setFound({ of: judgement, mends });
    };
    const timer = setTimeout(() => void ask(), QUIET_MS);
    return () => {
      isOld = true;
      clearTimeout(timer);
    };
  }, [isWanted, problem, placed, ahead, judgement, findMends]);
  return found && found.of === judgement ? found.mends : NONE;
}
