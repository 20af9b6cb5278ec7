// Evenings that can be danced: a figure is stuck while a class has had it and nothing that leads into it, or on from it.
import { type Placed, type PlanItem, type PlanProblem, taughtLessons } from './problem.ts';

/** A figure that is stuck for some lessons. */
export interface StuckItem {
  readonly id: string;
  /** Nothing leads into it, nothing leads on from it, or neither. */
  readonly lacks: 'in' | 'out' | 'both';
  readonly from: number;
  /** The lesson in which it can be danced on; undefined where none comes. */
  readonly until: number | undefined;
  /** What would open it, by the lesson of each that is placed. */
  readonly opens: readonly string[];
}

/** The lesson in which an item can be danced: a split one when it is joined. */
export function joinedIn({ id, split }: Pick<PlanItem, 'id' | 'split'>, placed: Placed): number | undefined {
  const lesson = placed[id];
  return lesson === undefined ? undefined : lesson + (split ? 1 : 0);
}

/** The figures of a plan that are stuck in lessons still to come, in the order of the items; none in an open course. */
export function findStuck(problem: PlanProblem, placed: Placed): readonly StuckItem[] {
  if (problem.open) return [];
  const items = new Map(problem.items.map(item => [item.id, item]));
  const opened = (ways: readonly string[] | undefined) =>
    ways?.length ? Math.min(...ways.map(id => joinedOf(items.get(id), placed))) : 0;
  return problem.items.flatMap((item): StuckItem[] => {
    const joined = joinedIn(item, placed);
    if (joined === undefined) return [];
    const from = Math.max(joined, taughtLessons(problem) + 1);
    const [out, into] = [opened(item.out), opened(item.in)];
    const until = Math.max(out, into);
    if (until <= from || from > problem.lessons.length) return [];
    const lacks = out > from ? (into > from ? 'both' : 'out') : 'in';
    const ways = [...(out > from ? (item.out ?? []) : []), ...(into > from ? (item.in ?? []) : [])];
    const opens = [...new Set(ways)].toSorted(
      (a, b) => joinedOf(items.get(a), placed) - joinedOf(items.get(b), placed),
    );
    return [{ id: item.id, lacks, from, until: Number.isFinite(until) ? until : undefined, opens }];
  });
}

/** In how many lessons these are stuck, each counted by itself. */
export function stuckLessons(problem: PlanProblem, stuck: readonly StuckItem[]): number {
  const end = problem.lessons.length + 1;
  return stuck.reduce((sum, { from, until = end }) => sum + Math.min(end, until) - from, 0);
}

function joinedOf(item: PlanItem | undefined, placed: Placed): number {
  return (item && joinedIn(item, placed)) ?? Number.POSITIVE_INFINITY;
}
