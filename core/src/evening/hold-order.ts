import type { Pattern } from '../model/document.ts';
import { allExitHolds, entryHolds } from '../steps/holds.ts';

/** More figures than this are taken one after the other; up to it every order is looked at. */
const MOST_EXACT = 7;

/**
 * The figures of an evening in the order in which they are taught: none before what it needs, those of `first` (begun or
 * left from last week) as early as that allows, and as many as possible in the hold that the one before ends in. Ties
 * keep the given order. All orders of up to seven figures; of more the best next one after the other.
 */
export function orderByHold(
  ids: readonly string[],
  patterns: ReadonlyMap<string, Pattern>,
  first: readonly string[] = [],
): readonly string[] {
  const isFirst = new Set(first.filter(id => ids.includes(id)));
  const needs = new Map(
    ids.map(id => [id, (patterns.get(id)?.needs ?? []).filter(need => need !== id && ids.includes(need))]),
  );
  const joins = (before: string | undefined, id: string) =>
    before !== undefined && areJoined(patterns.get(before), patterns.get(id));
  const ready = (done: readonly string[]) => {
    const open = ids.filter(id => !done.includes(id) && needs.get(id)?.every(need => done.includes(need)));
    const early = open.filter(id => isFirst.has(id));
    return early.length > 0 ? early : open;
  };
  if (ids.length > MOST_EXACT) {
    const order: string[] = [];
    for (let open = ready(order); open.length > 0; open = ready(order))
      order.push(open.find(id => joins(order.at(-1), id)) ?? (open[0] as string));
    return order.length === ids.length ? order : ids;
  }
  let best: { order: readonly string[]; joined: number } | undefined;
  const look = (order: readonly string[], joined: number) => {
    if (order.length === ids.length && joined > (best?.joined ?? -1)) best = { order, joined };
    for (const id of ready(order)) look([...order, id], joined + Number(joins(order.at(-1), id)));
  };
  look([], 0);
  return best?.order ?? ids;
}

/** True when one can begin in a hold that the other ends in; figures without holds join nothing. */
function areJoined(before: Pattern | undefined, after: Pattern | undefined): boolean {
  if (!before || !after) return false;
  const ends = new Set(allExitHolds(before));
  return entryHolds(after).some(hold => ends.has(hold));
}
