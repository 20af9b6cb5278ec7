import type {
  CourseListAnswer,
  CourseSummary,
  CourseVersionsAnswer,
  SectionSummary,
} from '@map-step/contract';
import type { PlanVersion, Section } from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import { readable, readableRows, type WrittenRow } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

import { BEHIND, courseAggregate, STUDENTS } from './course-aggregate.ts';

const PAGE = 60;
const NEWEST_COURSES = 20;

/**
 * The courses of the newest classes, and the newest courses, which may have no class yet. Lists only, so the
 * cost is that of a page, however large the studio.
 */
export async function listCourses(scope: StudioScope, page: number): Promise<CourseListAnswer> {
  const newest = await listSections(scope, page);
  const sections = newest.slice(0, PAGE);
  const fresh = page === 0 ? await newestCourses(scope) : [];
  const ids = [...new Set([...sections.map(({ course }) => course), ...fresh])];
  const rows = await scope.select<Omit<CourseSummary, 'sections'>>(
    `SELECT id, body ->> 'name' AS name, body -> 'dances' AS dances, body ->> 'level' AS level,
       jsonb_array_length(body -> 'lessons') AS lessons, jsonb_array_length(body -> 'items') AS items,
       EXISTS (SELECT FROM plans p WHERE p.studio_id = $1 AND p.course_id = c.id
         AND (p.body -> 'published')::boolean) AS published
     FROM courses c WHERE studio_id = $1 AND id = ANY($2) ORDER BY array_position($2, id)`,
    [ids],
  );
  const courses = rows.map(row => ({
    ...row,
    sections: sections.filter(({ course }) => course === row.id).toReversed(),
  }));
  return { courses, more: newest.length > PAGE };
}

interface SectionRow extends WrittenRow<Section> {
  readonly student_count: number;
  readonly behind: number;
}

/** One more than a page, the newest first. */
async function listSections(scope: StudioScope, page: number): Promise<SectionSummary[]> {
  const rows = await scope.select<SectionRow>(
    `SELECT 'listed/' || id AS id, xmin::text, jsonb_set(body, '{students}', '[]') AS body, ${STUDENTS} AS student_count, ${BEHIND} AS behind
       FROM sections s WHERE studio_id = $1
       ORDER BY last_date DESC, position DESC LIMIT ${PAGE + 1} OFFSET $2`,
    [page * PAGE],
  );
  return (await readableRows(scope, 'sections', rows)).map(({ body, student_count, behind }) => ({
    id: body.id,
    course: body.course,
    start: body.start,
    dates: body.dates,
    room: body.room ?? null,
    staff: body.staff.map(({ person }) => person),
    students: student_count,
    behind,
  }));
}

const VERSIONS = 50;

/** The plans of a course that were published or kept, the newest first. */
export async function listVersions(scope: StudioScope, course: string): Promise<CourseVersionsAnswer> {
  await getStored(courseAggregate(scope, course));
  const rows = await scope.select<{ body: PlanVersion }>(
    `SELECT body FROM plans WHERE studio_id = $1 AND course_id = $2 ORDER BY id DESC LIMIT ${VERSIONS}`,
    [course],
  );
  return {
    versions: readable(
      scope,
      'plans',
      rows.map(({ body }) => body),
    ),
  };
}

async function newestCourses(scope: StudioScope): Promise<string[]> {
  const rows = await scope.select<{ id: string }>(
    `SELECT id FROM courses WHERE studio_id = $1 ORDER BY position DESC LIMIT ${NEWEST_COURSES}`,
  );
  return rows.map(({ id }) => id);
}
