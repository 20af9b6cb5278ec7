import type {
  AttendanceEntry,
  CourseAnswer,
  LogEntry,
  Material,
  SectionAnswer,
  SignedInPerson,
  StudioAnswer,
} from '@map-step/contract';
import {
  buildPlanProblem,
  type ClassPlan,
  type Course,
  type Judgement,
  judgePlan,
  type Library,
  type Placed,
  type PlanProblem,
  type PlanVersion,
} from '@map-step/core';
import { createContext, use } from 'react';
import type { WaitingEvent } from '../../api/outbox.ts';

export type LessonEvent =
  | { readonly kind: 'log'; readonly entry: LogEntry }
  | { readonly kind: 'attendance'; readonly entry: AttendanceEntry };

export function studentCount({ counts }: Pick<SectionAnswer, 'counts'>): number {
  return counts.lead + counts.follow + counts.solo;
}

/** True for whom the names in a class are not meant: then they are not told either. */
export function areNamesHidden(section: Pick<SectionAnswer, 'counts' | 'students'>): boolean {
  return section.students.length === 0 && studentCount(section) > 0;
}

/** A course without what each change of it makes new. */
export type CourseNow = Pick<CourseAnswer, 'course' | 'published' | 'sections'>;

/** How a course came to be as it is. */
export type CoursePast = Pick<CourseAnswer, 'version' | 'history'>;

/** All that the rooms of a course share. */
export interface CourseView {
  readonly me: SignedInPerson;
  readonly today: string;
  readonly studio: StudioAnswer;
  readonly material: Material;
  /** Another one as soon as anything in the material has changed. */
  readonly materialStamp: string;
  readonly library: Library;
  readonly answer: CourseNow;
  /** The class that is looked at, when the course has one. */
  readonly section: SectionAnswer | undefined;
  /** What has not reached the server yet; `section` holds it already. */
  readonly waiting: readonly WaitingEvent[];
  /** Keeps an entry in this browser and sends it as soon as it can be sent. */
  keep(event: LessonEvent): void;
  /** True for the director and for who is on the staff of the class on the day of the lesson. */
  readonly mayTeach: boolean;
  readonly classPlan: ClassPlan | undefined;
  /** The plan that is looked at: the saved one, or one that is previewed. */
  readonly draft: DraftPlan;
  /** Where the figures lie in the plan as it is saved. */
  readonly saved: Placed;
  /** From 1. */
  readonly lesson: number;
  goTo(lesson: number): void;
  /** So many lessons further, or back when below 0. */
  goBy(lessons: number): void;
  /** A plan shown but not saved, while the planner works. */
  preview(placed: Placed | undefined): void;
}

/** The course's plan under the director's hands, with what it costs and breaks. */
export interface DraftPlan {
  readonly placed: Placed;
  readonly problem: PlanProblem | undefined;
  readonly judgement: Judgement | undefined;
  /** Why the course cannot be planned at all. */
  readonly faults: readonly string[];
}

export const CourseViewContext = createContext<CourseView | undefined>(undefined);

/**
 * The view of what may be drawn a little later. A context of its own: below a second provider of the same context
 * all would be drawn again at every change of the first.
 */
export const LaterCourseViewContext = createContext<CourseView | undefined>(undefined);

export function useCourseView(): CourseView {
  const view = use(LaterCourseViewContext) ?? use(CourseViewContext);
  if (!view) throw new Error('only inside a course');
  return view;
}

/** A context of its own: a change that was saved leaves all else as it was drawn already. */
export const CoursePastContext = createContext<CoursePast | undefined>(undefined);

export function useCoursePast(): CoursePast {
  const past = use(CoursePastContext);
  if (!past) throw new Error('only inside a course');
  return past;
}

export function placedOf(plan: Pick<PlanVersion, 'placed'> | Pick<Course, 'placed'> | null): Placed {
  return Object.fromEntries((plan?.placed ?? []).map(({ pattern, lesson }) => [pattern, lesson]));
}

/** The planning problem of a course, against the published plan where there is one. */
export function problemOf(
  library: Library,
  course: Course,
  published: PlanVersion | null,
): ReturnType<typeof buildPlanProblem> {
  return buildPlanProblem(library, course, published ? { published: placedOf(published) } : {});
}

/** Judges a placing of the course's items. */
export function draftPlan(built: ReturnType<typeof buildPlanProblem>, placed: Placed): DraftPlan {
  if (!built.ok) return { placed, problem: undefined, judgement: undefined, faults: built.fault };
  return { placed, problem: built.value, judgement: judgePlan(built.value, placed), faults: [] };
}
