// What is kept of one student: given out as a file, and made nobody's while the counts stay true (`erasing.ts`).
import { randomUUID } from 'node:crypto';
import type { AnswerOf } from '@map-step/contract';
import { hasWholeWords } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { eraseEverywhere, FORMER } from './erasing.ts';

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
    toldOfChecks: await scope.select(
      `SELECT check_id AS check, created_at AS at, markdown AS text FROM check_links
       WHERE studio_id = $1 AND student_id = $2 ORDER BY created_at`,
      [id],
    ),
    toldWhatWasMissed: await scope.select(
      `SELECT section_id AS class, created_at AS at, markdown AS text FROM missed_links
       WHERE studio_id = $1 AND student_id = $2 ORDER BY created_at`,
      [id],
    ),
    notes: await textsNaming(scope, student.name),
  };
  return `${JSON.stringify(document, null, 2)}\n`;
}

/** What was noted of classes where it says the name: of logs, evenings, checks and recaps. */
async function textsNaming(scope: StudioScope, name: string): Promise<readonly object[]> {
  const rows = await scope.select<{ place: string; text: string }>(
    `SELECT 'log of ' || section_id || ', lesson ' || lesson AS place, body ->> 'note' AS text FROM logs
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'note', '')) > 0
     UNION ALL SELECT 'note of ' || section_id || ', lesson ' || lesson, body ->> 'text' FROM notes
       WHERE studio_id = $1 AND position($2 IN body ->> 'text') > 0
     UNION ALL SELECT audience || ' recap of ' || section_id || ', lesson ' || lesson, line FROM recaps,
         regexp_split_to_table(markdown, E'\\n') line WHERE studio_id = $1 AND position($2 IN line) > 0
     UNION ALL SELECT 'remark in ' || check_id, body ->> 'remark' FROM marks
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'remark', '')) > 0
     LIMIT 5000`,
    [name],
  );
  return rows.filter(({ text }) => hasWholeWords(text, name));
}

/**
 * Puts a nobody in the student's place, everywhere; so many came and so many passed as before. Texts in which only a part
 * of the name stands are told, for that can be somebody else's.
 */
export async function eraseStudent(scope: StudioScope, id: string): Promise<AnswerOf<'student.erase'>> {
  await refuseWhileImporting(scope);
  const { name, role } = await getStudent(scope, id);
  const names = await namesEver(scope, id, name);
  const nobody = `former-${randomUUID().slice(0, 12).replace('-', '')}`;
  await documentStore(scope, 'students').add([{ id: nobody, name: FORMER, role }]);
  const changed = await eraseEverywhere(scope, {
    id,
    nobody,
    names,
    longer: await longerNames(scope, id, names),
  });
  await scope.select('DELETE FROM jobs WHERE studio_id = $1 RETURNING id');
  await scope.select('DELETE FROM students WHERE studio_id = $1 AND id = $2 RETURNING id', [id]);
  await announce(scope, { topic: 'everything', id: '' });
  const [given = ''] = name.split(' ');
  return { erased: nobody, changed, mentions: given === name ? [] : await mentionsOf(scope, given) };
}

/** A file that is on its way in may hold the student, and would bring them back. */
async function refuseWhileImporting(scope: StudioScope): Promise<void> {
  const [busy] = await scope.select(
    "SELECT id FROM jobs WHERE studio_id = $1 AND state IN ('waiting', 'running') LIMIT 1",
  );
  if (busy)
    throw new HttpFault(
      'conflict',
      'A file is being imported. Erase once it is through; nothing was changed.',
    );
}

/** What a student is called and was called: in their own history, and in files that came in. */
async function namesEver(scope: StudioScope, id: string, name: string): Promise<readonly string[]> {
  const rows = await scope.select<{ name: string | null }>(
    `SELECT v.name FROM history h, LATERAL (VALUES (h.before ->> 'name'), (h.after ->> 'name'),
         (h.before -> 'entry' ->> 'name')) v (name)
       WHERE h.studio_id = $1 AND h.aggregate = 'student' AND h.aggregate_id = $2
     UNION SELECT e -> 'entry' ->> 'name' FROM history h, LATERAL (
         SELECT * FROM jsonb_array_elements(CASE jsonb_typeof(h.before) WHEN 'array' THEN h.before ELSE '[]' END)
         UNION ALL
         SELECT * FROM jsonb_array_elements(CASE jsonb_typeof(h.after) WHEN 'array' THEN h.after ELSE '[]' END)) f (e)
       WHERE h.studio_id = $1 AND h.aggregate = 'import' AND e ->> 'kind' = 'students' AND e -> 'entry' ->> 'id' = $2`,
    [id],
  );
  return [...new Set([name, ...rows.flatMap(row => row.name ?? [])])].filter(one => one.trim() !== '');
}

/** Names of others in the studio that have one of these within them, or are the same: those stay. */
async function longerNames(
  scope: StudioScope,
  id: string,
  names: readonly string[],
): Promise<readonly string[]> {
  const rows = await scope.select<{ name: string }>(
    `SELECT DISTINCT body ->> 'name' AS name FROM students WHERE studio_id = $1 AND id <> $2
       AND EXISTS (SELECT FROM unnest($3::text[]) n WHERE position(n IN body ->> 'name') > 0)
     UNION SELECT body ->> 'name' FROM people WHERE studio_id = $1
       AND EXISTS (SELECT FROM unnest($3::text[]) n WHERE position(n IN body ->> 'name') > 0)`,
    [id, names],
  );
  return rows.map(({ name }) => name).filter(name => !names.includes(name));
}

/** Notes, remarks and recaps in which somebody wrote a name. */
async function mentionsOf(scope: StudioScope, name: string): Promise<string[]> {
  const rows = await scope.select<{ place: string; text: string }>(
    `SELECT 'a note of ' || section_id || ', lesson ' || lesson AS place, body ->> 'note' AS text FROM logs
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'note', '')) > 0
     UNION SELECT 'what was noted in ' || section_id || ', lesson ' || lesson, body ->> 'text' FROM notes
       WHERE studio_id = $1 AND position($2 IN body ->> 'text') > 0
     UNION SELECT 'the ' || audience || ' recap of ' || section_id || ', lesson ' || lesson,
         markdown || ' ' || COALESCE(published_markdown, '') FROM recaps
       WHERE studio_id = $1 AND position($2 IN markdown || ' ' || COALESCE(published_markdown, '')) > 0
     UNION SELECT 'a remark in the check ' || check_id, body ->> 'remark' FROM marks
       WHERE studio_id = $1 AND position($2 IN COALESCE(body ->> 'remark', '')) > 0
     ORDER BY 1 LIMIT 500`,
    [name],
  );
  return [...new Set(rows.filter(({ text }) => hasWholeWords(text, name)).map(({ place }) => place))].slice(
    0,
    50,
  );
}

export async function getStudent(scope: StudioScope, id: string) {
  const stored = await documentStore(scope, 'students').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no student "${id}" in this studio.`);
  return stored.body;
}
