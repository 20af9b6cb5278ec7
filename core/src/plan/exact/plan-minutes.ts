// The minutes of the plan's model: what is new in each lesson, with what is taught ahead, and what is reviewed, held to its length.
import { entryAt } from '../../model/entry-at.ts';
import { mayComeAhead } from '../ahead.ts';
import { alongMinutes, dancedAfter, takersOf } from '../along.ts';
import { reviewMinutes, teachingMinutes } from '../minutes.ts';
import { knownElements, type PlanItem } from '../problem.ts';
import { type Linear, minus, sumOf, times, worthOf, ZERO } from './mip.ts';
import { FULL, type PlanColumns } from './plan-columns.ts';

export class PlanMinutes {
  /** The new minutes of each lesson from 0. */
  readonly fresh: readonly Linear[];
  /** How many elements are taught ahead. */
  ahead: Linear = ZERO;
  private readonly columns: PlanColumns;
  /** By element that may come ahead: the column that says so, or -1 where it stays as it is. */
  private readonly aheadColumns = new Map<string, number>();

  constructor(columns: PlanColumns) {
    this.columns = columns;
    this.fresh = this.fillLessons();
  }

  /** The elements that are taught ahead in a solution, and those that were. */
  taughtAhead(values: Float64Array): readonly string[] {
    const { from, problem } = this.columns;
    const toCome = [...this.aheadColumns].flatMap(([id, column]) =>
      (column < 0 ? from.ahead.includes(id) : (values[column] ?? 0) > 0.5) ? [id] : [],
    );
    return [...Object.keys(problem.taught?.prepared ?? {}), ...toCome];
  }

  /** The new minutes of each lesson from 0, held to its capacity with the reviews. */
  private fillLessons(): readonly Linear[] {
    const { problem, builder } = this.columns;
    const elements = this.elementMinutes();
    return problem.lessons.map(({ capacity }, index) => {
      const t = index + 1;
      if (t < this.columns.first) return ZERO;
      const teaching = problem.items.flatMap(item =>
        teachingMinutes(item).map(({ after, minutes }) =>
          times(minutes, this.columns.inLesson(item.id, t - after)),
        ),
      );
      const review = sumOf(problem.items.flatMap(item => this.reviewsIn(item, t)));
      const sum = sumOf([...teaching, elements[t] ?? ZERO]);
      // Where what lies fast is too much already, nothing more may come.
      const most = Math.max(capacity, sum.constant + review.constant);
      if (t > this.columns.last) {
        builder.row(sumOf([sum, review]), Number.NEGATIVE_INFINITY, most);
        return sum;
      }
      const fresh = builder.column(0, most, values => worthOf(sum, values));
      builder.row(minus(sum, fresh), 0, 0);
      builder.row(sumOf([fresh, review]), Number.NEGATIVE_INFINITY, most);
      return fresh;
    });
  }

  /** The minutes by which an item is reviewed in a lesson, less what is saved where something takes it along. */
  private reviewsIn(item: PlanItem, t: number): readonly Linear[] {
    const { problem, builder } = this.columns;
    const reviews = reviewMinutes(item, problem.open ?? false);
    const all = reviews.map(({ after, minutes }) =>
      times(minutes, this.columns.inLesson(item.id, t - after)),
    );
    const takers = problem.along && !problem.open ? (takersOf(problem).get(item.id) ?? []) : [];
    const saves = reviews.map(({ minutes }) => minutes - alongMinutes(minutes));
    const most = Math.max(0, ...saves);
    if (takers.length === 0 || most === 0) return all;
    const could = sumOf(
      reviews.map(({ after }, index) => times(saves[index] ?? 0, this.columns.inLesson(item.id, t - after))),
    );
    const within = sumOf(
      takers.flatMap(taker => dancedAfter(taker).map(after => this.columns.inLesson(taker.id, t - after))),
    );
    if (could.terms.length === 0 && within.terms.length === 0)
      return [...all, { constant: -Math.min(could.constant, most * within.constant), terms: [] }];
    const saved = builder.column(0, most, values =>
      Math.min(worthOf(could, values), most * worthOf(within, values)),
    );
    builder.atMost(saved, could);
    builder.atMost(saved, times(most, within));
    return [...all, times(-1, saved)];
  }

  /** The minutes that elements take, by lesson from 0. */
  private elementMinutes(): readonly Linear[] {
    const { problem } = this.columns;
    const known = knownElements(problem);
    const users = new Map<string, string[]>();
    for (const { id, elements } of problem.items)
      for (const element of new Set(elements))
        if (!known.has(element)) users.set(element, [...(users.get(element) ?? []), id]);
    const sums: Linear[][] = problem.lessons.map(() => []);
    sums.push([]);
    for (const [element, ids] of users) {
      const minutes = problem.elements[element] ?? 0;
      if (minutes === 0) continue;
      const begins = this.beginsIn(ids);
      for (const [t, begin] of begins) sums[t]?.push(times(minutes, begin));
      for (const [t, isAhead] of this.teachAhead(element, begins)) {
        sums[t]?.push(times(minutes, isAhead));
        sums[t + 1]?.push(times(-minutes, isAhead));
      }
    }
    return sums.map(sumOf);
  }

  /** For each lesson to come, 1 where the first of these items lies: each lesson by itself in an open course. */
  private beginsIn(ids: readonly string[]): ReadonlyMap<number, Linear> {
    const { builder, problem } = this.columns;
    const begins = new Map<number, Linear>();
    let before = problem.open ? ZERO : this.anyOf(ids, id => this.columns.by(id, this.columns.first - 1));
    for (let t = this.columns.first; t <= this.columns.last; t += 1) {
      const now = this.anyOf(ids, id =>
        problem.open ? this.columns.inLesson(id, t) : this.columns.by(id, t),
      );
      if (problem.open) begins.set(t, now);
      else if (now !== before) {
        if (before.terms.length > 0) builder.atMost(before, now);
        begins.set(t, minus(now, before));
        before = now;
      }
    }
    return begins;
  }

  /** For each lesson before one in which an element may begin, 1 where it is taught ahead; one whole column in all. */
  private teachAhead(element: string, begins: ReadonlyMap<number, Linear>): ReadonlyMap<number, Linear> {
    const { builder, from, problem } = this.columns;
    if (!mayComeAhead(problem).has(element)) return new Map();
    const wanted = Number(from.ahead.includes(element));
    const later = [...begins].filter(([t]) => t > this.columns.first);
    this.aheadColumns.set(element, -1);
    if (later.every(([, { terms }]) => terms.length === 0)) {
      const taken = later.map(
        ([t, { constant }]) => [t - 1, { constant: wanted * constant, terms: [] }] as const,
      );
      this.ahead = sumOf([this.ahead, ...taken.map(([, isAhead]) => isAhead)]);
      return new Map(taken);
    }
    const taken = later.map(([t, begin]) => {
      const isAhead = builder.column(0, 1, values => wanted * worthOf(begin, values));
      builder.atMost(isAhead, begin);
      return [t - 1, isAhead] as const;
    });
    const all = sumOf(taken.map(([, isAhead]) => isAhead));
    const whole = builder.column(0, 1, values => worthOf(all, values), 'whole');
    builder.row(minus(all, whole), 0, 0);
    this.aheadColumns.set(element, whole.terms[0]?.[0] ?? -1);
    this.ahead = sumOf([this.ahead, whole]);
    return new Map(taken);
  }

  /** 1 when one of these is 1, else 0. */
  private anyOf(ids: readonly string[], of: (id: string) => Linear): Linear {
    const { builder } = this.columns;
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
}
