// What would use the minutes that a plan leaves free: each use is tried with the judge, and told with what it takes.
import { isOffered, type Library } from '../library/library.ts';
import type { Course, Pattern } from '../model/document.ts';
import { type Tenths, tenths } from '../model/units.ts';
import { buildPlanProblem, type PlanHistory, secondLook } from './build-problem.ts';
import { allowedLessons } from './domain.ts';
import { judgePlan } from './judge.ts';
import { type Placed, type Placing, type PlanProblem, taughtLessons } from './problem.ts';
import { moveEffect } from './reasons.ts';

export interface SpareUse {
  /**
   * A figure of the course that is left out; one of its level, or of the level above, that is not in the course; or a
   * second look at one that is shaky.
   */
  readonly kind: 'left-out' | 'this-level' | 'next-level' | 'second-look';
  readonly id: string;
  readonly lesson: number;
  /** Tenths that it takes in this lesson. */
  readonly minutes: Tenths;
}

export interface RoomToSpare {
  /** Tenths free in each lesson still to come, in order; 0 in those that are over. */
  readonly free: readonly Tenths[];
  readonly uses: readonly SpareUse[];
}

/** Less than this in one lesson is no room: two minutes. */
const LEAST_FREE = 20;

/**
 * What would use the minutes that are free, in this order: figures left out, those of this level, those of the level above
 * whose needs are met, second looks at `shaky` ones. Each in the lesson where it costs the fewest points and breaks no
 * rule. Costs a judgement for each figure and lesson.
 */
export function roomToSpare(
  library: Library,
  course: Course,
  plan: Placing,
  history: PlanHistory = {},
  shaky: readonly string[] = [],
): RoomToSpare {
  const built = buildPlanProblem(library, course, history);
  if (!built.ok) return { free: [], uses: [] };
  const problem = built.value;
  const free = freeMinutes(problem, plan);
  if (!free.some(minutes => minutes >= LEAST_FREE)) return { free, uses: [] };
  const left = problem.items.filter(({ id }) => plan.placed[id] === undefined);
  const uses = left.flatMap(({ id }) => bestUse('left-out', problem, plan, id));
  const more = moreFigures(library, course).flatMap(({ kind, id }) => {
    const item = { pattern: id, value: 'could' } as const;
    const wider = buildPlanProblem(library, { ...course, items: [...course.items, item] }, history);
    return wider.ok ? bestUse(kind, wider.value, plan, id) : [];
  });
  return { free, uses: [...uses, ...more, ...secondLooks(library, course, plan.placed, free, shaky)] };
}

function freeMinutes(problem: PlanProblem, { placed, ahead }: Placing): readonly Tenths[] {
  const over = taughtLessons(problem);
  return judgePlan(problem, placed, ahead).lessons.map((lesson, index) =>
    tenths(index < over ? 0 : Math.max(0, lesson.capacity - lesson.new - lesson.review)),
  );
}

function bestUse(kind: SpareUse['kind'], problem: PlanProblem, plan: Placing, id: string): SpareUse[] {
  const item = problem.items.find(entry => entry.id === id);
  if (!item) return [];
  const before = judgePlan(problem, plan.placed, plan.ahead);
  const tried = allowedLessons(problem, item)
    .map(lesson => ({ lesson, effect: moveEffect(problem, plan, { [id]: lesson }, before) }))
    .filter(({ effect }) => effect.broken.length === 0)
    .sort((a, b) => a.effect.change.total - b.effect.change.total);
  const [best] = tried;
  if (!best) return [];
  const minutes = best.effect.after.lessons[best.lesson - 1]?.minutes[id] ?? 0;
  return [{ kind, id, lesson: best.lesson, minutes: tenths(minutes) }];
}

/** Figures of the course's level that are not in it, then those of the level above; the shortest way of the library. */
function moreFigures(library: Library, course: Course): { kind: SpareUse['kind']; id: string }[] {
  const own = library.levels.get(course.level ?? '');
  if (!own) return [];
  const inCourse = new Set(course.items.map(({ pattern }) => pattern));
  const above = [...library.levels.values()]
    .filter(level => level.dance === own.dance && level.order > own.order)
    .sort((a, b) => a.order - b.order)[0];
  const ofLevel = (level: string | undefined, kind: SpareUse['kind']) =>
    [...library.patterns.values()]
      .filter(pattern => level !== undefined && isFree(pattern, level, inCourse))
      .map(({ id }) => ({ kind, id }));
  return [...ofLevel(own.id, 'this-level'), ...ofLevel(above?.id, 'next-level')];
}

function isFree(pattern: Pattern, wanted: string, inCourse: ReadonlySet<string>): boolean {
  const { id, level, variantOf } = pattern;
  return isOffered(pattern) && level === wanted && variantOf === undefined && !inCourse.has(id);
}

/** Each shaky figure in the first lesson after its own that has the minutes and does not look at it yet. */
function secondLooks(
  library: Library,
  course: Course,
  placed: Placed,
  free: readonly Tenths[],
  shaky: readonly string[],
): SpareUse[] {
  return shaky.flatMap((id): SpareUse[] => {
    const minutes = secondLook(library, course, id);
    const introduced = placed[id];
    if (minutes === undefined || introduced === undefined) return [];
    const isAgain = course.lessons.some(({ again }) => again?.includes(id));
    const index = free.findIndex((room, at) => at + 1 > introduced && room >= Math.max(LEAST_FREE, minutes));
    return isAgain || index < 0 ? [] : [{ kind: 'second-look', id, lesson: index + 1, minutes }];
  });
}
