// The plan as a mixed-integer model: needs, elements and minutes are linear in the columns of its items (`plan-columns.ts`). Size:
// items × lessons binaries, and about as many columns for the elements.
import type { Placing, PlanItem, PlanProblem } from '../problem.ts';
import { type MipModel, sumOf } from './mip.ts';
import { PlanColumns } from './plan-columns.ts';
import { leftPoints, movedCount, payCost } from './plan-cost.ts';
import { PlanMinutes } from './plan-minutes.ts';

/** What the model makes least: the points of what is left out, the number moved, or the whole published cost. */
export type PlanAim = 'left' | 'moved' | 'cost';

export interface PlanModelQuestion {
  /** A legal plan: where the items lie that are not free, and the solution to begin with. */
  readonly from: Placing;
  /** The items that may change; all of them when it is missing. */
  readonly free?: ReadonlySet<string>;
  readonly aim: PlanAim;
  /** Points of what is left out that no plan can go below; known from an earlier question. */
  readonly atLeast?: number;
  /** Points of what is left out, and number moved, that may not be exceeded. */
  readonly atMost?: { readonly left?: number; readonly moved?: number };
}

export interface PlanModel {
  readonly mip: MipModel;
  readonly start: Float64Array;
  decode(values: Float64Array): Placing;
}

export function buildPlanModel(
  problem: PlanProblem,
  { from, free, aim, atLeast, atMost }: PlanModelQuestion,
): PlanModel {
  const columns = new PlanColumns(problem, from, free);
  const { builder } = columns;
  for (const item of problem.items) keepNeeds(columns, item);
  keepOneQuality(columns);
  const minutes = new PlanMinutes(columns);
  const [left, moved] = [leftPoints(columns), movedCount(columns)];
  if (aim === 'left') builder.pay(left);
  else if (aim === 'moved') builder.pay(moved);
  else payCost(columns, minutes, left, moved);
  if (atLeast) builder.row(left, atLeast, Number.POSITIVE_INFINITY);
  if (atMost?.left !== undefined) builder.row(left, 0, atMost.left + 1e-6);
  if (atMost?.moved !== undefined) builder.row(moved, 0, atMost.moved + 1e-6);
  return {
    mip: builder.build(),
    start: builder.start(),
    decode: values => ({ placed: columns.placed(values), ahead: minutes.taughtAhead(values) }),
  };
}

function keepNeeds(columns: PlanColumns, item: PlanItem): void {
  const { problem, builder } = columns;
  if (problem.taught?.items[item.id] !== undefined) return;
  for (const need of item.needs) {
    const delay = problem.items.find(({ id }) => id === need)?.split ? 1 : 0;
    for (let t = columns.first; t <= columns.last; t += 1)
      if (problem.open) builder.atMost(columns.inLesson(item.id, t), columns.inLesson(need, t));
      else builder.atMost(columns.by(item.id, t), columns.by(need, t - delay));
  }
}

function keepOneQuality(columns: PlanColumns): void {
  const qualities = columns.problem.items.filter(({ kind }) => kind === 'quality');
  for (let t = columns.first; t <= columns.last; t += 1)
    columns.builder.row(sumOf(qualities.map(({ id }) => columns.inLesson(id, t))), 0, 1);
}
