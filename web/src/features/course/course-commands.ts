import type { CourseAnswer, CourseCommand, DocumentCommand } from '@map-step/contract';
import { type Course, placedInOrder } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { Aggregate, Commands } from '../../api/commands.ts';
import { findUndo } from '../../api/find-undo.ts';
import { useCommands, useIsSaving } from '../../api/use-commands.ts';
import { useCourse } from './course-context.ts';
import { courseQuery, keys } from './course-queries.ts';

/** What a course has besides edits and their undo: its plan is published, or kept by a name. */
type PlanCommand = Exclude<CourseCommand, DocumentCommand>;

/** A course under the hands of who may change it. */
export function courseAggregate(id: string): Aggregate<CourseAnswer, Course, PlanCommand> {
  return {
    key: keys.course(id),
    read: () => call('course.read', { params: { course: id } }),
    send: (command, seen) =>
      call('course.command', { params: { course: id }, body: { seen, command }, outlives: true }),
    bodyOf: ({ course }) => course,
    withBody: (answer, course) => ({ ...answer, course: placedInOrder(course) }),
    versionOf: ({ version }) => version,
    historyOf: ({ history }) => history,
    onSaved: client => void client.invalidateQueries({ queryKey: keys.courses }),
  };
}

export type CourseCommands = Commands<Course, PlanCommand>;

/** Changes of the course that is open: where its figures lie, its lessons, its rules. */
export function useCourseCommands(): CourseCommands {
  const { answer, me } = useCourse();
  return useCommands(courseAggregate(answer.course.id), me.id);
}

export function useIsSavingCourse(): boolean {
  const { answer } = useCourse();
  return useIsSaving(keys.course(answer.course.id));
}

/** How the course came to be as it is: its version, and what of one's own changes can be taken back. */
export function useCoursePast() {
  const { answer, me } = useCourse();
  const { data } = useQuery({
    ...courseQuery(answer.course.id),
    select: ({ version, history }) => {
      const { undo, redo } = findUndo(history, me.id);
      return { version, canUndo: undo !== undefined, canRedo: redo !== undefined };
    },
  });
  return data ?? { version: 0, canUndo: false, canRedo: false };
}
