import type { Library } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import { tenths } from '../model/units.ts';
import { describePlan, type PlanAnswer } from '../plan/answer.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import type { Placed, PlanItem, PlanProblem } from '../plan/problem.ts';
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
  published: Placed,
  history: ClassHistory,
): Result<ClassPlan, readonly string[]> {
  // A class may have more evenings than its course has lessons now.
  const over = Math.min(history.over ?? 0, course.lessons.length);
  const progress = classProgress({ ...history, over });
  let supposed: Placed = {};
  for (const lesson of progress.unwritten) {
    const before = withSupposed(classProgress(historyBefore(history, lesson)), supposed);
    const plan = planFrom(library, course, published, before);
    if (!plan.ok) return plan;
    const { placed } = plan.value.answer;
    const isToCome = (id: string) => before.taught[id] === undefined || before.begun.includes(id);
    const tonight = Object.keys(placed).filter(id => placed[id] === lesson && isToCome(id));
    supposed = { ...supposed, ...Object.fromEntries(tonight.map(id => [id, lesson])) };
  }
  const plan = planFrom(library, course, published, withSupposed(progress, supposed));
  return plan.ok ? success({ ...plan.value, supposed }) : plan;
}

function historyBefore({ logs, recaps }: ClassHistory, lesson: number): ClassHistory {
  return {
    logs: logs.filter(log => log.lesson < lesson),
    recaps: recaps.filter(recap => recap.lesson < lesson),
    over: lesson - 1,
  };
}

function withSupposed(progress: ClassProgress, supposed: Placed): ClassProgress {
  const isOpen = (id: string) => supposed[id] === undefined;
  return {
    ...progress,
    taught: { ...supposed, ...progress.taught },
    carried: progress.carried.filter(isOpen),
    begun: progress.begun.filter(isOpen),
  };
}

function planFrom(
  library: Library,
  course: Course,
  published: Placed,
  progress: ClassProgress,
): Result<Omit<ClassPlan, 'supposed'>, readonly string[]> {
  const followed = course.items.filter(
    ({ pattern }) => published[pattern] !== undefined || progress.taught[pattern] !== undefined,
  );
  const isOver = (id: string) =>
    followed.some(({ pattern }) => pattern === id) && !progress.begun.includes(id);
  const taught = Object.fromEntries(Object.entries(progress.taught).filter(([id]) => isOver(id)));
  const past = progress.lessons > 0 ? { taught: { lessons: progress.lessons, items: taught } } : {};
  const built = buildPlanProblem(library, { ...course, items: followed }, { published, ...past });
  if (!built.ok) return failure(built.fault);
  const problem = withHalves(built.value, progress.begun);
  const answer =
    progress.lessons === 0 ? describePlan(problem, published, AS_IT_IS) : mend(problem, progress);
  const moved = followed
    .map(({ pattern }) => pattern)
    .filter(id => taught[id] === undefined && answer.placed[id] !== published[id]);
  return success({ answer, progress, moved });
}

/** What was begun takes half its minutes when it comes back; its elements have been met. */
function withHalves(problem: PlanProblem, begun: readonly string[]): PlanProblem {
  const known = new Set(problem.known);
  for (const { id, elements } of problem.items)
    if (problem.taught?.items[id] !== undefined) for (const element of elements) known.add(element);
  const halved = problem.items.map((item): PlanItem => {
    if (!begun.includes(item.id)) return item;
    const whole = item.elements
      .filter(id => !known.has(id))
      .reduce<number>((sum, id) => sum + (problem.elements[id] ?? 0), item.assembly);
    const { split: _, ...rest } = item;
    return { ...rest, assembly: tenths(Math.ceil(whole / 2)) };
  });
  const met = problem.items.filter(({ id }) => begun.includes(id)).flatMap(({ elements }) => elements);
  return { ...problem, items: halved, known: [...new Set([...(problem.known ?? []), ...met])] };
}

function mend(problem: PlanProblem, progress: ClassProgress): Omit<PlanAnswer, 'seconds'> {
  const next = progress.lessons + 1;
  const carried = new Set([...progress.carried, ...progress.begun]);
  const pinned: PlanProblem = {
    ...problem,
    items: problem.items.map(item => (carried.has(item.id) ? { ...item, pin: next } : item)),
  };
  const untouched = { ...problem.published, ...problem.taught?.items };
  const asPublished = describePlan(problem, untouched, AS_IT_IS);
  if (carried.size === 0 && asPublished.broken.length === 0) return asPublished;
  if (carried.size > 0 && findProblemFaults(pinned).length === 0) {
    const answer = solvePlan(pinned, { seed: 1, budget: MEND_BUDGET, start: untouched });
    if (answer.broken.length === 0) return describePlan(problem, answer.placed, answer);
  }
  return solvePlan(problem, { seed: 1, budget: MEND_BUDGET, start: untouched });
}
