import { useState } from 'react';
import type { Steps } from './use-hands.ts';

/** Figures of a sequence that stay when the rest is found anew. */
export interface KeptFigures {
  /** Indexes of their items; those that have been changed or moved since are none of them any more. */
  readonly at: readonly number[];
  toggle(at: number): void;
  keep(at: readonly number[], steps: Steps): void;
}

export function useKeptFigures(steps: Steps): KeptFigures {
  const [marked, setMarked] = useState<ReadonlyMap<number, string>>(new Map());
  const at = [...marked].flatMap(([index, item]) => (item === JSON.stringify(steps[index]) ? [index] : []));
  const keep = (indexes: readonly number[], now: Steps) =>
    setMarked(new Map(indexes.map(index => [index, JSON.stringify(now[index])])));
  return {
    at,
    keep,
    toggle: index => keep(at.includes(index) ? at.filter(one => one !== index) : [...at, index], steps),
  };
}
