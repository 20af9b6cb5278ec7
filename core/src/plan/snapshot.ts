// A plan under search as it is remembered: where each item lies, and which elements are to come ahead.
import { numberAt } from '../model/entry-at.ts';
import { aheadLessons } from './ahead.ts';
import type { CompiledPlan } from './compile.ts';
import type { Placing } from './problem.ts';

export const LEFT = -1;

export interface Snapshot {
  /** The lesson of each item from 0, or `LEFT`. */
  readonly at: readonly number[];
  /** 1 for each element that is to come ahead where it can. */
  readonly ahead: readonly number[];
}

/** A snapshot by ids, lessons from 1; only what is really taught ahead, and what was. */
export function placingOf(plan: CompiledPlan, { at, ahead }: Snapshot): Placing {
  const placed = Object.fromEntries(
    plan.problem.items.flatMap(({ id }, item) => (at[item] === LEFT ? [] : [[id, numberAt(at, item) + 1]])),
  );
  const wanted = plan.elementIds.filter((_, element) => ahead[element] === 1);
  return { placed, ahead: [...aheadLessons(plan.problem, placed, wanted).keys()] };
}
