import { entryOf } from '../model/entry-at.ts';
import { allowedLessons } from './domain.ts';
import { lessonShares, reviewMinutes, teachingMinutes } from './minutes.ts';
import {
  COST_WEIGHTS,
  lastIntroducing,
  MIXED_KINDS,
  mayLeaveOut,
  type PlanItem,
  type PlanProblem,
  taughtLessons,
} from './problem.ts';

/** A problem as flat arrays, for the search: items, lessons and elements by index from 0. */
export interface CompiledPlan {
  readonly problem: PlanProblem;
  readonly lessonCount: number;
  readonly itemCount: number;
  readonly elementCount: number;
  readonly open: boolean;
  readonly apart: boolean;
  readonly taught: number;
  readonly last: number;
  readonly capacity: Float64Array;
  readonly share: Float64Array;
  /** For each item: the lessons it may have; empty means it stays out. */
  readonly domain: readonly Int32Array[];
  readonly mayHave: Uint8Array;
  readonly mayLeave: readonly boolean[];
  readonly leftCost: Float64Array;
  /** Minutes that fall in or after the lesson of introduction; those of item i stand from loads.from[i] on. */
  readonly loads: Loads;
  readonly elements: readonly Int32Array[];
  readonly elementMinutes: Float64Array;
  readonly needs: readonly Int32Array[];
  readonly dependents: readonly Int32Array[];
  /** 1 for a split item: what needs it waits one lesson. */
  readonly delay: Int32Array;
  readonly partners: readonly Int32Array[];
  /** 0..2 basic, pattern, turn; 3 quality; 4 other. */
  readonly kind: Int32Array;
  readonly published: Int32Array;
  readonly isTaught: readonly boolean[];
  readonly weights: typeof COST_WEIGHTS;
}

export interface Loads {
  readonly from: Int32Array;
  readonly after: Int32Array;
  readonly minutes: Float64Array;
  readonly isReview: Uint8Array;
}

export function compilePlan(problem: PlanProblem): CompiledPlan {
  const { items } = problem;
  const lessonCount = problem.lessons.length;
  const indexOf = new Map(items.map(({ id }, index) => [id, index]));
  const indexes = (ids: readonly string[]) => Int32Array.from(ids.map(id => entryOf(indexOf, id)));
  const elementIds = Object.keys(problem.elements);
  const elementIndex = new Map(elementIds.map((id, index) => [id, index]));
  const known = new Set(problem.known ?? []);
  const domain = items.map(item => Int32Array.from(allowedLessons(problem, item).map(lesson => lesson - 1)));
  const mayHave = new Uint8Array(items.length * lessonCount);
  for (const [item, lessons] of domain.entries())
    for (const t of lessons) mayHave[item * lessonCount + t] = 1;
  const weights = { ...COST_WEIGHTS, ...problem.weights };
  const open = problem.open ?? false;
  const taught = taughtLessons(problem);
  return {
    problem,
    lessonCount,
    itemCount: items.length,
    elementCount: elementIds.length,
    open,
    apart: problem.apart,
    taught,
    last: lastIntroducing(problem),
    capacity: Float64Array.from(problem.lessons, ({ capacity }) => capacity),
    share: Float64Array.from(lessonShares(problem)),
    domain,
    mayHave,
    mayLeave: items.map(item => mayLeaveOut(problem, item)),
    leftCost: Float64Array.from(items, ({ value }) => weights[value]),
    loads: compileLoads(items, open),
    elements: items.map(item =>
      Int32Array.from(
        [...new Set(item.elements)].filter(id => !known.has(id)).map(id => entryOf(elementIndex, id)),
      ),
    ),
    elementMinutes: Float64Array.from(elementIds, id => problem.elements[id] ?? 0),
    needs: items.map(({ needs }) => indexes(needs)),
    dependents: items.map(({ id }) =>
      indexes(items.flatMap(item => (item.needs.includes(id) ? [item.id] : []))),
    ),
    delay: Int32Array.from(items, ({ split }) => (split ? 1 : 0)),
    partners: items.map(({ id }) =>
      indexes(problem.lookalikes.flatMap(([a, b]) => (a === id ? [b] : b === id ? [a] : []))),
    ),
    kind: Int32Array.from(items, ({ kind }) => {
      const mixed = MIXED_KINDS.indexOf(kind);
      return mixed >= 0 ? mixed : kind === 'quality' ? 3 : 4;
    }),
    published: Int32Array.from(items, ({ id }) => (problem.published?.[id] ?? 0) - 1),
    isTaught: items.map(({ id }) => problem.taught?.items[id] !== undefined),
    weights,
  };
}

function compileLoads(items: readonly PlanItem[], open: boolean): Loads {
  const loads = items.map(item => [
    ...teachingMinutes(item).map(load => ({ ...load, isReview: false })),
    ...reviewMinutes(item, open).map(load => ({ ...load, isReview: true })),
  ]);
  const flat = loads.flat();
  const from = new Int32Array(items.length + 1);
  for (const [item, own] of loads.entries()) from[item + 1] = (from[item] ?? 0) + own.length;
  return {
    from,
    after: Int32Array.from(flat, ({ after }) => after),
    minutes: Float64Array.from(flat, ({ minutes }) => minutes),
    isReview: Uint8Array.from(flat, ({ isReview }) => Number(isReview)),
  };
}
