// A studio of the size the API is measured on, written by PostgreSQL itself: the demo's figures, course and
// class, many times over. It grows as studios do: more dances, courses and classes, not larger ones.
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { StudioDocument } from '@map-step/core';
import type { Client } from 'pg';

export interface StudioSize {
  readonly patterns: number;
  readonly sections: number;
  readonly students: number;
  readonly marks: number;
  /** Figures of one copy of the dance. */
  readonly block: number;
}

const BIG: Omit<StudioSize, 'block'> = { patterns: 5000, sections: 400, students: 20_000, marks: 1_000_000 };
const BLOCKS_A_DANCE = 20;
const SECTIONS_A_COURSE = 2;
const CHECKS_A_SECTION = 2;
const CHECKS_A_SLICE = 400;
const PEOPLE = 40;
const LAYERS = ['steps', 'timing', 'partner', 'technique', 'tempo'];

export function timesAsBig(times: number, demoFile: string): StudioSize {
  const { patterns, sections, students, marks } = BIG;
  return {
    block: figuresToCopy(readDemo(demoFile)).length,
    patterns: patterns * times,
    sections: sections * times,
    students: students * times,
    marks: marks * times,
  };
}

type Run = (sql: string, ...values: unknown[]) => Promise<unknown>;

function readDemo(file: string): StudioDocument {
  return JSON.parse(readFileSync(file, 'utf8')) as StudioDocument;
}

function figuresToCopy({ patterns = [], dances = [] }: StudioDocument) {
  return patterns.filter(({ dance }) => dance === dances[0]?.id);
}

/** What of the demo is copied, and how often. */
function copyPlan(demoFile: string, size: StudioSize) {
  const demo = readDemo(demoFile);
  const { dances = [], courses = [], sections = [], recaps = [] } = demo;
  const [dance, course, section, recap] = [dances[0], courses[0], sections[0], recaps[0]];
  if (!dance || !course || !section || !recap) throw new Error('the demo has no course to copy');
  const levels = (demo.levels ?? []).filter(level => level.dance === dance.id);
  const patterns = figuresToCopy(demo);
  const blocks = Math.ceil(size.patterns / patterns.length);
  const courseCount = size.sections / SECTIONS_A_COURSE;
  const studentsEach = size.students / size.sections;
  const checks = size.sections * CHECKS_A_SECTION;
  const items = course.items.slice(0, 5).map(({ pattern }) => pattern);
  return {
    demo,
    course,
    section,
    recap,
    dance,
    levels,
    patterns,
    size,
    blocks,
    courseCount,
    studentsEach,
    checks,
    items,
  };
}

type CopyPlan = ReturnType<typeof copyPlan>;

/** Fills an empty, migrated database and answers the id of its studio. */
export async function buildBigStudio(client: Client, demoFile: string, size: StudioSize): Promise<string> {
  const studio = randomUUID();
  const run: Run = (sql, ...values) => client.query(sql, [studio, ...values]);
  const plan = copyPlan(demoFile, size);
  const { checks, studentsEach, items, blocks } = plan;
  await client.query("INSERT INTO studios (id, body, demo, slug) VALUES ($1, $2, true, 'big')", [
    studio,
    plan.demo.studio,
  ]);
  // What is copied refers to what is copied: checking a million references would take most of the time.
  await client.query('SET session_replication_role = replica');
  await addMaterial(run, plan);
  await addPeople(run, plan);
  await addClasses(run, plan);
  await addWhatHappened(run, plan);
  await addMarks(run, checks, { each: size.marks / checks, studentsEach, items, blocks: blocks - 1 });
  await run(
    `INSERT INTO history (studio_id, aggregate, aggregate_id, kind, what, person_id, before, after)
     SELECT $1, 'course', id, 'edit', 'Moved', 'person-0', '{}', '{}'
     FROM courses, generate_series(1, 40) WHERE studio_id = $1`,
  );
  // Otherwise the server would do this while it is measured.
  await client.query('VACUUM ANALYZE');
  await client.query('CHECKPOINT');
  return studio;
}

async function addMaterial(
  run: Run,
  { demo, dance, levels, patterns, size, blocks }: CopyPlan,
): Promise<void> {
  await run(
    `INSERT INTO dances (studio_id, id, position, body)
     SELECT $1, 'dance-' || n, n, $2::jsonb || jsonb_build_object('id', 'dance-' || n, 'name', 'Dance ' || n)
     FROM generate_series(0, $3::integer) n`,
    dance,
    Math.floor(blocks / BLOCKS_A_DANCE),
  );
  await run(
    `INSERT INTO levels (studio_id, id, position, body)
     SELECT $1, (level ->> 'id') || '-' || n, n, level || jsonb_build_object(
       'id', (level ->> 'id') || '-' || n, 'dance', 'dance-' || n)
     FROM generate_series(0, $3::integer) n, jsonb_array_elements($2::jsonb) level`,
    JSON.stringify(levels),
    Math.floor(blocks / BLOCKS_A_DANCE),
  );
  await run(
    `INSERT INTO elements (studio_id, id, position, body)
     SELECT $1, element ->> 'id', position, element
     FROM jsonb_array_elements($2::jsonb) WITH ORDINALITY AS given (element, position)
     WHERE element ->> 'dance' IS NULL`,
    JSON.stringify(demo.elements ?? []),
  );
  await run(
    `INSERT INTO patterns (studio_id, id, position, body)
     SELECT $1, (figure ->> 'id') || '-' || block, block * 1000 + position, figure || jsonb_strip_nulls(jsonb_build_object(
       'id', (figure ->> 'id') || '-' || block,
       'dance', 'dance-' || block / ${BLOCKS_A_DANCE},
       'level', (figure ->> 'level') || '-' || block / ${BLOCKS_A_DANCE},
       'needs', (SELECT jsonb_agg(need || '-' || block) FROM jsonb_array_elements_text(figure -> 'needs') need),
       'lookalikes', (SELECT jsonb_agg(one || '-' || block) FROM jsonb_array_elements_text(figure -> 'lookalikes') one)))
     FROM generate_series(0, $3::integer - 1) block,
       jsonb_array_elements($2::jsonb) WITH ORDINALITY AS given (figure, position)
     ORDER BY block, position LIMIT $4`,
    JSON.stringify(patterns),
    blocks,
    size.patterns,
  );
}

async function addPeople(run: Run, { size, studentsEach }: CopyPlan): Promise<void> {
  await run(
    `INSERT INTO people (studio_id, id, position, body)
     SELECT $1, 'person-' || n, n, jsonb_build_object('id', 'person-' || n, 'name', 'Person ' || n, 'role',
       CASE WHEN n = 0 THEN 'director' ELSE 'teacher' END)
     FROM generate_series(0, ${PEOPLE - 1}) n`,
  );
  await run(
    `INSERT INTO rooms (studio_id, id, position, body)
     SELECT $1, 'room-' || n, n, jsonb_build_object('id', 'room-' || n, 'name', 'Room ' || n, 'length', 12, 'width', 9)
     FROM generate_series(0, 5) n`,
  );
  await run(
    `INSERT INTO students (studio_id, id, position, body)
     SELECT $1, 'student-' || s || '-' || n, s * 1000 + n, jsonb_build_object('id', 'student-' || s || '-' || n,
       'name', 'Student ' || n, 'role', CASE n % 2 WHEN 0 THEN 'lead' ELSE 'follow' END)
     FROM generate_series(0, $2::integer - 1) s, generate_series(1, $3::integer) n`,
    size.sections,
    studentsEach,
  );
}

async function addClasses(
  run: Run,
  { course, section, size, blocks, courseCount, studentsEach }: CopyPlan,
): Promise<void> {
  // A course copies the demo's, over the figures of one block; the last block may be cut short.
  await run(
    `INSERT INTO courses (studio_id, id, position, body)
     SELECT $1, 'course-' || n, n, $2::jsonb || jsonb_build_object(
       'id', 'course-' || n, 'name', 'Course ' || n,
       'dances', jsonb_build_array('dance-' || (n % $3) / ${BLOCKS_A_DANCE}),
       'level', $2::jsonb ->> 'level' || '-' || (n % $3) / ${BLOCKS_A_DANCE},
       'items', (SELECT jsonb_agg(item || jsonb_build_object('pattern', (item ->> 'pattern') || '-' || n % $3))
                 FROM jsonb_array_elements($2::jsonb -> 'items') item),
       'placed', (SELECT jsonb_agg(place || jsonb_build_object('pattern', (place ->> 'pattern') || '-' || n % $3))
                  FROM jsonb_array_elements($2::jsonb -> 'placed') place))
     FROM generate_series(0, $4::integer - 1) n`,
    course,
    blocks - 1,
    courseCount,
  );
  await run(
    `INSERT INTO plans (studio_id, course_id, body)
     SELECT $1, id, jsonb_build_object('course', id, 'name', 'Plan', 'by', 'person-0', 'at', '2026-01-01T10:00:00Z',
       'published', true, 'placed', body -> 'placed', 'left', '[]'::jsonb)
     FROM courses WHERE studio_id = $1`,
  );
  await run(
    `INSERT INTO sections (studio_id, id, position, body)
     SELECT $1, 'section-' || n, n, $2::jsonb || jsonb_build_object(
       'id', 'section-' || n, 'course', 'course-' || n / ${SECTIONS_A_COURSE}, 'room', 'room-' || n % 6,
       'dates', (SELECT jsonb_agg(((date '2026-01-05') + (n % 1500) + 7 * lesson)::text)
                 FROM generate_series(0, 7) lesson),
       'staff', jsonb_build_array(jsonb_build_object('person', 'person-' || 1 + n % ${PEOPLE - 1})),
       'students', (SELECT jsonb_agg(jsonb_build_object('student', 'student-' || n || '-' || s,
                      'role', CASE s % 2 WHEN 0 THEN 'lead' ELSE 'follow' END))
                    FROM generate_series(1, $4::integer) s))
     FROM generate_series(0, $3::integer - 1) n`,
    section,
    size.sections,
    studentsEach,
  );
}

async function addWhatHappened(run: Run, { recap, blocks, items, checks }: CopyPlan): Promise<void> {
  await run(
    `INSERT INTO class_events (studio_id, kind, id, section_id, lesson, pattern_id, body)
     SELECT $1, 'log', id, section_id, lesson, pattern_id, jsonb_build_object('id', id, 'section', section_id,
       'lesson', lesson, 'pattern', pattern_id, 'result', 'solid', 'by', 'person-1', 'at', '2026-01-05T19:00:00Z')
     FROM (SELECT gen_random_uuid() AS id, s.id AS section_id, lesson, item ->> 'pattern' AS pattern_id
           FROM sections s JOIN courses c ON c.studio_id = $1 AND c.id = s.course_id,
             generate_series(1, 5) lesson, jsonb_path_query(c.body, '$.items[0 to 7]') item
           WHERE s.studio_id = $1) entry`,
  );
  await run(
    `INSERT INTO class_events (studio_id, kind, id, section_id, lesson, student_id, body)
     SELECT $1, 'present', id, section_id, lesson, student_id, jsonb_build_object('id', id, 'section', section_id,
       'lesson', lesson, 'student', student_id, 'role', 'lead', 'here', true, 'by', 'person-1',
       'at', '2026-01-05T19:00:00Z')
     FROM (SELECT gen_random_uuid() AS id, s.id AS section_id, lesson, one ->> 'student' AS student_id
           FROM sections s, generate_series(1, 5) lesson, jsonb_array_elements(s.body -> 'students') one
           WHERE s.studio_id = $1) entry`,
  );
  await run(
    `INSERT INTO recaps (studio_id, section_id, lesson, audience, markdown)
     SELECT $1, id, lesson, audience, $2
     FROM sections, generate_series(1, 5) lesson, unnest('{students,staff}'::text[]) audience
     WHERE studio_id = $1`,
    recap.markdown,
  );
  await run(
    `INSERT INTO checks (studio_id, id, position, body)
     SELECT $1, 'check-' || n, n, jsonb_build_object('id', 'check-' || n, 'section', s.id, 'kind', 'final',
       'date', s.last_date, 'marks', '[]'::jsonb, 'items', (
         SELECT jsonb_agg(jsonb_build_object('pattern', item || '-' || (n / ${SECTIONS_A_COURSE * CHECKS_A_SECTION}) % $2,
           'gate', true, 'layers', $4::jsonb))
         FROM jsonb_array_elements_text($3::jsonb) item))
     FROM generate_series(0, $5::integer - 1) n
     JOIN sections s ON s.studio_id = $1 AND s.id = 'section-' || n / ${CHECKS_A_SECTION}`,
    blocks - 1,
    JSON.stringify(items),
    JSON.stringify(LAYERS),
    checks,
  );
}

/** The bulk of it, a slice of checks at a time; the class's students in turn over all that a check asks. */
async function addMarks(
  run: (sql: string, ...values: unknown[]) => Promise<unknown>,
  checks: number,
  {
    each,
    studentsEach,
    items,
    blocks,
  }: { each: number; studentsEach: number; items: string[]; blocks: number },
): Promise<void> {
  for (let first = 0; first < checks; first += CHECKS_A_SLICE)
    await run(
      `INSERT INTO class_events (studio_id, kind, id, section_id, check_id, student_id, pattern_id, body)
       SELECT $1, 'mark', id, 'section-' || c / ${CHECKS_A_SECTION}, check_id, student_id, pattern_id, jsonb_build_object('id', id, 'student', student_id,
         'role', 'lead', 'pattern', pattern_id, 'layer', layer, 'mark', n % 4, 'by', 'person-1',
         'at', '2026-03-01T20:00:00Z', 'check', check_id)
       FROM (SELECT gen_random_uuid() AS id, c, 'check-' || c AS check_id, n,
               'student-' || c / ${CHECKS_A_SECTION} || '-' || 1 + n % $5::integer AS student_id,
               ($6::text[])[1 + n / $5 % 5] || '-' || (c / ${SECTIONS_A_COURSE * CHECKS_A_SECTION}) % $7::integer
                 AS pattern_id,
               (ARRAY['${LAYERS.join("','")}'])[1 + n / $5 / 5 % 5] AS layer
             FROM generate_series($2::integer, $3::integer - 1) c, generate_series(0, $4::integer - 1) n) entry`,
      first,
      Math.min(checks, first + CHECKS_A_SLICE),
      each,
      studentsEach,
      items,
      blocks,
    );
}
