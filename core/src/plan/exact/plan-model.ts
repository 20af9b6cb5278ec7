// The plan as a mixed-integer model: for each item and lesson one binary that says "introduced by then", which
// never falls; needs, elements and minutes are linear in these. Size: items × lessons binaries, and about as many
// columns for the elements.
import { entryAt } from '../../model/entry-at.ts';
import { allowedLessons } from '../domain.ts';
import { lessonShares, reviewMinutes, teachingMinutes } from '../minutes.ts';
import {
  COST_WEIGHTS,
  LEVEL_SLACK_MINUTES,
  lastIntroducing,
  MIXED_KINDS,
  mayLeaveOut,
  type Placed,
  type PlanItem,
  type PlanProblem,
  taughtLessons,
} from '../problem.ts';
import { type Linear, MipBuilder, type MipModel, minus, sumOf, times, worthOf, ZERO } from './mip.ts';

/** What the model makes least: the points of what is left out, the number moved, or the whole published cost. */
export type PlanAim = 'left' | 'moved' | 'cost';

export interface PlanModelQuestion {
  /** A legal plan: where the items lie that are not free, and the solution to begin with. */
  readonly from: Placed;
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
  decode(values: Float64Array): Placed;
}

const FULL: Linear = { constant: 1, terms: [] };

export function buildPlanModel(problem: PlanProblem, question: PlanModelQuestion): PlanModel {
  const model = new PlanModelBuilder(problem, question);
  return { mip: model.builder.build(), start: model.builder.start(), decode: model.decode };
}

class PlanModelBuilder {
  readonly builder = new MipBuilder();
  private readonly problem: PlanProblem;
  private readonly from: Placed;
  private readonly first: number;
  private readonly last: number;
  /** By item: "introduced by", for each lesson from 0. */
  private readonly byLesson = new Map<string, readonly Linear[]>();
  private readonly columns = new Map<string, readonly (readonly [lesson: number, column: number])[]>();

  constructor(problem: PlanProblem, { from, free, aim, atLeast, atMost }: PlanModelQuestion) {
    this.problem = problem;
    this.from = from;
    this.first = taughtLessons(problem) + 1;
    this.last = lastIntroducing(problem);
    for (const item of problem.items) this.placeItem(item, free === undefined || free.has(item.id));
    for (const item of problem.items) this.keepNeeds(item);
    this.keepOneQuality();
    const fresh = this.fillLessons();
    const [left, moved] = [this.leftPoints(), this.movedCount()];
    if (aim === 'left') this.builder.pay(left);
    else if (aim === 'moved') this.builder.pay(moved);
    else this.payCost(left, moved, fresh);
    if (atLeast) this.builder.row(left, atLeast, Number.POSITIVE_INFINITY);
    if (atMost?.left !== undefined) this.builder.row(left, 0, atMost.left + 1e-6);
    if (atMost?.moved !== undefined) this.builder.row(moved, 0, atMost.moved + 1e-6);
  }

  readonly decode = (values: Float64Array): Placed => {
    const entries = this.problem.items.flatMap(({ id }) => {
      const columns = this.columns.get(id);
      const lesson = columns
        ? columns.find(([, column]) => column < 0 || (values[column] ?? 0) > 0.5)?.[0]
        : this.from[id];
      return lesson === undefined ? [] : [[id, lesson] as const];
    });
    return Object.fromEntries(entries);
  };

  private by(id: string, lesson: number): Linear {
    return this.byLesson.get(id)?.[Math.max(0, lesson)] ?? ZERO;
  }

  private inLesson(id: string, lesson: number): Linear {
    return minus(this.by(id, lesson), this.by(id, lesson - 1));
  }

  private placeItem(item: PlanItem, isFree: boolean): void {
    const { problem, from, builder } = this;
    const lessons = problem.lessons.length;
    const taughtIn = problem.taught?.items[item.id];
    const isFixed = !isFree || taughtIn !== undefined;
    const at = taughtIn ?? from[item.id];
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

  private keepNeeds(item: PlanItem): void {
    const { problem, builder } = this;
    if (problem.taught?.items[item.id] !== undefined) return;
    for (const need of item.needs) {
      const delay = problem.items.find(({ id }) => id === need)?.split ? 1 : 0;
      for (let t = this.first; t <= this.last; t += 1)
        if (problem.open) builder.atMost(this.inLesson(item.id, t), this.inLesson(need, t));
        else builder.atMost(this.by(item.id, t), this.by(need, t - delay));
    }
  }

  private keepOneQuality(): void {
    const qualities = this.problem.items.filter(({ kind }) => kind === 'quality');
    for (let t = this.first; t <= this.last; t += 1)
      this.builder.row(sumOf(qualities.map(({ id }) => this.inLesson(id, t))), 0, 1);
  }

  /** The new minutes of each lesson from 0, held to its capacity with the reviews. */
  private fillLessons(): readonly Linear[] {
    const { problem, builder } = this;
    const elements = this.elementMinutes();
    return problem.lessons.map(({ capacity }, index) => {
      const t = index + 1;
      if (t < this.first) return ZERO;
      const teaching = problem.items.flatMap(item =>
        teachingMinutes(item).map(({ after, minutes }) => times(minutes, this.inLesson(item.id, t - after))),
      );
      const review = sumOf(
        problem.items.flatMap(item =>
          reviewMinutes(item, problem.open ?? false).map(({ after, minutes }) =>
            times(minutes, this.inLesson(item.id, t - after)),
          ),
        ),
      );
      const sum = sumOf([...teaching, elements[t] ?? ZERO]);
      // Where what lies fast is too much already, nothing more may come.
      const most = Math.max(capacity, sum.constant + review.constant);
      if (t > this.last) {
        builder.row(sumOf([sum, review]), Number.NEGATIVE_INFINITY, most);
        return sum;
      }
      const fresh = builder.column(0, most, values => worthOf(sum, values));
      builder.row(minus(sum, fresh), 0, 0);
      builder.row(sumOf([fresh, review]), Number.NEGATIVE_INFINITY, most);
      return fresh;
    });
  }

  /** The minutes that elements take, by lesson from 0. */
  private elementMinutes(): readonly Linear[] {
    const { problem } = this;
    const known = new Set(problem.known ?? []);
    const users = new Map<string, string[]>();
    for (const { id, elements } of problem.items)
      for (const element of new Set(elements))
        if (!known.has(element)) users.set(element, [...(users.get(element) ?? []), id]);
    const sums: Linear[][] = problem.lessons.map(() => []);
    sums.push([]);
    for (const [element, ids] of users) {
      const minutes = problem.elements[element] ?? 0;
      if (minutes === 0) continue;
      let before = problem.open ? ZERO : this.anyOf(ids, id => this.by(id, this.first - 1));
      for (let t = this.first; t <= this.last; t += 1) {
        if (problem.open) {
          sums[t]?.push(
            times(
              minutes,
              this.anyOf(ids, id => this.inLesson(id, t)),
            ),
          );
          continue;
        }
        const now = this.anyOf(ids, id => this.by(id, t));
        if (now !== before) {
          if (before.terms.length > 0) this.builder.atMost(before, now);
          sums[t]?.push(times(minutes, minus(now, before)));
        }
        before = now;
      }
    }
    return sums.map(sumOf);
  }

  /** 1 when one of these is 1, else 0. */
  private anyOf(ids: readonly string[], of: (id: string) => Linear): Linear {
    const { builder } = this;
    const parts = ids.map(of);
    if (parts.some(({ constant, terms }) => terms.length === 0 && constant === 1)) return FULL;
    const open = parts.filter(({ terms }) => terms.length > 0);
    if (open.length === 0) return ZERO;
    if (open.length === 1) return entryAt(open, 0);
    const any = builder.column(0, 1, values => Math.max(...open.map(part => worthOf(part, values))));
    for (const part of open) builder.atMost(part, any);
    builder.atMost(any, sumOf(open));
    return any;
  }

  private leftPoints(): Linear {
    const weights = { ...COST_WEIGHTS, ...this.problem.weights };
    return sumOf(
      this.problem.items.map(({ id, value }) =>
        times(weights[value], minus(FULL, this.by(id, this.problem.lessons.length))),
      ),
    );
  }

  private movedCount(): Linear {
    const { published, taught } = this.problem;
    return sumOf(
      this.problem.items.flatMap(({ id }) => {
        const before = published?.[id];
        return before === undefined || taught?.items[id] !== undefined
          ? []
          : [minus(FULL, this.inLesson(id, before))];
      }),
    );
  }

  private payCost(left: Linear, moved: Linear, fresh: readonly Linear[]): void {
    const weights = { ...COST_WEIGHTS, ...this.problem.weights };
    this.builder.pay(left);
    this.builder.pay(times(weights.moved, moved));
    this.payLevel(fresh, weights.level, weights.largest);
    this.payLookalikes(weights.lookalike);
    this.payMix(weights.mix);
  }

  private payLevel(fresh: readonly Linear[], level: number, largest: number): void {
    const { builder } = this;
    const shares = lessonShares(this.problem);
    const judged = shares.flatMap((share, index) => (share > 0 ? [index] : []));
    const total = sumOf(judged.map(index => fresh[index] ?? ZERO));
    const overs = judged.map(index => {
      const own = minus(fresh[index] ?? ZERO, times(shares[index] ?? 0, total));
      const more = sumOf([times(0.1, own), { constant: -LEVEL_SLACK_MINUTES, terms: [] }]);
      const over = builder.column(0, Number.POSITIVE_INFINITY, values => Math.max(0, worthOf(more, values)));
      builder.atMost(more, over);
      builder.pay(times(level, over));
      return over;
    });
    const most = builder.column(0, Number.POSITIVE_INFINITY, values =>
      Math.max(0, ...overs.map(over => worthOf(over, values))),
    );
    for (const over of overs) builder.atMost(over, most);
    builder.pay(times(largest, most));
  }

  private payLookalikes(points: number): void {
    const { problem, builder } = this;
    const lessons = problem.lessons.length;
    for (const [a, b] of problem.lookalikes) {
      if ([a, b].every(id => problem.taught?.items[id] !== undefined)) continue;
      // Each of these is 1 when the pair lies badly, and 0 or less when it does not.
      const bad: Linear[] = [];
      for (let t = 1; t <= lessons; t += 1)
        if (problem.apart)
          bad.push(sumOf([this.inLesson(a, t), this.inLesson(b, t), { constant: -1, terms: [] }]));
        else
          for (const [one, other] of [
            [a, b],
            [b, a],
          ] as const)
            bad.push(
              sumOf([
                this.by(one, t),
                this.by(other, lessons),
                times(-1, this.by(other, Math.min(lessons, t + 1))),
                { constant: -1, terms: [] },
              ]),
            );
      const pair = builder.column(0, 1, values => Math.max(0, ...bad.map(sum => worthOf(sum, values))));
      for (const sum of bad) builder.atMost(sum, pair);
      builder.pay(times(points, pair));
    }
  }

  private payMix(points: number): void {
    const { problem, builder } = this;
    for (let t = this.first; t <= this.last; t += 1) {
      const kinds = MIXED_KINDS.map(kind => {
        const here = sumOf(
          problem.items.filter(item => item.kind === kind).map(({ id }) => this.inLesson(id, t)),
        );
        const has = builder.column(0, 1, values => Math.min(1, worthOf(here, values)));
        builder.atMost(has, here);
        return has;
      });
      const short = builder.column(0, 2, values =>
        Math.max(0, 2 - kinds.reduce((sum, kind) => sum + worthOf(kind, values), 0)),
      );
      builder.row(sumOf([short, ...kinds]), 2, Number.POSITIVE_INFINITY);
      builder.pay(times(points, short));
    }
  }
}
