import type { Library } from '../library/library.ts';
import type { Course, Log, Recap } from '../model/document.ts';
import { failure, type Result, success } from '../model/result.ts';
import { tenths } from '../model/units.ts';
import { describePlan, type PlanAnswer } from '../plan/answer.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import type { Placed, PlanItem, PlanProblem } from '../plan/problem.ts';
import { solvePlan } from '../plan/solve.ts';
import { findProblemFaults } from '../plan/validate.ts';
import { type ClassProgress, classProgress } from './progress.ts';

export interface ClassPlan {
  readonly answer: Omit<PlanAnswer, 'seconds'>;
  readonly progress: ClassProgress;
  /** Figures that lie in another lesson than published, or nowhere. */
  readonly moved: readonly string[];
}

/** What a class's plan may cost to mend: some 150 ms, and on nearly all problems the fewest moves there are. */
export const MEND_BUDGET = { kind: 'work', work: 60_000 } as const;
const AS_IT_IS = { ended: 'work' } as const;

/**
 * The plan of one class: the published plan, mended from what was really taught with the fewest moves; what
 * was not reached goes to the next lesson where the rules let it; what was only touched comes back there as new, with
 * half its minutes. The same logs give the same plan.
 */
export function planClass(
  library: Library,
  course: Course,
  published: Placed,
  events: { readonly logs: readonly Log[]; readonly recaps: readonly Pick<Recap, 'lesson'>[] },
): Result<ClassPlan, readonly string[]> {
  const progress = classProgress(events.logs, events.recaps);
  const followed = course.items.filter(
    ({ pattern }) => published[pattern] !== undefined || progress.taught[pattern] !== undefined,
  );
  const isOver = (id: string) =>
    followed.some(({ pattern }) => pattern === id) && !progress.begun.includes(id);
  const taught = Object.fromEntries(Object.entries(progress.taught).filter(([id]) => isOver(id)));
  const history = progress.lessons > 0 ? { taught: { lessons: progress.lessons, items: taught } } : {};
  const built = buildPlanProblem(library, { ...course, items: followed }, { published, ...history });
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
