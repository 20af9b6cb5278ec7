import type { CourseAnswer } from '@map-step/contract';
import { type Course, courseSchema, placedInOrder, type Section, type StudioDocument } from '@map-step/core';
import { type Aggregate, getStored, readHistory } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import { readableRows, type WrittenRow } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { findPublishedPlan } from '../studio/studio-store.ts';

/** A course with its items and where they are placed. */
export function courseAggregate(scope: StudioScope, id: string): Aggregate<Course> {
  const whole = documentAggregate(scope, id, {
    kind: 'course',
    table: 'courses',
    noun: 'course',
    told: version => ({ topic: 'course', id, version }),
    fixed: ['id'],
    schema: courseSchema,
    around: course => around(scope, course),
  });
  return {
    ...whole,
    check: async (course, touched) => {
      if (touched.includes('lessons')) await refuseLostLessons(scope, course);
      refusePlacedElsewhere(course);
      const placed = placedInOrder(course);
      const isOnlyPlaced = touched.every(key => key === 'placed' || key === 'placedAhead');
      return isOnlyPlaced ? placed : whole.check(placed, touched);
    },
    tell: () => readCourse(scope, id),
  };
}

export async function readCourse(scope: StudioScope, id: string): Promise<CourseAnswer> {
  const aggregate = courseAggregate(scope, id);
  const { body, version } = await getStored(aggregate);
  return {
    course: body,
    version,
    published: (await findPublishedPlan(scope, id)) ?? null,
    sections: await listClasses(scope, id),
    history: await readHistory(aggregate),
  };
}

/** Lessons behind a class, as SQL over the row of a class: up to its last recap, and those before its last log. */
export const BEHIND = `GREATEST(0,
  (SELECT max(lesson) FROM recaps r WHERE r.studio_id = $1 AND r.section_id = s.id),
  (SELECT max(lesson) - 1 FROM logs l WHERE l.studio_id = $1 AND l.section_id = s.id))`;

/** Students of a class up to its last evening, each once, as SQL over the row of a class. */
export const STUDENTS = `(SELECT count(DISTINCT e ->> 'student')::integer FROM jsonb_array_elements(s.body -> 'students') e
  WHERE e ->> 'to' IS NULL OR e ->> 'to' >= s.last_date)`;

/** The classes of a course, without who is in them. */
async function listClasses(scope: StudioScope, course: string): Promise<CourseAnswer['sections']> {
  const rows = await scope.select<WrittenRow<Section> & { behind: number }>(
    `SELECT id, body, xmin::text, ${BEHIND} AS behind FROM sections s
     WHERE studio_id = $1 AND course_id = $2 ORDER BY position`,
    [course],
  );
  const readable = await readableRows(scope, 'sections', rows);
  return readable.map(({ body: { students: _, ...section }, behind }) => ({ ...section, behind }));
}

/** Each placing is of an item and in a lesson of the course. */
function refusePlacedElsewhere(course: Course): void {
  const items = new Set(course.items.map(({ pattern }) => pattern));
  for (const { pattern, lesson } of course.placed ?? []) {
    if (!items.has(pattern))
      throw new HttpFault('bad-request', `"${pattern}" is not among the items of ${course.name}.`);
    if (lesson > course.lessons.length)
      throw new HttpFault('bad-request', `${course.name} has no lesson ${lesson}.`);
  }
}

/** A lesson of which something was written down stays. */
async function refuseLostLessons(scope: StudioScope, { id, lessons, name }: Course): Promise<void> {
  const [row] = await scope.select<{ last: number | null }>(
    `SELECT GREATEST(
       (SELECT max(lesson) FROM logs l WHERE l.studio_id = $1 AND l.section_id = ANY(classes)),
       (SELECT max(lesson) FROM attendance a WHERE a.studio_id = $1 AND a.section_id = ANY(classes)),
       (SELECT max(lesson) FROM notes n WHERE n.studio_id = $1 AND n.section_id = ANY(classes)),
       (SELECT max(lesson) FROM recaps r WHERE r.studio_id = $1 AND r.section_id = ANY(classes))) AS last
     FROM (SELECT array_agg(id) AS classes FROM sections WHERE studio_id = $1 AND course_id = $2) of_course`,
    [id],
  );
  if ((row?.last ?? 0) > lessons.length)
    throw new HttpFault(
      'conflict',
      `Lesson ${row?.last} of ${name} has been taught: it cannot be taken away. Copy the course for the next term.`,
    );
}

async function around(scope: StudioScope, course: Course): Promise<Partial<StudioDocument>> {
  const lying = [...course.items, ...(course.placed ?? [])].map(({ pattern }) => pattern);
  const named = [...lying, ...course.lessons.flatMap(({ again = [] }) => again)];
  return {
    dances: await documentStore(scope, 'dances').list(),
    levels: await documentStore(scope, 'levels').list(),
    patterns: await documentStore(scope, 'patterns').listSome(named),
  };
}
