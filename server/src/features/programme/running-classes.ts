import {
  addDays,
  type Course,
  keptPlacing,
  type Placed,
  type Placing,
  type PlanVersion,
  type Section,
} from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { readableRows, type WrittenRow } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { STUDENTS } from '../courses/course-aggregate.ts';

/** A class is on the first page from a week before its first evening until two weeks after its last. */
const DAYS_BEFORE = 7;
const DAYS_AFTER = 14;
const MOST = 300;

export interface RunningClass {
  /** Without its students. */
  readonly section: Section;
  readonly students: number;
  readonly course: Course;
  /** The plan that its teachers follow. */
  readonly plan: Placed;
}

/** The classes that run on a day, by their hour. */
export async function listRunning(scope: StudioScope, today: string): Promise<readonly RunningClass[]> {
  const rows = await scope.select<WrittenRow<Section> & { student_count: number }>(
    `SELECT 'listed/' || id AS id, xmin::text, jsonb_set(body, '{students}', '[]') AS body, ${STUDENTS} AS student_count
     FROM sections s WHERE studio_id = $1 AND last_date >= $2 AND body -> 'dates' ->> 0 <= $3
     ORDER BY body ->> 'start', position LIMIT ${MOST}`,
    [addDays(today, -DAYS_AFTER), addDays(today, DAYS_BEFORE)],
  );
  const sections = await readableRows(scope, 'sections', rows);
  const ids = [...new Set(sections.map(({ body }) => body.course))];
  const courses = new Map((await documentStore(scope, 'courses').listSome(ids)).map(one => [one.id, one]));
  const plans = await publishedPlans(scope, ids);
  return sections.flatMap(({ body: section, student_count: students }) => {
    const course = courses.get(section.course);
    return course ? [{ section, students, course, plan: plans.get(course.id)?.placed ?? {} }] : [];
  });
}

/** The plans of some courses as they were published last; nothing of those that never were. */
export async function publishedPlans(
  scope: StudioScope,
  courses: readonly string[],
): Promise<ReadonlyMap<string, Placing>> {
  const rows = await scope.select<{ course_id: string; body: PlanVersion }>(
    `SELECT DISTINCT ON (course_id) course_id, body FROM plans
     WHERE studio_id = $1 AND course_id = ANY($2) AND (body -> 'published')::boolean ORDER BY course_id, id DESC`,
    [courses],
  );
  return new Map(rows.map(({ course_id, body }) => [course_id, keptPlacing(body)]));
}
