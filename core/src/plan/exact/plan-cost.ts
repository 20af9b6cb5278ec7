// What the plan's model pays: the published cost, term by term.

import { lessonShares } from '../minutes.ts';
import { easyToHard } from '../places.ts';
import { COST_WEIGHTS, LEVEL_SLACK_MINUTES, MIXED_KINDS } from '../problem.ts';
import { type Linear, minus, sumOf, times, worthOf, ZERO } from './mip.ts';
import { FULL, type PlanColumns } from './plan-columns.ts';
import type { PlanMinutes } from './plan-minutes.ts';

export function leftPoints(columns: PlanColumns): Linear {
  const weights = { ...COST_WEIGHTS, ...columns.problem.weights };
  return sumOf(
    columns.problem.items.map(({ id, value }) =>
      times(weights[value], minus(FULL, columns.by(id, columns.problem.lessons.length))),
    ),
  );
}

export function movedCount(columns: PlanColumns): Linear {
  const { published, taught } = columns.problem;
  return sumOf(
    columns.problem.items.flatMap(({ id }) => {
      const before = published?.[id];
      return before === undefined || taught?.items[id] !== undefined
        ? []
        : [minus(FULL, columns.inLesson(id, before))];
    }),
  );
}

export function payCost(columns: PlanColumns, minutes: PlanMinutes, left: Linear, moved: Linear): void {
  const weights = { ...COST_WEIGHTS, ...columns.problem.weights };
  columns.builder.pay(left);
  columns.builder.pay(times(weights.moved, moved));
  payLevel(columns, minutes.fresh, weights.level, weights.largest);
  payLookalikes(columns, weights.lookalike);
  payMix(columns, weights.mix);
  payStuck(columns, weights.stuck);
  payOrder(columns, weights.order);
  columns.builder.pay(times(weights.ahead, minutes.ahead));
}

function payLevel(columns: PlanColumns, fresh: readonly Linear[], level: number, largest: number): void {
  const { builder } = columns;
  const shares = lessonShares(columns.problem);
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

function payLookalikes(columns: PlanColumns, points: number): void {
  const { problem, builder } = columns;
  const lessons = problem.lessons.length;
  for (const [a, b] of problem.lookalikes) {
    if ([a, b].every(id => problem.taught?.items[id] !== undefined)) continue;
    // Each of these is 1 when the pair lies badly, and 0 or less when it does not.
    const bad: Linear[] = [];
    for (let t = 1; t <= lessons; t += 1)
      if (problem.apart)
        bad.push(sumOf([columns.inLesson(a, t), columns.inLesson(b, t), { constant: -1, terms: [] }]));
      else
        for (const [one, other] of [
          [a, b],
          [b, a],
        ] as const)
          bad.push(
            sumOf([
              columns.by(one, t),
              columns.by(other, lessons),
              times(-1, columns.by(other, Math.min(lessons, t + 1))),
              { constant: -1, terms: [] },
            ]),
          );
    const pair = builder.column(0, 1, values => Math.max(0, ...bad.map(sum => worthOf(sum, values))));
    for (const sum of bad) builder.atMost(sum, pair);
    builder.pay(times(points, pair));
  }
}

/** An item is stuck in a lesson by which it has been joined, and nothing that leads on from it, or into it. */
function payStuck(columns: PlanColumns, points: number): void {
  const { problem, builder } = columns;
  if (problem.open) return;
  const items = new Map(problem.items.map(item => [item.id, item]));
  const joinedBy = (id: string, lesson: number) => columns.by(id, lesson - (items.get(id)?.split ? 1 : 0));
  for (const { id, out = [], in: into = [] } of problem.items) {
    const lists = [out, into].filter(ways => ways.length > 0);
    if (lists.length === 0) continue;
    for (let t = columns.first; t <= problem.lessons.length; t += 1) {
      const lacks = lists.map(ways => minus(joinedBy(id, t), sumOf(ways.map(way => joinedBy(way, t)))));
      const stuck = builder.column(0, 1, values => Math.max(0, ...lacks.map(lack => worthOf(lack, values))));
      for (const lack of lacks) builder.atMost(lack, stuck);
      builder.pay(times(points, stuck));
    }
  }
}

/** Two lessons or more before its place, or after it: a point for each beyond one. */
function payOrder(columns: PlanColumns, points: number): void {
  const { problem, builder } = columns;
  const places = easyToHard(problem);
  const end = problem.lessons.length;
  for (const { id, difficulty } of problem.items) {
    const place = places.get(id);
    if (difficulty === undefined || place === undefined || problem.taught?.items[id] !== undefined) continue;
    for (let t = 1; t <= place - 2; t += 1) builder.pay(times(points, columns.by(id, t)));
    for (let t = place + 1; t <= end - 2; t += 1)
      builder.pay(times(points, minus(columns.by(id, end), columns.by(id, t))));
  }
}

function payMix(columns: PlanColumns, points: number): void {
  const { problem, builder } = columns;
  for (let t = columns.first; t <= columns.last; t += 1) {
    const kinds = MIXED_KINDS.map(kind => {
      const here = sumOf(
        problem.items.filter(item => item.kind === kind).map(({ id }) => columns.inLesson(id, t)),
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
