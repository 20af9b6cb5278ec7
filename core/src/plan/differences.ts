import type { Placed, Placing } from './problem.ts';
import type { Moves } from './reasons.ts';

/** The moves that make one plan of another. */
export function differences(from: Placed, to: Placed): Moves {
  const ids = new Set([...Object.keys(from), ...Object.keys(to)]);
  return Object.fromEntries(
    [...ids].filter(id => from[id] !== to[id]).map(id => [id, to[id] ?? null] as const),
  );
}

/** Elements that are to come ahead, or with their figure. */
export type AheadMoves = { readonly [element: string]: boolean };

/** The elements that come ahead in only one of two plans, as they are in the second. */
export function aheadDifferences(from: Placing, to: Placing): AheadMoves {
  const more = to.ahead.filter(id => !from.ahead.includes(id)).map(id => [id, true] as const);
  const less = from.ahead.filter(id => !to.ahead.includes(id)).map(id => [id, false] as const);
  return Object.fromEntries([...more, ...less]);
}

/** In how many things two plans differ: figures that lie elsewhere, and elements that come ahead in one of them only. */
export function countDifferences(from: Placing, to: Placing): number {
  return [differences(from.placed, to.placed), aheadDifferences(from, to)].flatMap(Object.keys).length;
}

/** The elements that come ahead after some moves. */
export function moveAhead(ahead: readonly string[], moves: AheadMoves): readonly string[] {
  const kept = ahead.filter(id => moves[id] !== false);
  return [...kept, ...Object.keys(moves).filter(id => moves[id] && !kept.includes(id))];
}
