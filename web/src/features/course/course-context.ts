// What the rooms of a course share, in four parts that change at different moments.
import type {
  CourseAnswer,
  Material,
  SectionAnswer,
  SentEvent,
  SignedInPerson,
  StudioAnswer,
} from '@map-step/contract';
import { type ClassPlan, isOnStaff, type Library, type Placing } from '@map-step/core';
import { createContext, use } from 'react';
import type { WaitingEvent } from '../../api/outbox.ts';
import type { CourseRules, DraftPlan } from './course-view.ts';

/** A course without where its figures lie, which changes far more often, and without its version and history. */
export interface CourseNow extends Pick<CourseAnswer, 'published' | 'sections'> {
  readonly course: CourseRules;
}

/** The course as it is saved, and what it is made of. */
export interface CourseContent {
  readonly me: SignedInPerson;
  readonly today: string;
  readonly studio: StudioAnswer;
  readonly material: Material;
  /** Another one as soon as anything in the material has changed. */
  readonly materialStamp: string;
  readonly library: Library;
  readonly answer: CourseNow;
  /** Lessons that are over: they are planned no more. */
  readonly over: number;
}

/** Where the figures lie. */
export interface PlanContent {
  /** The plan that is looked at: the saved one, or one that is previewed. */
  readonly draft: DraftPlan;
  /** The plan as it is saved. */
  readonly saved: Placing;
  /** A plan shown but not saved, while the planner works. */
  preview(plan: Placing | undefined): void;
}

/** The class that is looked at, when the course has one. */
export interface ClassContent {
  readonly section: SectionAnswer | undefined;
  /** What has not reached the server yet; `section` holds it already. */
  readonly waiting: readonly WaitingEvent[];
  /** Keeps an entry in this browser and sends it as soon as it can be sent. */
  keep(event: SentEvent): void;
  readonly classPlan: ClassPlan | undefined;
}

/** Where the page stands in time. */
export interface PlaceContent {
  /** From 1. */
  readonly lesson: number;
  goTo(lesson: number): void;
  /** So many lessons further, or back when below 0. */
  goBy(lessons: number): void;
}

export const CourseContext = createContext<CourseContent | undefined>(undefined);
export const PlanContext = createContext<PlanContent | undefined>(undefined);
export const ClassContext = createContext<ClassContent | undefined>(undefined);
export const PlaceContext = createContext<PlaceContent | undefined>(undefined);

function inside<Content>(content: Content | undefined): Content {
  if (content === undefined) throw new Error('only inside a course');
  return content;
}

export const useCourse = () => inside(use(CourseContext));
export const usePlan = () => inside(use(PlanContext));
export const useClass = () => inside(use(ClassContext));
export const usePlace = () => inside(use(PlaceContext));

/** True for the director and for who is on the staff of the class on the day of the lesson. */
export function useMayTeach(): boolean {
  const { me } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section) return false;
  return me.role === 'director' || isOnStaff(section.section, me.id, section.section.dates[lesson - 1]);
}
