// What would make it all fit: real re-plans of a changed problem, told by what they cost.
import { tenths } from '../model/units.ts';
import type { MipSolver } from './exact/mip.ts';
import { buildPlanModel } from './exact/plan-model.ts';
import type { PlanCost } from './judge.ts';
import { type Placed, type Placing, type PlanItem, type PlanProblem, taughtLessons } from './problem.ts';
import { solvePlan } from './solve.ts';

export type WhatIf =
  | { readonly kind: 'lesson' }
  /** Whole minutes more in every lesson that is still to come. */
  | { readonly kind: 'minutes'; readonly minutes: number }
  | { readonly kind: 'without'; readonly id: string }
  /** A figure that is pinned to a lesson may lie in any. */
  | { readonly kind: 'unpin'; readonly id: string };

export interface WhatIfAnswer extends Placing {
  readonly whatIf: WhatIf;
  readonly cost: PlanCost;
  /** What would still be left out, besides what the change itself takes away. */
  readonly left: readonly string[];
  /** How many rules it would still break. */
  readonly broken: number;
}

/** Iterations of one re-plan: some 20 to 200 ms. */
const REPLAN_WORK = 20_000;
const MOST_MINUTES = 60;

/** The problem after a change. What needs an item that is taken away goes with it. */
export function changeProblem(problem: PlanProblem, whatIf: WhatIf): PlanProblem {
  switch (whatIf.kind) {
    case 'lesson':
      return withOneMoreLesson(problem);
    case 'minutes':
      return withMoreMinutes(problem, whatIf.minutes);
    case 'without':
      return withoutItems(problem, dependentsOf(problem, whatIf.id));
    case 'unpin':
      return {
        ...problem,
        items: problem.items.map(item => (item.id === whatIf.id ? withoutPin(item) : item)),
      };
    default:
      return whatIf satisfies never;
  }
}

/** Plans the changed problem anew, beginning with the plan as it is. */
export function askWhatIf(problem: PlanProblem, plan: Placing, whatIf: WhatIf, seed = 1): WhatIfAnswer {
  const changed = changeProblem(problem, whatIf);
  const answer = solvePlan(changed, {
    seed,
    start: plan,
    budget: { kind: 'work', work: REPLAN_WORK },
  });
  const { placed, ahead, cost, left, broken } = answer;
  return { whatIf, placed, ahead, cost, left, broken: broken.length };
}

/**
 * The changes worth asking about a plan: one more lesson, each pin lifted, and each must or should away. The minutes are
 * asked by `leastMinutes`.
 */
export function whatIfsOf(problem: PlanProblem): readonly WhatIf[] {
  const items = problem.items.filter(({ id }) => problem.taught?.items[id] === undefined);
  return [
    { kind: 'lesson' },
    ...items.flatMap(({ id, pin }) => (pin === undefined ? [] : [{ kind: 'unpin', id } as const])),
    ...items.flatMap(({ id, value }) => (value === 'could' ? [] : [{ kind: 'without', id } as const])),
  ];
}

function withoutPin({ pin: _, ...item }: PlanItem): PlanItem {
  return item;
}

export interface LeastMinutes {
  /** So many whole minutes more in each lesson are enough: the plan shows it. */
  readonly answer: WhatIfAnswer;
  /** Fewer than these are surely not; undefined without an exact solver. */
  readonly atLeast?: number;
}

/** The least whole minutes more a lesson by which everything fits, 0 when it does; undefined when 60 are not enough. */
export function leastMinutes(
  problem: PlanProblem,
  plan: Placing,
  solver?: MipSolver,
): LeastMinutes | undefined {
  const asItIs = askWhatIf(problem, plan, { kind: 'minutes', minutes: 0 });
  if (fitsAll(asItIs)) return { answer: asItIs, atLeast: 0 };
  const atLeast = solver && lowestMinutes(problem, plan, solver);
  let low = (atLeast ?? 1) - 1;
  let high = Math.max(1, atLeast ?? 1);
  let found: WhatIfAnswer | undefined;
  const ask = (minutes: number) => {
    const answer = askWhatIf(problem, found ?? plan, { kind: 'minutes', minutes });
    return fitsAll(answer) ? answer : undefined;
  };
  for (found = ask(high); !found; found = ask(high)) {
    if (high >= MOST_MINUTES) return undefined;
    low = high;
    high = Math.min(MOST_MINUTES, high * 2);
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const answer = ask(middle);
    if (answer) [found, high] = [answer, middle];
    else low = middle;
  }
  return { answer: found, ...(atLeast !== undefined && { atLeast }) };
}

function fitsAll({ left, broken }: WhatIfAnswer): boolean {
  return left.length === 0 && broken === 0;
}

/** Below this many minutes even fractions of items would not fit. */
function lowestMinutes(problem: PlanProblem, plan: Placing, solver: MipSolver): number {
  const fits = (minutes: number) => {
    const { mip } = buildPlanModel(withMoreMinutes(problem, minutes), { from: plan, aim: 'left' });
    return solver(mip, { relaxed: true, seconds: 1 }).bound < 0.5;
  };
  let [low, high] = [0, MOST_MINUTES];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (fits(middle)) high = middle;
    else low = middle;
  }
  return high;
}

function withMoreMinutes(problem: PlanProblem, minutes: number): PlanProblem {
  const taught = taughtLessons(problem);
  return {
    ...problem,
    lessons: problem.lessons.map((lesson, index) =>
      index < taught ? lesson : { capacity: tenths(lesson.capacity + minutes * 10) },
    ),
  };
}

/** A lesson like the one before it, added before the last. */
function withOneMoreLesson(problem: PlanProblem): PlanProblem {
  const { lessons } = problem;
  const added = lessons.at(problem.open ? -1 : -2) ?? lessons[0];
  if (!added) return problem;
  const before = lessons.length - 1;
  return {
    ...problem,
    lessons: lessons.toSpliced(before, 0, added),
    items: problem.items.map(item =>
      item.allowed ? { ...item, allowed: [...item.allowed, lessons.length] } : item,
    ),
  };
}

function dependentsOf(problem: PlanProblem, id: string): ReadonlySet<string> {
  const away = new Set([id]);
  for (let before = 0; before < away.size; ) {
    before = away.size;
    for (const item of problem.items) if (item.needs.some(need => away.has(need))) away.add(item.id);
  }
  return away;
}

function withoutItems(problem: PlanProblem, away: ReadonlySet<string>): PlanProblem {
  const keep = (record: Placed | undefined) =>
    Object.fromEntries(Object.entries(record ?? {}).filter(([id]) => !away.has(id)));
  return {
    ...problem,
    items: problem.items.filter(({ id }) => !away.has(id)),
    lookalikes: problem.lookalikes.filter(pair => !pair.some(id => away.has(id))),
    ...(problem.published && { published: keep(problem.published) }),
  };
}
