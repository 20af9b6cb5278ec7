// The rules and the cost of a plan, in the plain form in which they are published; linear in items × lessons.

import { allowedLessons, lessonRule } from './domain.ts';
import { fillLessons, type PlannedLesson } from './fill-lessons.ts';
import { doBlur } from './look-alikes.ts';
import { lessonShares } from './minutes.ts';
import { outOfOrder } from './places.ts';
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
import { findStuck, type StuckItem, stuckLessons } from './stuck.ts';

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
  readonly order: number;
  readonly stuck: number;
  readonly ahead: number;
  readonly moved: number;
}

export interface Judgement {
  readonly lessons: readonly PlannedLesson[];
  readonly cost: PlanCost;
  readonly broken: readonly BrokenRule[];
  readonly left: readonly string[];
  readonly split: readonly string[];
  /** The elements that were taught ahead, and of those that were to be the ones that are. */
  readonly ahead: readonly string[];
  /** What cannot be danced on, or into, for some lessons. */
  readonly stuck: readonly StuckItem[];
}

/** Judges a plan by every rule and every term of the cost; costs in points to 0.01. */
export function judgePlan(problem: PlanProblem, placed: Placed, wanted: readonly string[] = []): Judgement {
  const lessons = fillLessons(problem, placed, wanted);
  const ahead = lessons.flatMap(({ prepare }) => prepare.map(({ id }) => id));
  const toCome = ahead.filter(id => problem.taught?.prepared?.[id] === undefined);
  const left = problem.items.filter(({ id }) => placed[id] === undefined).map(({ id }) => id);
  const stuck = findStuck(problem, placed);
  const terms = {
    left: leftCost(problem, placed),
    level: levelCost(problem, lessons),
    lookalikes: lookalikeCost(problem, placed),
    mix: mixCost(problem, placed),
    order: weightsOf(problem).order * outOfOrder(problem, placed),
    stuck: weightsOf(problem).stuck * stuckLessons(problem, stuck),
    ahead: weightsOf(problem).ahead * toCome.length,
    moved: movedCost(problem, placed),
  };
  const total = Object.values(terms).reduce((sum, points) => sum + points, 0);
  return {
    lessons,
    cost: { total: toHundredth(total), ...terms, level: toHundredth(terms.level) },
    broken: findBroken(problem, placed, lessons),
    left,
    ahead,
    stuck,
    split: problem.items.filter(item => item.split && placed[item.id] !== undefined).map(({ id }) => id),
  };
}

/** Weights by which a mend compares: first what is left out, then how many moved, then the rest. */
export const MEND_WEIGHTS = { left: 10_000, moved: 600 } as const;

/** By this plans are compared, the least is the best: by their cost, in a mend by its terms one after the other. */
export function planRank(problem: PlanProblem, cost: PlanCost): number {
  if (taughtLessons(problem) === 0) return cost.total;
  return (
    cost.left * MEND_WEIGHTS.left + cost.moved * MEND_WEIGHTS.moved + (cost.total - cost.left - cost.moved)
  );
}

function toHundredth(points: number): number {
  return Math.round(points * 100 + 1e-9) / 100;
}

function weightsOf(problem: PlanProblem): typeof COST_WEIGHTS {
  return { ...COST_WEIGHTS, ...problem.weights };
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
