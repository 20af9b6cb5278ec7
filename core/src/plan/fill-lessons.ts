// What a plan comes to evening by evening: what is introduced, in which order, what is reviewed, and the minutes of both.
import { aheadLessons } from './ahead.ts';
import { alongMinutes, takenAlongBy } from './along.ts';
import { reviewMinutes, teachingMinutes } from './minutes.ts';
import type { Placed, PlanItem, PlanProblem } from './problem.ts';

/** A review of an item; `within` takes it along, for half its minutes. */
export interface PlannedReview {
  readonly id: string;
  readonly minutes: number;
  readonly within?: string;
}

export interface PreparedElement {
  readonly id: string;
  readonly minutes: number;
}

export interface PlannedLesson {
  /** Tenths of a minute. */
  readonly new: number;
  readonly review: number;
  readonly capacity: number;
  /** Topological, basics first. */
  readonly introduce: readonly string[];
  /** Elements taught ahead of the next lesson; `new` holds their minutes. */
  readonly prepare: readonly PreparedElement[];
  readonly reviews: readonly PlannedReview[];
  /** Tenths that each introduced item takes here: its assembly and the elements that come with it. */
  readonly minutes: { readonly [id: string]: number };
}

/** The lessons of a plan, filled; linear in items × lessons. */
export function fillLessons(
  problem: PlanProblem,
  placed: Placed,
  ahead: readonly string[] = [],
): PlannedLesson[] {
  const prepared = aheadLessons(problem, placed, ahead);
  const paid = new Set([...(problem.known ?? []), ...prepared.keys()]);
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
    const prepare = [...prepared].flatMap(([id, at]) =>
      at === lesson ? [{ id, minutes: problem.elements[id] ?? 0 }] : [],
    );
    return {
      new: [...Object.values(minutes), ...prepare.map(entry => entry.minutes)].reduce(
        (sum, value) => sum + value,
        0,
      ),
      review: due.reduce((sum, review) => sum + review.minutes, 0),
      capacity,
      introduce: introduce.map(({ id }) => id),
      prepare,
      reviews: due,
      minutes,
    };
  });
}

function reviewsByLesson(problem: PlanProblem, placed: Placed): Map<number, PlannedReview[]> {
  const byLesson = new Map<number, PlannedReview[]>();
  for (const item of problem.items) {
    const lesson = placed[item.id];
    if (lesson === undefined) continue;
    for (const { after, minutes } of reviewMinutes(item, problem.open ?? false)) {
      if (minutes === 0) continue;
      const within = takenAlongBy(problem, placed, { id: item.id, lesson: lesson + after });
      const review = within
        ? { id: item.id, minutes: alongMinutes(minutes), within }
        : { id: item.id, minutes };
      byLesson.set(lesson + after, [...(byLesson.get(lesson + after) ?? []), review]);
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
