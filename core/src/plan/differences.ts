import type { Placed } from './problem.ts';
import type { Moves } from './reasons.ts';

/** The moves that make one plan of another. */
export function differences(from: Placed, to: Placed): Moves {
  const ids = new Set([...Object.keys(from), ...Object.keys(to)]);
  return Object.fromEntries(
    [...ids].filter(id => from[id] !== to[id]).map(id => [id, to[id] ?? null] as const),
  );
}
