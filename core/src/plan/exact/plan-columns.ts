// The columns of the plan's model: for each item and lesson one binary that says "introduced by then", which never falls.
import { allowedLessons } from '../domain.ts';
import {
  lastIntroducing,
  mayLeaveOut,
  type Placed,
  type Placing,
  type PlanItem,
  type PlanProblem,
  taughtLessons,
} from '../problem.ts';
import { type Linear, MipBuilder, minus, ZERO } from './mip.ts';

export const FULL: Linear = { constant: 1, terms: [] };

export class PlanColumns {
  readonly builder = new MipBuilder();
  readonly problem: PlanProblem;
  /** The plan to begin with, and where what is not free lies. */
  readonly from: Placing;
  /** The first lesson to come, and the last that may introduce something. */
  readonly first: number;
  readonly last: number;
  /** By item: "introduced by", for each lesson from 0. */
  private readonly byLesson = new Map<string, readonly Linear[]>();
  private readonly columns = new Map<string, readonly (readonly [lesson: number, column: number])[]>();

  constructor(problem: PlanProblem, from: Placing, free: ReadonlySet<string> | undefined) {
    this.problem = problem;
    this.from = from;
    this.first = taughtLessons(problem) + 1;
    this.last = lastIntroducing(problem);
    for (const item of problem.items) this.placeItem(item, free === undefined || free.has(item.id));
  }

  /** 1 when an item has been introduced by a lesson. */
  by(id: string, lesson: number): Linear {
    return this.byLesson.get(id)?.[Math.max(0, lesson)] ?? ZERO;
  }

  /** 1 when it is introduced in it. */
  inLesson(id: string, lesson: number): Linear {
    return minus(this.by(id, lesson), this.by(id, lesson - 1));
  }

  /** Where the items lie in a solution. */
  placed(values: Float64Array): Placed {
    const entries = this.problem.items.flatMap(({ id }) => {
      const columns = this.columns.get(id);
      const lesson = columns
        ? columns.find(([, column]) => column < 0 || (values[column] ?? 0) > 0.5)?.[0]
        : this.from.placed[id];
      return lesson === undefined ? [] : [[id, lesson] as const];
    });
    return Object.fromEntries(entries);
  }

  private placeItem(item: PlanItem, isFree: boolean): void {
    const { problem, from, builder } = this;
    const lessons = problem.lessons.length;
    const taughtIn = problem.taught?.items[item.id];
    const isFixed = !isFree || taughtIn !== undefined;
    const at = taughtIn ?? from.placed[item.id];
    if (isFixed) {
      const steps = Array.from({ length: lessons + 1 }, (_, t) =>
        at !== undefined && at <= t ? FULL : ZERO,
      );
      this.byLesson.set(item.id, steps);
      return;
    }
    const domain = allowedLessons(problem, item);
    const columns: [number, number][] = [];
    const steps: Linear[] = [ZERO];
    let latest: Linear = ZERO;
    for (let t = 1; t <= lessons; t += 1) {
      if (domain.includes(t)) {
        const mustBe = t === domain.at(-1) && !mayLeaveOut(problem, item);
        const next = mustBe ? FULL : builder.column(0, 1, () => Number(at !== undefined && at <= t), 'whole');
        columns.push([t, next.terms[0]?.[0] ?? -1]);
        if (latest !== ZERO && !mustBe) builder.atMost(latest, next);
        latest = next;
      }
      steps.push(latest);
    }
    this.byLesson.set(item.id, steps);
    this.columns.set(item.id, columns);
  }
}
