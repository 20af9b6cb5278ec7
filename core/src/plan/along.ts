// Reviews taken along: what is danced within another figure of the evening takes half its minutes.
import { roundHalfUp } from '../model/units.ts';
import { reviewMinutes } from './minutes.ts';
import type { Placed, PlanItem, PlanProblem } from './problem.ts';

/** Minutes of a review that is taken along. */
export function alongMinutes(minutes: number): number {
  return roundHalfUp(minutes / 2);
}

const known = new WeakMap<PlanProblem, ReadonlyMap<string, readonly PlanItem[]>>();

/** For each item those that need it, through any number of needs, in their order; kept per problem. */
export function takersOf(problem: PlanProblem): ReadonlyMap<string, readonly PlanItem[]> {
  const takers = known.get(problem) ?? findTakers(problem);
  known.set(problem, takers);
  return takers;
}

function findTakers({ items }: PlanProblem): ReadonlyMap<string, readonly PlanItem[]> {
  const byId = new Map(items.map(item => [item.id, item]));
  const below = new Map<string, ReadonlySet<string>>();
  const belowOf = (item: PlanItem): ReadonlySet<string> => {
    const found = below.get(item.id);
    if (found) return found;
    const needs = new Set<string>();
    below.set(item.id, needs);
    for (const id of item.needs) {
      needs.add(id);
      const need = byId.get(id);
      for (const deeper of need ? belowOf(need) : []) needs.add(deeper);
    }
    return needs;
  };
  return new Map(items.map(({ id }) => [id, items.filter(other => belowOf(other).has(id))]));
}

/** In how many lessons after its own an item is danced again, its own first: where it takes along what it needs. */
export function dancedAfter(item: PlanItem): readonly number[] {
  return [0, ...reviewMinutes(item, false).map(({ after }) => after)];
}

/** What takes a review of an item along in a lesson; undefined where nothing does, or the problem knows no such thing. */
export function takenAlongBy(
  problem: PlanProblem,
  placed: Placed,
  { id, lesson }: { readonly id: string; readonly lesson: number },
): string | undefined {
  if (!problem.along || problem.open) return undefined;
  return takersOf(problem)
    .get(id)
    ?.find(taker => {
      const there = placed[taker.id];
      return there !== undefined && dancedAfter(taker).includes(lesson - there);
    })?.id;
}
