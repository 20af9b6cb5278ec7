import type { Placed } from '@map-step/core';
import { startTransition, useEffect, useState } from 'react';
import { painted } from '../../ui/painted.ts';
import type { DraftPlan } from '../course/course-view.ts';
import { differences } from './differences.ts';
import type { ChipsOf } from './use-chips.ts';

export interface Shown {
  readonly draft: DraftPlan;
  readonly chipOf: ChipsOf;
}

/** What each part of the board shows while it goes over to something else. */
export interface Turns {
  readonly to: Shown;
  readonly shown: readonly Shown[];
  /** The part whose turn it is. */
  readonly next: number;
  /** What all parts showed last. */
  readonly settled: Shown;
}

/** With more figures than these the board changes a part at a picture: a hand or a key must not wait for it all. */
const FEW = 6;

/** What each part of the board shows: the same at once, or, when much of it changes, one part after another. */
export function useTurns(draft: DraftPlan, chipOf: ChipsOf, parts: number): Turns {
  const [turns, setTurns] = useState<Turns>(() => settledOn({ draft, chipOf }, parts));
  const isNew = turns.to.draft !== draft || turns.to.chipOf !== chipOf;
  const now = isNew ? turnedTo(turns, { draft, chipOf }) : turns;
  if (isNew) setTurns(now);
  useEffect(() => {
    if (hasSettled(now)) return;
    void painted().then(() =>
      startTransition(() => setTurns(latest => (latest === now ? withOneMore(latest) : latest))),
    );
  }, [now]);
  return now;
}

export function settledOn(shown: Shown, parts: number): Turns {
  return { to: shown, shown: Array.from({ length: parts }, () => shown), next: 0, settled: shown };
}

/** Much that is new waits for its turns; little is shown at once by the parts that are not waiting already. */
export function turnedTo(turns: Turns, to: Shown): Turns {
  if (isLarge(turns.to.draft.placed, to.draft.placed)) return { ...turns, to };
  return settle({ ...turns, to, shown: turns.shown.map(part => (part === turns.to ? to : part)) });
}

/** One part more goes over: the first that waits, from the one on whose turn it is, so that none waits for ever. */
export function withOneMore(turns: Turns): Turns {
  const { to, shown, next } = turns;
  const order = shown.map((_, index) => (next + index) % shown.length);
  const part = order.find(index => shown[index] !== to);
  if (part === undefined) return settle(turns);
  return settle({ ...turns, shown: shown.with(part, to), next: (part + 1) % shown.length });
}

export function hasSettled({ to, shown }: Turns): boolean {
  return shown.every(part => part === to);
}

function settle(turns: Turns): Turns {
  return hasSettled(turns) ? { ...turns, settled: turns.to } : turns;
}

function isLarge(before: Placed, after: Placed): boolean {
  return before !== after && Object.keys(differences(before, after)).length > FEW;
}
