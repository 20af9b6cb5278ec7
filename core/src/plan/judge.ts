// The rules and the cost of a plan, in the plain form in which they are published; linear in items × lessons.

import { allowedLessons, lessonRule } from './domain.ts';
import { doBlur } from './look-alikes.ts';
import { lessonShares, reviewMinutes, teachingMinutes } from './minutes.ts';
import {
  COST_WEIGHTS,
  LEVEL_SLACK_MINUTES,
  lastIntroducing,
  MIXED_KINDS,
  type Placed,
  type PlanItem,
  type PlanProblem,
  taughtLessons,
} from './problem.ts';

export interface BrokenRule {
  readonly rule:
    | 'capacity'
    | 'need'
    | 'quality'
    | 'left-out'
    | NonNullable<ReturnType<typeof lessonRule>>['rule'];
  /** The item, or `lesson 3`. */
  readonly at: string;
  readonly message: string;
  readonly lesson?: number;
}

export interface PlanCost {
  readonly total: number;
  readonly left: number;
  readonly level: number;
  readonly lookalikes: number;
  readonly mix: number;
  readonly moved: number;
}

export interface PlannedLesson {
  /** Tenths of a minute. */
  readonly new: number;
  readonly review: number;
  readonly capacity: number;
  /** Topological, basics first. */
  readonly introduce: readonly string[];
  readonly reviews: readonly { readonly id: string; readonly minutes: number }[];
  /** Tenths that each introduced item takes here: its assembly and the elements that come with it. */
  readonly minutes: { readonly [id: string]: number };
}

export interface Judgement {
  readonly lessons: readonly PlannedLesson[];
  readonly cost: PlanCost;
  readonly broken: readonly BrokenRule[];
  readonly left: readonly string[];
  readonly split: readonly string[];
}

/** Judges a plan by every rule and every term of the cost; costs in points to 0.01. */
export function judgePlan(problem: PlanProblem, placed: Placed): Judgement {
  const lessons = fillLessons(problem, placed);
  const left = problem.items.filter(({ id }) => placed[id] === undefined).map(({ id }) => id);
  const terms = {
    left: leftCost(problem, placed),
    level: levelCost(problem, lessons),
    lookalikes: lookalikeCost(problem, placed),
    mix: mixCost(problem, placed),
    moved: movedCost(problem, placed),
  };
  const total = terms.left + terms.level + terms.lookalikes + terms.mix + terms.moved;
  return {
    lessons,
    cost: { total: toHundredth(total), ...terms, level: toHundredth(terms.level) },
    broken: findBroken(problem, placed, lessons),
    left,
    split: problem.items.filter(item => item.split && placed[item.id] !== undefined).map(({ id }) => id),
  };
}

/** Weights by which a mend compares: first what is left out, then how many moved, then the rest. */
export const MEND_WEIGHTS = { left: 10_000, moved: 600 } as const;

/** By this plans are compared, the least is the best: by their cost, in a mend by its terms one after the other. */
export function planRank(problem: PlanProblem, cost: PlanCost): number {
  if (taughtLessons(problem) === 0) return cost.total;
  return (
    cost.left * MEND_WEIGHTS.left + cost.moved * MEND_WEIGHTS.moved + cost.level + cost.lookalikes + cost.mix
  );
}

function toHundredth(points: number): number {
  return Math.round(points * 100 + 1e-9) / 100;
}

function weightsOf(problem: PlanProblem): typeof COST_WEIGHTS {
  return { ...COST_WEIGHTS, ...problem.weights };
}

function fillLessons(problem: PlanProblem, placed: Placed): PlannedLesson[] {
  const paid = new Set(problem.known ?? []);
  const reviews = reviewsByLesson(problem, placed);
  const joined = new Map<number, { id: string; minutes: number }[]>();
  return problem.lessons.map(({ capacity }, index) => {
    const lesson = index + 1;
    const known = problem.open ? new Set(problem.known ?? []) : paid;
    const minutes: Record<string, number> = {};
    const introduce = inOrder(problem.items.filter(({ id }) => placed[id] === lesson));
    for (const { id, minutes: rest } of joined.get(lesson) ?? []) minutes[id] = rest;
    for (const item of introduce) {
      const [first, rest] = teachingMinutes(item);
      const fresh = [...new Set(item.elements)].filter(element => !known.has(element));
      for (const element of fresh) known.add(element);
      minutes[item.id] =
        (first?.minutes ?? 0) + fresh.reduce((sum, element) => sum + (problem.elements[element] ?? 0), 0);
      if (rest)
        joined.set(lesson + 1, [...(joined.get(lesson + 1) ?? []), { id: item.id, minutes: rest.minutes }]);
    }
    const due = reviews.get(lesson) ?? [];
    return {
      new: Object.values(minutes).reduce((sum, value) => sum + value, 0),
      review: due.reduce((sum, review) => sum + review.minutes, 0),
      capacity,
      introduce: introduce.map(({ id }) => id),
      reviews: due,
      minutes,
    };
  });
}

function reviewsByLesson(
  problem: PlanProblem,
  placed: Placed,
): Map<number, { id: string; minutes: number }[]> {
  const byLesson = new Map<number, { id: string; minutes: number }[]>();
  for (const item of problem.items) {
    const lesson = placed[item.id];
    if (lesson === undefined) continue;
    for (const { after, minutes } of reviewMinutes(item, problem.open ?? false)) {
      if (minutes === 0) continue;
      byLesson.set(lesson + after, [...(byLesson.get(lesson + after) ?? []), { id: item.id, minutes }]);
    }
  }
  return byLesson;
}

const KIND_ORDER = ['quality', 'basic', 'turn', 'pattern', 'drill'];

/** Items of one lesson in an order that keeps needs before what needs them, basics early. */
function inOrder(items: readonly PlanItem[]): PlanItem[] {
  const waiting = [...items].sort((a, b) => KIND_ORDER.indexOf(a.kind) - KIND_ORDER.indexOf(b.kind));
  const ordered: PlanItem[] = [];
  while (waiting.length > 0) {
    const ready = waiting.findIndex(({ needs }) => !waiting.some(({ id }) => needs.includes(id)));
    ordered.push(...waiting.splice(Math.max(ready, 0), 1));
  }
  return ordered;
}

function leftCost(problem: PlanProblem, placed: Placed): number {
  const weights = weightsOf(problem);
  return sum(problem.items, item => (placed[item.id] === undefined ? weights[item.value] : 0));
}

function levelCost(problem: PlanProblem, lessons: readonly PlannedLesson[]): number {
  const weights = weightsOf(problem);
  const shares = lessonShares(problem);
  const judged = lessons.filter((_, index) => (shares[index] ?? 0) > 0);
  const total = sum(judged, lesson => lesson.new);
  const over = lessons.map((lesson, index) => {
    const share = shares[index] ?? 0;
    return share === 0 ? 0 : Math.max(0, (lesson.new - share * total) / 10 - LEVEL_SLACK_MINUTES);
  });
  return weights.level * sum(over, value => value) + weights.largest * Math.max(0, ...over);
}

function lookalikeCost(problem: PlanProblem, placed: Placed): number {
  const taught = taughtLessons(problem);
  const { lookalike } = weightsOf(problem);
  return sum(problem.lookalikes, ([one, other]) => {
    const [a, b] = [placed[one], placed[other]];
    if (a === undefined || b === undefined || (a <= taught && b <= taught)) return 0;
    return doBlur(problem.apart, a, b) ? lookalike : 0;
  });
}

function mixCost(problem: PlanProblem, placed: Placed): number {
  const { mix } = weightsOf(problem);
  const last = lastIntroducing(problem);
  let short = 0;
  for (let lesson = taughtLessons(problem) + 1; lesson <= last; lesson += 1) {
    const here = problem.items.filter(({ id }) => placed[id] === lesson);
    const kinds = MIXED_KINDS.filter(kind => here.some(item => item.kind === kind));
    short += Math.max(0, 2 - kinds.length);
  }
  return mix * short;
}

function movedCost(problem: PlanProblem, placed: Placed): number {
  const { moved } = weightsOf(problem);
  return sum(problem.items, ({ id }) => {
    const before = problem.published?.[id];
    const isTaught = problem.taught?.items[id] !== undefined;
    return before === undefined || isTaught || before === placed[id] ? 0 : moved;
  });
}

function findBroken(problem: PlanProblem, placed: Placed, lessons: readonly PlannedLesson[]): BrokenRule[] {
  const items = new Map(problem.items.map(item => [item.id, item]));
  const ofItems = problem.items.flatMap(item => {
    const lesson = placed[item.id];
    if (lesson === undefined) return brokenByLeaving(problem, item);
    const own = lessonRule(problem, item, lesson);
    if (own?.rule === 'taught' && problem.taught?.items[item.id] === lesson) return [];
    return [
      ...(own ? [{ rule: own.rule, at: item.id, message: own.message, lesson }] : []),
      ...brokenNeeds(problem, item, lesson, placed, items),
    ];
  });
  const ofLessons = lessons.flatMap((lesson, index) =>
    index < taughtLessons(problem) ? [] : brokenInLesson(lesson, index + 1, items),
  );
  return [...ofItems, ...ofLessons];
}

function brokenByLeaving(problem: PlanProblem, item: PlanItem): BrokenRule[] {
  const isPinned = item.pin !== undefined && item.pin > taughtLessons(problem);
  if (!isPinned) return [];
  const message = allowedLessons(problem, item).length
    ? `is pinned to lesson ${item.pin} and cannot be left out`
    : `is pinned to lesson ${item.pin}, which it cannot have`;
  return [{ rule: 'left-out', at: item.id, message }];
}

function brokenNeeds(
  problem: PlanProblem,
  item: PlanItem,
  lesson: number,
  placed: Placed,
  items: ReadonlyMap<string, PlanItem>,
): BrokenRule[] {
  if (problem.taught?.items[item.id] !== undefined) return [];
  return item.needs.flatMap((id): BrokenRule[] => {
    const needLesson = placed[id];
    if (needLesson === undefined)
      return [{ rule: 'need', at: item.id, message: `needs "${id}", which is left out`, lesson }];
    const ready = needLesson + (items.get(id)?.split ? 1 : 0);
    const isMet = problem.open ? needLesson === lesson : ready <= lesson;
    if (isMet) return [];
    const where = problem.open
      ? `in the same lesson, it is in lesson ${needLesson}`
      : `which comes in lesson ${ready}`;
    return [{ rule: 'need', at: item.id, message: `needs "${id}", ${where}`, lesson }];
  });
}

function brokenInLesson(
  planned: PlannedLesson,
  lesson: number,
  items: ReadonlyMap<string, PlanItem>,
): BrokenRule[] {
  const at = `lesson ${lesson}`;
  const over = planned.new + planned.review - planned.capacity;
  const qualities = planned.introduce.filter(id => items.get(id)?.kind === 'quality');
  return [
    ...(over > 0
      ? [
          {
            rule: 'capacity',
            at,
            message: `has ${planned.new / 10} new and ${planned.review / 10} review minutes, ${over / 10} more than fit`,
            lesson,
          } as const,
        ]
      : []),
    ...(qualities.length > 1
      ? [
          {
            rule: 'quality',
            at,
            message: `has ${qualities.length} new qualities; one at a time`,
            lesson,
          } as const,
        ]
      : []),
  ];
}

function sum<Entry>(entries: readonly Entry[], value: (entry: Entry) => number): number {
  return entries.reduce((total, entry) => total + value(entry), 0);
}
