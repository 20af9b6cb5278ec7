import type { Placed } from '@map-step/core';
import { startTransition, useEffect, useState } from 'react';
import { painted } from '../../ui/painted.ts';
import type { DraftPlan } from '../course/course-view.ts';
import { differences } from './differences.ts';
import { LANES } from './lanes.ts';
import type { ChipsOf } from './use-chips.ts';

export interface Shown {
  readonly draft: DraftPlan;
  readonly chipOf: ChipsOf;
}

interface Stage {
  readonly from: Shown;
  readonly to: Shown;
  /** So many lanes show `to`; the others still show `from`. */
  readonly lanes: number;
}

/** With more figures than these the board changes a lane at a picture: a hand or a key must not wait for it all. */
const FEW = 6;

/** What each lane shows: the same at once, or, when much of the board changes, one lane after another. */
export function useLaneByLane(draft: DraftPlan, chipOf: ChipsOf): (lane: number) => Shown {
  const [stage, setStage] = useState<Stage>(() => {
    const shown = { draft, chipOf };
    return { from: shown, to: shown, lanes: LANES.length };
  });
  const isNew = stage.to.draft !== draft || stage.to.chipOf !== chipOf;
  if (isNew) {
    const lanes = isLarge(stage.to.draft.placed, draft.placed) ? 1 : stage.lanes;
    const from = stage.to.draft === draft ? stage.from : stage.to;
    setStage({ from, to: { draft, chipOf }, lanes });
  }
  useEffect(() => {
    if (stage.lanes === LANES.length) return;
    void painted().then(() =>
      startTransition(() => setStage(now => (now === stage ? { ...stage, lanes: stage.lanes + 1 } : now))),
    );
  }, [stage]);
  return lane => (lane < stage.lanes ? stage.to : stage.from);
}

function isLarge(before: Placed, after: Placed): boolean {
  return before !== after && Object.keys(differences(before, after)).length > FEW;
}
