// Students over all classes of a studio: by a part of their name, by names that are about to be entered, and one by one.
import type { AnswerOf, FoundStudent } from '@map-step/contract';
import type { StudioScope } from '../../db/studio-scope.ts';
import { FORMER } from './erasing.ts';
import { getStudent } from './student-data.ts';
import { readStories } from './student-stories.ts';

const MOST_FOUND = 20;

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Those whose name has these letters in it, the ones that begin with them first. Whoever was erased is nobody. */
export async function findStudents(scope: StudioScope, named: string): Promise<AnswerOf<'student.find'>> {
  const found = await scope.select<Named>(
    `SELECT id, body ->> 'name' AS name FROM students
     WHERE studio_id = $1 AND position(lower($2) IN lower(body ->> 'name')) > 0 AND body ->> 'name' <> $3
     ORDER BY position(lower($2) IN lower(body ->> 'name')), lower(body ->> 'name'), id LIMIT ${MOST_FOUND}`,
    [named.trim(), FORMER],
  );
  return { students: await withClasses(scope, found) };
}

/** Those who are called exactly so, whatever the case of the letters. */
export async function matchStudents(
  scope: StudioScope,
  names: readonly string[],
): Promise<AnswerOf<'student.match'>> {
  const found = await scope.select<Named>(
    `SELECT id, body ->> 'name' AS name FROM students
     WHERE studio_id = $1 AND lower(body ->> 'name') = ANY($2) AND body ->> 'name' <> $3 ORDER BY position LIMIT 500`,
    [names.map(name => name.toLowerCase()), FORMER],
  );
  return { students: await withClasses(scope, found) };
}

/** A student with all their classes, the checks in which they were marked, and the links that still work. */
export async function readStudent(scope: StudioScope, id: string): Promise<AnswerOf<'student.read'>> {
  const student = await getStudent(scope, id);
  const [own] = await withClasses(scope, [student]);
  const checks = await scope.select<AnswerOf<'student.read'>['checks'][number]>(
    `SELECT c.section_id AS section, c.id AS check, c.body ->> 'kind' AS kind, c.body ->> 'date' AS date,
       count(*)::integer AS marks
     FROM marks m JOIN checks c ON c.studio_id = m.studio_id AND c.id = m.check_id
     WHERE m.studio_id = $1 AND m.student_id = $2 GROUP BY 1, 2, 3, 4 ORDER BY date DESC`,
    [id],
  );
  const links = await scope.select<{ section: string; check: string | null; expires: Date }>(
    `SELECT c.section_id AS section, l.check_id AS check, l.expires_at AS expires FROM check_links l
       JOIN checks c ON c.studio_id = l.studio_id AND c.id = l.check_id
       WHERE l.studio_id = $1 AND l.student_id = $2 AND l.expires_at > now()
     UNION ALL SELECT section_id, NULL, expires_at FROM missed_links
       WHERE studio_id = $1 AND student_id = $2 AND expires_at > now()`,
    [id],
  );
  const classes = own?.classes ?? [];
  return {
    student,
    classes,
    ...(await readStories(scope, student, classes)),
    checks,
    links: links.map(({ expires, check, ...link }) => ({
      ...link,
      check,
      kind: check === null ? 'missed' : 'check',
      expires: expires.toISOString(),
    })),
  };
}

interface ClassRow {
  readonly student: string;
  readonly section: string;
  readonly course: string;
  readonly name: string;
  readonly start: string;
  readonly dates: readonly string[];
  readonly entry: FoundStudent['classes'][number]['entered'][number] | null;
}

async function withClasses(scope: StudioScope, students: readonly Named[]): Promise<FoundStudent[]> {
  const rows = await scope.select<ClassRow>(
    `SELECT e ->> 'student' AS student, s.id AS section, s.course_id AS course, c.body ->> 'name' AS name,
       s.body ->> 'start' AS start, s.body -> 'dates' AS dates, e - 'student' AS entry
     FROM sections s JOIN courses c ON c.studio_id = s.studio_id AND c.id = s.course_id,
       jsonb_array_elements(s.body -> 'students') e
     WHERE s.studio_id = $1 AND e ->> 'student' = ANY($2)
     UNION ALL SELECT DISTINCT w.student_id, s.id, s.course_id, c.body ->> 'name', s.body ->> 'start',
       s.body -> 'dates', NULL::jsonb
     FROM (SELECT studio_id, section_id, student_id FROM attendance WHERE studio_id = $1 AND student_id = ANY($2)
           UNION SELECT k.studio_id, k.section_id, m.student_id FROM marks m
             JOIN checks k ON k.studio_id = m.studio_id AND k.id = m.check_id
             WHERE m.studio_id = $1 AND m.student_id = ANY($2)) w
       JOIN sections s ON s.studio_id = w.studio_id AND s.id = w.section_id
       JOIN courses c ON c.studio_id = s.studio_id AND c.id = s.course_id`,
    [students.map(({ id }) => id)],
  );
  return students.map(({ id, name }) => ({
    id,
    name,
    classes: classesOf(rows.filter(({ student }) => student === id)),
  }));
}

/** The newest first. */
function classesOf(rows: readonly ClassRow[]): FoundStudent['classes'] {
  const sections = [...new Set(rows.map(({ section }) => section))];
  return sections
    .flatMap(id => {
      const own = rows.filter(({ section }) => section === id);
      const [first] = own;
      if (!first) return [];
      const { section, course, name, start, dates } = first;
      const entered = own.flatMap(({ entry }) => entry ?? []);
      return [{ section, course, name, start, first: dates[0] ?? null, last: dates.at(-1) ?? null, entered }];
    })
    .sort((a, b) => (b.last ?? '').localeCompare(a.last ?? ''));
}
