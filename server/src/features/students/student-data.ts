// What is kept of one student: given out as a file, and made nobody's while the counts stay true.
import { randomUUID } from 'node:crypto';
import type { AnswerOf } from '@map-step/contract';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';

const IN_CLASS = `body -> 'students' @> jsonb_build_array(jsonb_build_object('student', $2::text))`;

/** Everything that names the student, as JSON that a person can read. */
export async function exportStudent(scope: StudioScope, id: string): Promise<string> {
  const student = await getStudent(scope, id);
  const bodies = async (sql: string) =>
    (await scope.select<{ body: unknown }>(sql, [id])).map(({ body }) => body);
  const classes = await scope.select(
    `SELECT s.id AS class, c.body ->> 'name' AS course, e AS entered, s.body -> 'dates' AS dates
     FROM sections s JOIN courses c ON c.studio_id = s.studio_id AND c.id = s.course_id,
       jsonb_array_elements(s.body -> 'students') e
     WHERE s.studio_id = $1 AND s.${IN_CLASS} AND e ->> 'student' = $2 ORDER BY s.position`,
    [id],
  );
  const document = {
    student,
    classes,
    attendance: await bodies(
      'SELECT body FROM attendance WHERE studio_id = $1 AND student_id = $2 ORDER BY seq',
    ),
    marks: await bodies('SELECT body FROM marks WHERE studio_id = $1 AND student_id = $2 ORDER BY seq'),
    mentions: await mentionsOf(scope, student.name),
  };
  return `${JSON.stringify(document, null, 2)}\n`;
}

const FORMER = 'Former student';

/**
 * Puts a nobody in the student's place, in classes, attendance, marks and the history; so many came and so many passed as
 * before. Free texts that say the name are told, for they can mean somebody else.
 */
export async function eraseStudent(scope: StudioScope, id: string): Promise<AnswerOf<'student.erase'>> {
  const { name, role } = await getStudent(scope, id);
  const nobody = `former-${randomUUID().slice(0, 12)}`;
  await documentStore(scope, 'students').add([{ id: nobody, name: FORMER, role }]);
  const run = (sql: string) => scope.select(sql, [id, nobody]);
  await run(
    `UPDATE sections SET version = version + 1, body = jsonb_set(body, '{students}', (
       SELECT jsonb_agg(CASE WHEN e ->> 'student' = $2 THEN e || jsonb_build_object('student', $3::text) ELSE e END ORDER BY n)
       FROM jsonb_array_elements(body -> 'students') WITH ORDINALITY AS entered (e, n)))
     WHERE studio_id = $1 AND ${IN_CLASS} AND $3 <> '' RETURNING id`,
  );
  for (const table of ['attendance', 'marks'])
    await run(
      `UPDATE ${table} SET student_id = $3, body = jsonb_set(body, '{student}', to_jsonb($3::text))
       WHERE studio_id = $1 AND student_id = $2 RETURNING id`,
    );
  await run(
    `UPDATE marks SET body = jsonb_set(body, '{with}', to_jsonb($3::text))
     WHERE studio_id = $1 AND body ->> 'with' = $2 RETURNING id`,
  );
  await forgetInHistory(scope, { id, name, nobody });
  await scope.select(
    `DELETE FROM set_aside WHERE studio_id = $1 AND body::text LIKE '%"' || $2 || '"%' RETURNING kind`,
    [id],
  );
  await scope.select('DELETE FROM students WHERE studio_id = $1 AND id = $2 RETURNING id', [id]);
  await announce(scope, { topic: 'everything', id: '' });
  return { erased: nobody, mentions: await mentionsOf(scope, name) };
}

/** Where the history tells of the student, it tells of nobody; a name stands only beside its id there. */
async function forgetInHistory(
  scope: StudioScope,
  { id, name, nobody }: { readonly id: string; readonly name: string; readonly nobody: string },
): Promise<void> {
  const replaced = (column: string) =>
    `replace(replace(replace(${column}::text, '"' || $2 || '"', '"' || $3 || '"'), '/' || $2 || '"', '/' || $3 || '"'),
       $4, to_jsonb($5::text)::text)::jsonb`;
  await scope.select(
    `UPDATE history SET what = replace(what, $6, $5), before = ${replaced('before')}, after = ${replaced('after')},
       aggregate_id = CASE WHEN aggregate_id = $2 THEN $3 ELSE aggregate_id END
     WHERE studio_id = $1 AND (before::text LIKE '%' || $2 || '%' OR after::text LIKE '%' || $2 || '%'
       OR aggregate_id = $2 OR what LIKE '%' || $6 || '%')
     RETURNING id`,
    [id, nobody, JSON.stringify(name), FORMER, name],
  );
}

/** Notes and recaps in which somebody wrote the name. */
async function mentionsOf(scope: StudioScope, name: string): Promise<string[]> {
  const rows = await scope.select<{ place: string }>(
    `SELECT 'a note of ' || section_id || ', lesson ' || lesson AS place FROM logs
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'note', '')) > 0
     UNION SELECT 'the ' || audience || ' recap of ' || section_id || ', lesson ' || lesson FROM recaps
       WHERE studio_id = $1 AND position($2 IN markdown || COALESCE(published_markdown, '')) > 0
     UNION SELECT 'a remark in the check ' || check_id FROM marks
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'remark', '')) > 0
     ORDER BY 1 LIMIT 50`,
    [name],
  );
  return rows.map(({ place }) => place);
}

async function getStudent(scope: StudioScope, id: string) {
  const stored = await documentStore(scope, 'students').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no student "${id}" in this studio.`);
  return stored.body;
}
