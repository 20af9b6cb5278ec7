import { type CourseLesson, lessonCapacity, type PlannedLesson } from '@map-step/core';

/** What fills a lesson, in minutes. */
export interface LessonMinutes {
  readonly length: number;
  readonly fixed: number;
  readonly review: number;
  readonly new: number;
  /** Free of all three; below 0 when the lesson is overfull. */
  readonly free: number;
}

export function lessonMinutes(lesson: CourseLesson, planned: PlannedLesson | undefined): LessonMinutes {
  const capacity = lessonCapacity(lesson);
  const fresh = planned?.new ?? 0;
  const review = planned?.review ?? 0;
  return {
    length: lesson.minutes,
    fixed: Math.round(lesson.minutes * 10 - capacity) / 10,
    review: review / 10,
    new: fresh / 10,
    free: Math.round(capacity - fresh - review) / 10,
  };
}
