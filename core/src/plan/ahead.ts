// Elements taught ahead: a hold, a rhythm or a turn of three minutes or more may be shown a lesson before its first figure.
import { knownElements, type Placed, type PlanProblem, taughtLessons } from './problem.ts';

/** Tenths of a minute below which an element is taught with its figure. */
const LEAST_AHEAD = 30;

const known = new WeakMap<PlanProblem, ReadonlySet<string>>();

/** The elements that may come ahead, whatever is placed where; kept per problem. */
export function mayComeAhead(problem: PlanProblem): ReadonlySet<string> {
  const may = known.get(problem) ?? findMayComeAhead(problem);
  known.set(problem, may);
  return may;
}

function findMayComeAhead(problem: PlanProblem): ReadonlySet<string> {
  const { ahead, open, items, elements } = problem;
  if (!ahead || open) return new Set();
  const barred = new Set([
    ...knownElements(problem),
    ...items.flatMap(item => (item.allowed ? item.elements : [])),
  ]);
  const used = new Set(items.flatMap(item => item.elements));
  return new Set([...used].filter(id => !barred.has(id) && (elements[id] ?? 0) >= LEAST_AHEAD));
}

/**
 * The lesson in which each of these elements is taught ahead: the one before the first that has an item with it. What cannot come
 * ahead, or would come in a lesson that is over, is not in it: it is taught with its figure. What was taught ahead stands.
 */
export function aheadLessons(
  problem: PlanProblem,
  placed: Placed,
  ahead: readonly string[],
): ReadonlyMap<string, number> {
  const lessons = new Map(Object.entries(problem.taught?.prepared ?? {}));
  const may = mayComeAhead(problem);
  const taught = taughtLessons(problem);
  for (const element of new Set(ahead)) {
    if (!may.has(element)) continue;
    const users = problem.items.filter(({ elements }) => elements.includes(element));
    const first = Math.min(...users.map(({ id }) => placed[id] ?? Number.POSITIVE_INFINITY));
    if (Number.isFinite(first) && first - 1 > taught) lessons.set(element, first - 1);
  }
  return lessons;
}
