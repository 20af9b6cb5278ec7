// From easy to hard: the lesson in which each item would begin if the easiest that may come always came next.
import { groupBy } from '../model/group-by.ts';
import { lessonShares } from './minutes.ts';
import { lastIntroducing, type Placed, type PlanItem, type PlanProblem } from './problem.ts';

const known = new WeakMap<PlanProblem, ReadonlyMap<string, number>>();

/**
 * The place of each item from easy to hard, as a lesson: again and again the easiest item whose needs are taken, its assembly and
 * the elements not yet had added up, the sum cut into the lessons by their shares. Of several dances each has its own items and
 * lessons. What was taught changes nothing. None in an open course. Quadratic in the items, once a problem.
 */
export function easyToHard(problem: PlanProblem): ReadonlyMap<string, number> {
  const places = known.get(problem) ?? placesOf(problem);
  known.set(problem, places);
  return places;
}

function placesOf(problem: PlanProblem): ReadonlyMap<string, number> {
  const places = new Map<string, number>();
  if (problem.open) return places;
  const { taught: _, ...fresh } = problem;
  const shares = lessonShares(fresh);
  for (const items of groupBy(problem.items, ({ allowed }) => allowed?.join(' ') ?? '').values()) {
    const last = lastIntroducing(problem);
    const lessons = (items[0]?.allowed ?? shares.map((_, index) => index + 1)).filter(t => t <= last);
    if (lessons.length === 0) continue;
    const ordered = inOrder(items);
    const begins = runningMinutes(problem, ordered);
    const total = begins.at(-1) ?? 0;
    const sum = lessons.reduce((all, t) => all + (shares[t - 1] ?? 0), 0);
    let lesson = 0;
    let end = total * ((shares[(lessons[0] ?? 1) - 1] ?? 0) / sum);
    for (const [index, { id }] of ordered.entries()) {
      while (lesson < lessons.length - 1 && (begins[index] ?? 0) >= end - TOLERANCE) {
        lesson += 1;
        end += total * ((shares[(lessons[lesson] ?? 1) - 1] ?? 0) / sum);
      }
      places.set(id, lessons[lesson] ?? 1);
    }
  }
  return places;
}

const TOLERANCE = 1e-9;

/** The easiest whose needs are taken first; what has no difficulty counts as easiest, ties keep their order. */
function inOrder(items: readonly PlanItem[]): readonly PlanItem[] {
  const waiting = [...items];
  const ordered: PlanItem[] = [];
  while (waiting.length > 0) {
    const open = waiting.filter(({ needs }) => !waiting.some(({ id }) => needs.includes(id)));
    const first = (open.length > 0 ? open : waiting).reduce((easiest, item) =>
      hardness(item) < hardness(easiest) ? item : easiest,
    );
    waiting.splice(waiting.indexOf(first), 1);
    ordered.push(first);
  }
  return ordered;
}

function hardness({ difficulty = Number.NEGATIVE_INFINITY }: PlanItem): number {
  return difficulty;
}

/** Where each item begins, in tenths, and where the last one ends. */
function runningMinutes(problem: PlanProblem, ordered: readonly PlanItem[]): readonly number[] {
  const had = new Set(problem.known ?? []);
  const begins = [0];
  for (const { assembly, elements } of ordered) {
    const fresh = [...new Set(elements)].filter(element => !had.has(element));
    for (const element of fresh) had.add(element);
    const minutes = fresh.reduce(
      (sum, element) => sum + (problem.elements[element] ?? 0),
      assembly as number,
    );
    begins.push((begins.at(-1) ?? 0) + minutes);
  }
  return begins;
}

/** Lessons beyond one by which an item lies before or after its place; 0 for what has none, was taught or is left out. */
export function lessonsOutOfOrder(problem: PlanProblem, item: PlanItem, lesson: number | undefined): number {
  const place = item.difficulty === undefined ? undefined : easyToHard(problem).get(item.id);
  if (place === undefined || lesson === undefined || problem.taught?.items[item.id] !== undefined) return 0;
  return Math.max(0, Math.abs(lesson - place) - 1);
}

/** The same of a whole plan. */
export function outOfOrder(problem: PlanProblem, placed: Placed): number {
  return problem.items.reduce((sum, item) => sum + lessonsOutOfOrder(problem, item, placed[item.id]), 0);
}
