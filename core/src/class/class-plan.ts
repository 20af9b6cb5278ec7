import type { Library } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import { type Tenths, tenths } from '../model/units.ts';
import { describePlan, type PlanAnswer } from '../plan/answer.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import type { PlannedLesson } from '../plan/fill-lessons.ts';
import type { Placed, Placing, PlanItem, PlanProblem } from '../plan/problem.ts';
import { solvePlan } from '../plan/solve.ts';
import { findProblemFaults } from '../plan/validate.ts';
import { type ClassHistory, type ClassProgress, classProgress } from './progress.ts';

export interface ClassPlan {
  readonly answer: Omit<PlanAnswer, 'seconds'>;
  /** Of lessons of which nothing was written it is taken that they went as planned. */
  readonly progress: ClassProgress;
  /** The figures of those lessons, with their lesson. */
  readonly supposed: Placed;
  /** Figures that lie in another lesson than published, or nowhere. */
  readonly moved: readonly string[];
}

/** What a class's plan may cost to mend: some 150 ms, and on nearly all problems the fewest moves there are. */
export const MEND_BUDGET = { kind: 'work', work: 60_000 } as const;
const AS_IT_IS = { ended: 'work' } as const;

/**
 * The plan of one class: the published plan, mended from what was really taught with the fewest moves; what
 * was not reached goes to the next lesson where the rules let it; what was only touched comes back there as new, with
 * half its minutes. An evening of which nobody wrote is taken to have gone as the class's plan then was. The same logs give
 * the same plan. One more mend for each unwritten evening.
 */
export function planClass(
  library: Library,
  course: Course,
  published: Placing,
  history: ClassHistory,
): Result<ClassPlan, readonly string[]> {
  // A class may have more evenings than its course has lessons now.
  const over = Math.min(history.over ?? 0, course.lessons.length);
  const progress = classProgress({ ...history, over });
  let supposed: Supposed = { placed: {}, prepared: {} };
  for (const lesson of progress.unwritten) {
    const before = withSupposed(classProgress(historyBefore(history, lesson)), supposed);
    const plan = planFrom(library, course, published, before);
    if (!plan.ok) return plan;
    const { placed, lessons } = plan.value.answer;
    const isToCome = (id: string) => before.taught[id] === undefined || before.begun.includes(id);
    const tonight = Object.keys(placed).filter(id => placed[id] === lesson && isToCome(id));
    const prepared = lessons[lesson - 1]?.prepare ?? [];
    supposed = {
      placed: { ...supposed.placed, ...Object.fromEntries(tonight.map(id => [id, lesson])) },
      prepared: { ...supposed.prepared, ...Object.fromEntries(prepared.map(({ id }) => [id, lesson])) },
    };
  }
  const plan = planFrom(library, course, published, withSupposed(progress, supposed));
  return plan.ok ? success({ ...plan.value, supposed: supposed.placed }) : plan;
}

function historyBefore({ logs, recaps }: ClassHistory, lesson: number): ClassHistory {
  return {
    logs: logs.filter(log => log.lesson < lesson),
    recaps: recaps.filter(recap => recap.lesson < lesson),
    over: lesson - 1,
  };
}

/** What is taken to have been taught in lessons of which nobody wrote: figures and what came ahead of them. */
interface Supposed {
  readonly placed: Placed;
  readonly prepared: ClassProgress['prepared'];
}

function withSupposed(progress: ClassProgress, supposed: Supposed): ClassProgress {
  const isOpen = (id: string) => supposed.placed[id] === undefined;
  return {
    ...progress,
    taught: { ...supposed.placed, ...progress.taught },
    prepared: { ...supposed.prepared, ...progress.prepared },
    carried: progress.carried.filter(isOpen),
    begun: progress.begun.filter(isOpen),
    returned: {
      ...progress.returned,
      ...Object.fromEntries(Object.entries(supposed.placed).filter(([id]) => progress.begun.includes(id))),
    },
  };
}

function planFrom(
  library: Library,
  course: Course,
  published: Placing,
  progress: ClassProgress,
): Result<Omit<ClassPlan, 'supposed'>, readonly string[]> {
  const followed = course.items.filter(
    ({ pattern }) => published.placed[pattern] !== undefined || progress.taught[pattern] !== undefined,
  );
  const { lessons, begun, returned, prepared } = progress;
  const reached = Object.fromEntries(
    Object.entries(progress.taught).filter(([id]) => followed.some(({ pattern }) => pattern === id)),
  );
  const isOver = (id: string) => !begun.includes(id);
  const taught = Object.fromEntries(
    Object.entries({ ...reached, ...pick(returned, reached) }).filter(([id]) => isOver(id)),
  );
  const build = (items: Placed) =>
    buildPlanProblem(
      library,
      { ...course, items: followed },
      {
        published: published.placed,
        ...(lessons > 0 && { taught: { lessons, items, prepared } }),
      },
    );
  const built = build(taught);
  if (!built.ok) return failure(built.fault);
  const again = [...begun, ...Object.keys(returned)];
  const first = again.length > 0 ? firstTimes(build(reached)) : [];
  const problem = withHalves(built.value, halvesOf(again, first));
  const mended =
    lessons === 0 ? describePlan(problem, published, AS_IT_IS) : mend(problem, published.ahead, progress);
  const answer = { ...mended, lessons: withFirstTimes(mended.lessons, first, lessons, new Set(again)) };
  const moved = followed
    .map(({ pattern }) => pattern)
    .filter(id => taught[id] === undefined && answer.placed[id] !== published.placed[id]);
  return success({ answer, progress, moved });
}

function pick(from: Placed, of: Placed): Placed {
  return Object.fromEntries(Object.entries(from).filter(([id]) => of[id] !== undefined));
}

/** The lessons that are over, with each figure where it was first reached. */
function firstTimes(problem: Result<PlanProblem, readonly string[]>): readonly PlannedLesson[] {
  if (!problem.ok) return [];
  return describePlan(problem.value, { placed: problem.value.taught?.items ?? {}, ahead: [] }, AS_IT_IS)
    .lessons;
}

/** Half of the minutes that each of these had when it was first reached. */
function halvesOf(ids: readonly string[], first: readonly PlannedLesson[]): ReadonlyMap<string, Tenths> {
  const wholeOf = (id: string) => sumOf(first.map(({ minutes }) => minutes[id] ?? 0));
  return new Map(ids.map(id => [id, tenths(Math.ceil(wholeOf(id) / 2))]));
}

/**
 * The lessons that are over as they were planned: what was only touched took its whole minutes the first time, and those
 * that came back half of them then. The plan itself holds each figure once, where it came last.
 */
function withFirstTimes(
  planned: readonly PlannedLesson[],
  first: readonly PlannedLesson[],
  over: number,
  again: ReadonlySet<string>,
): readonly PlannedLesson[] {
  return planned.map((lesson, index) => {
    const then = first[index];
    if (!then || index >= over) return lesson;
    const back = lesson.introduce.filter(id => again.has(id));
    const minutes = {
      ...then.minutes,
      ...Object.fromEntries(back.map(id => [id, lesson.minutes[id] ?? 0])),
    };
    const reviews = [
      ...then.reviews.filter(({ id }) => !again.has(id)),
      ...lesson.reviews.filter(({ id }) => again.has(id)),
    ];
    return {
      ...then,
      introduce: [...then.introduce.filter(id => !back.includes(id)), ...back],
      minutes,
      reviews,
      new: sumOf([...Object.values(minutes), ...then.prepare.map(entry => entry.minutes)]),
      review: sumOf(reviews.map(review => review.minutes)),
    };
  });
}

const sumOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);

/** What was begun takes half its minutes when it comes back; its elements have been met. */
function withHalves(problem: PlanProblem, halves: ReadonlyMap<string, Tenths>): PlanProblem {
  const halved = problem.items.map((item): PlanItem => {
    const half = halves.get(item.id);
    if (half === undefined) return item;
    const { split: _, ...rest } = item;
    return { ...rest, assembly: half };
  });
  const met = problem.items.filter(({ id }) => halves.has(id)).flatMap(({ elements }) => elements);
  return { ...problem, items: halved, known: [...new Set([...(problem.known ?? []), ...met])] };
}

function mend(
  problem: PlanProblem,
  ahead: readonly string[],
  progress: ClassProgress,
): Omit<PlanAnswer, 'seconds'> {
  const next = progress.lessons + 1;
  const carried = new Set([...progress.carried, ...progress.begun]);
  const pinned: PlanProblem = {
    ...problem,
    items: problem.items.map(item => (carried.has(item.id) ? { ...item, pin: next } : item)),
  };
  const untouched = { placed: { ...problem.published, ...problem.taught?.items }, ahead };
  const asPublished = describePlan(problem, untouched, AS_IT_IS);
  if (carried.size === 0 && asPublished.broken.length === 0) return asPublished;
  if (carried.size > 0 && findProblemFaults(pinned).length === 0) {
    const answer = solvePlan(pinned, { seed: 1, budget: MEND_BUDGET, start: untouched });
    if (answer.broken.length === 0) return describePlan(problem, answer, answer);
  }
  return solvePlan(problem, { seed: 1, budget: MEND_BUDGET, start: untouched });
}
