import type { CourseAnswer, CourseCommand } from '@map-step/contract';
import type { Course, PlanVersion } from '@map-step/core';
import { type PlannedChange, planEdit, planUndo, runCommand, stale } from '../../aggregates/aggregate.ts';
import type { Stored } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { addPlans } from '../studio/studio-store.ts';
import { courseAggregate, readCourse } from './course-aggregate.ts';

export interface CourseOrder {
  readonly course: string;
  readonly person: string;
  readonly now: Date;
  /** The version the person looked at. */
  readonly seen: number;
  readonly command: CourseCommand;
}

export async function runCourseCommand(scope: StudioScope, order: CourseOrder): Promise<CourseAnswer> {
  const { command, course, person, seen, now } = order;
  const aggregate = courseAggregate(scope, course);
  await runCommand(aggregate, person, async (stored): Promise<PlannedChange> => {
    switch (command.kind) {
      case 'edit':
        return planEdit(aggregate, command);
      case 'undo':
        return planUndo(aggregate, command.of);
      case 'publish':
      case 'keep':
        if (seen !== stored.version)
          throw await stale(aggregate, [], 'The course has changed since you looked.');
        return addVersion(scope, stored, command, { by: person, at: now.toISOString() });
      default:
        return command satisfies never;
    }
  });
  return readCourse(scope, course);
}

/** Keeps the plan as it is now by a name; a published one is what the classes follow from now on. */
function addVersion(
  scope: StudioScope,
  { body: course }: Stored<Course>,
  { kind, name, note }: Extract<CourseCommand, { kind: 'publish' | 'keep' }>,
  stamp: Pick<PlanVersion, 'by' | 'at'>,
): PlannedChange {
  const placed = course.placed ?? [];
  const isPlaced = new Set(placed.map(({ pattern }) => pattern));
  const left = course.items.map(({ pattern }) => pattern).filter(id => !isPlaced.has(id));
  const plan: PlanVersion = {
    course: course.id,
    name,
    ...stamp,
    ...(note && { note }),
    published: kind === 'publish',
    placed,
    ...(course.placedAhead && { ahead: course.placedAhead }),
    left,
  };
  return { kind, what: name, changes: [], also: () => addPlans(scope, [plan]) };
}
