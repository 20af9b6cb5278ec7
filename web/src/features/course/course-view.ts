import type { SectionAnswer } from '@map-step/contract';
import {
  buildPlanProblem,
  type Course,
  type Judgement,
  judgePlan,
  keptPlacing,
  type Library,
  type Placing,
  type PlanProblem,
  type PlanVersion,
  taughtAsPlanned,
} from '@map-step/core';

export function studentCount({ counts }: Pick<SectionAnswer, 'counts'>): number {
  return counts.lead + counts.follow + counts.solo;
}

/** True for whom the names in a class are not meant: then they are not told either. */
export function areNamesHidden(section: Pick<SectionAnswer, 'counts' | 'students'>): boolean {
  return section.students.length === 0 && studentCount(section) > 0;
}

/** What a course is planned by: all of it but where its figures lie. */
export type CourseRules = Omit<Course, 'placed' | 'placedAhead'>;

/** The course's plan under the director's hands, with what it costs and breaks. */
export interface DraftPlan extends Placing {
  readonly problem: PlanProblem | undefined;
  readonly judgement: Judgement | undefined;
  /** Why the course cannot be planned at all. */
  readonly faults: readonly string[];
}

/**
 * The planning problem of a course: what its classes have not had yet, against the published plan where there is one.
 * Where nothing is published they follow the plan as it is saved.
 */
export function problemOf(
  library: Library,
  course: CourseRules,
  { published, over, saved }: { published: PlanVersion | null; over: number; saved: Placing },
): ReturnType<typeof buildPlanProblem> {
  const followed = published ? keptPlacing(published) : saved;
  const taught = taughtAsPlanned(course, followed.placed, over);
  return buildPlanProblem(library, course, {
    ...(published && { published: followed.placed }),
    followed,
    ...(taught && { taught }),
  });
}

/** Judges a placing of the course's items. */
export function draftPlan(built: ReturnType<typeof buildPlanProblem>, plan: Placing): DraftPlan {
  if (!built.ok) return { ...plan, problem: undefined, judgement: undefined, faults: built.fault };
  const judgement = judgePlan(built.value, plan.placed, plan.ahead);
  return { ...plan, problem: built.value, judgement, faults: [] };
}

/** The lesson that was asked for, else the next one to teach. */
export function chooseLesson(count: number, asked: string | null, behind: number): number {
  const number = Number(asked ?? behind + 1);
  return Number.isInteger(number) ? Math.min(count, Math.max(1, number)) : 1;
}
