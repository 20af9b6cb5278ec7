import { entryAt, entryOf } from '../model/entry-at.ts';
import { mayComeAhead } from './ahead.ts';
import { alongMinutes, takersOf } from './along.ts';
import { allowedLessons } from './domain.ts';
import { lessonShares, reviewMinutes, teachingMinutes } from './minutes.ts';
import { lessonsOutOfOrder } from './places.ts';
import {
  COST_WEIGHTS,
  knownElements,
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
  readonly elementIds: readonly string[];
  readonly elementMinutes: Float64Array;
  /** The elements that may be taught ahead, and 1 for each of them. */
  readonly aheadable: Int32Array;
  readonly mayAhead: Uint8Array;
  readonly needs: readonly Int32Array[];
  readonly dependents: readonly Int32Array[];
  /** 1 for a split item: what needs it waits one lesson. */
  readonly delay: Int32Array;
  readonly partners: readonly Int32Array[];
  /** What leads on from each item and into it; undefined where it is never stuck. */
  readonly out: readonly (Int32Array | undefined)[];
  readonly in: readonly (Int32Array | undefined)[];
  /** The items that an item opens a way for. */
  readonly opens: readonly Int32Array[];
  readonly hasWays: boolean;
  /** Lessons out of order of item i in lesson t, at i × lessons + t. */
  readonly order: Float64Array;
  readonly hasOrder: boolean;
  /** What each item needs, through any number of needs, where it takes that along; else empty. */
  readonly takesAlong: readonly Int32Array[];
  readonly hasAlong: boolean;
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
  /** What a review saves where it is taken along. */
  readonly saved: Float64Array;
}

export function compilePlan(problem: PlanProblem): CompiledPlan {
  const { items } = problem;
  const lessonCount = problem.lessons.length;
  const indexOf = new Map(items.map(({ id }, index) => [id, index]));
  const indexes = (ids: readonly string[]) => Int32Array.from(ids.map(id => entryOf(indexOf, id)));
  const elementIds = Object.keys(problem.elements);
  const elementIndex = new Map(elementIds.map((id, index) => [id, index]));
  const known = knownElements(problem);
  const domain = items.map(item => Int32Array.from(allowedLessons(problem, item).map(lesson => lesson - 1)));
  const mayHave = new Uint8Array(items.length * lessonCount);
  for (const [item, lessons] of domain.entries())
    for (const t of lessons) mayHave[item * lessonCount + t] = 1;
  const weights = { ...COST_WEIGHTS, ...problem.weights };
  const open = problem.open ?? false;
  // What was taken out of a problem opens nothing, but is still missed.
  const ways = (of: 'out' | 'in') =>
    items.map(item =>
      item[of]?.length && !open ? indexes(item[of].filter(id => indexOf.has(id))) : undefined,
    );
  const taught = taughtLessons(problem);
  const may = mayComeAhead(problem);
  const takers = takersOf(problem);
  const takesAlong = items.map(taker =>
    problem.along && !open
      ? indexes(items.flatMap(({ id }) => (takers.get(id)?.includes(taker) ? [id] : [])))
      : new Int32Array(),
  );
  const order = Float64Array.from({ length: items.length * lessonCount }, (_, index) => {
    const item = entryAt(items, Math.floor(index / lessonCount));
    return lessonsOutOfOrder(problem, item, (index % lessonCount) + 1);
  });
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
    elementIds,
    aheadable: Int32Array.from([...may].map(id => entryOf(elementIndex, id))),
    mayAhead: Uint8Array.from(elementIds, id => Number(may.has(id))),
    elementMinutes: Float64Array.from(elementIds, id => problem.elements[id] ?? 0),
    needs: items.map(({ needs }) => indexes(needs)),
    dependents: items.map(({ id }) =>
      indexes(items.flatMap(item => (item.needs.includes(id) ? [item.id] : []))),
    ),
    delay: Int32Array.from(items, ({ split }) => (split ? 1 : 0)),
    partners: items.map(({ id }) =>
      indexes(problem.lookalikes.flatMap(([a, b]) => (a === id ? [b] : b === id ? [a] : []))),
    ),
    out: ways('out'),
    in: ways('in'),
    opens: items.map(({ id }) =>
      open ? new Int32Array() : indexes(items.flatMap(item => (isWayOf(item, id) ? [item.id] : []))),
    ),
    order,
    hasOrder: order.some(lessons => lessons > 0),
    takesAlong,
    hasAlong: takesAlong.some(needs => needs.length > 0),
    hasWays: !open && items.some(item => item.out?.length || item.in?.length),
    kind: Int32Array.from(items, ({ kind }) => {
      const mixed = MIXED_KINDS.indexOf(kind);
      return mixed >= 0 ? mixed : kind === 'quality' ? 3 : 4;
    }),
    published: Int32Array.from(items, ({ id }) => (problem.published?.[id] ?? 0) - 1),
    isTaught: items.map(({ id }) => problem.taught?.items[id] !== undefined),
    weights,
  };
}

function isWayOf({ out = [], in: into = [] }: PlanItem, id: string): boolean {
  return out.includes(id) || into.includes(id);
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
    saved: Float64Array.from(flat, ({ isReview, minutes }) =>
      isReview ? minutes - alongMinutes(minutes) : 0,
    ),
  };
}
