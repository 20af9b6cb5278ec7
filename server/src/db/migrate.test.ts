import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { openDatabase } from './database.ts';
import { MIGRATIONS } from './migrations.ts';

const name = `map_step_migrate_${randomUUID().replaceAll('-', '')}`;
const url = () => inject('databaseUrl').replace(/\/postgres$/, `/${name}`);

async function query<Row>(databaseUrl: string, sql: string): Promise<Row[]> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query(sql);
  await client.end();
  return rows;
}

beforeAll(() => query(inject('databaseUrl'), `CREATE DATABASE ${name}`));
afterAll(() => query(inject('databaseUrl'), `DROP DATABASE ${name} WITH (FORCE)`));

const STUDIO = '11111111-1111-4111-8111-111111111111';
const EMPTY = '22222222-2222-4222-8222-222222222222';

/** What earlier versions let in: lessons that are none, links to staff recaps, a text changed after it was published. */
const OLD_ROWS = `
  INSERT INTO studios (id, body) VALUES ('${STUDIO}', '{"name": "Real", "timezone": "Mars/Olympus"}'),
    ('${EMPTY}', '{"name": "Demo", "timezone": "Europe/London"}');
  INSERT INTO people (studio_id, id, position, body) VALUES ('${STUDIO}', 'ada', 0, '{"id": "ada"}');
  INSERT INTO accounts VALUES (gen_random_uuid(), '${STUDIO}', 'ada', 'ada@pier.example', 'x');
  INSERT INTO dances (studio_id, id, position, body) VALUES ('${STUDIO}', 'waltz', 0, '{"id": "waltz"}');
  INSERT INTO patterns (studio_id, id, position, body)
    VALUES ('${STUDIO}', 'walk', 0, '{"id": "walk", "dance": "waltz"}');
  INSERT INTO courses (studio_id, id, position, body) VALUES ('${STUDIO}', 'one', 0, '{"id": "one", "lessons": [1, 2, 3]}');
  INSERT INTO sections (studio_id, id, position, body)
    VALUES ('${STUDIO}', 'monday', 0, '{"id": "monday", "course": "one", "dates": [], "students": []}');
  INSERT INTO logs (studio_id, id, section_id, lesson, pattern_id, body, body_hash)
    SELECT '${STUDIO}', id, 'monday', lesson, 'walk', CASE lesson WHEN 2 THEN '{}' ELSE jsonb_build_object('id', id,
      'lesson', lesson, 'pattern', 'walk', 'result', 'solid', 'by', 'ada', 'at', '2026-01-05T19:00:00Z') END, ''
    FROM (SELECT gen_random_uuid() AS id, lesson FROM unnest(ARRAY[1, 2, 3, 4, 99]) AS lesson) given;
  INSERT INTO recaps (studio_id, section_id, lesson, audience, markdown, published_at)
    SELECT '${STUDIO}', 'monday', lesson, 'students', 'now', CASE lesson WHEN 1 THEN now() END
    FROM unnest(ARRAY[-5, 0, 1, 2, 2000000000]) AS lesson;
  INSERT INTO recaps (studio_id, section_id, lesson, audience, markdown, published_at)
    VALUES ('${STUDIO}', 'monday', 1, 'staff', 'of the staff', now());
  INSERT INTO recap_links SELECT md5(audience), studio_id, section_id, lesson, audience, now() FROM recaps WHERE lesson = 1;
  INSERT INTO history (studio_id, aggregate, aggregate_id, kind, what, person_id, before, after) VALUES
    ('${STUDIO}', 'recap', 'monday/1/students', 'edit', '', 'ada', '{"markdown": "draft"}', '{"markdown": "told"}'),
    ('${STUDIO}', 'recap', 'monday/1/students', 'publish', '', 'ada', '{"published": null}', '{"published": "x"}'),
    ('${STUDIO}', 'recap', 'monday/1/students', 'edit', '', 'ada', '{"markdown": "told"}', '{"markdown": "later"}'),
    ('${STUDIO}', 'recap', 'monday/1/students', 'edit', '', 'ada', '{"markdown": "later"}', '{"markdown": "now"}');
`;

test('bounds come in over rows that break them: what is sound stays, what is not is set aside, links show what was told', async () => {
  const old = `map_step_old_${randomUUID().replaceAll('-', '')}`;
  await query(inject('databaseUrl'), `CREATE DATABASE ${old}`);
  const oldUrl = inject('databaseUrl').replace(/\/postgres$/, `/${old}`);
  const before = openDatabase(oldUrl);
  await before.migrate('0005-shared-work');
  await query(oldUrl, OLD_ROWS);
  await before.migrate();
  await before.close();
  const list = async (sql: string) => (await query<{ one: unknown }>(oldUrl, sql)).map(({ one }) => one);
  expect(await list('SELECT lesson AS one FROM logs ORDER BY lesson')).toEqual([1, 3]);
  expect(await list("SELECT lesson AS one FROM recaps WHERE audience = 'students' ORDER BY lesson")).toEqual([
    1, 2,
  ]);
  expect(await list('SELECT kind AS one FROM set_aside ORDER BY kind')).toEqual([
    ...['logs', 'logs', 'logs'],
    ...['recaps', 'recaps', 'recaps'],
  ]);
  expect(
    await list("SELECT published_markdown AS one FROM recaps WHERE lesson = 1 AND audience = 'students'"),
  ).toEqual(['told']);
  expect(await list('SELECT audience AS one FROM recap_links')).toEqual(['students']);
  expect(await list('SELECT demo AS one FROM studios ORDER BY id')).toEqual([false, true]);
  expect(await list("SELECT body ->> 'timezone' AS one FROM studios ORDER BY id")).toEqual([
    'UTC',
    'Europe/London',
  ]);
  expect(await list('SELECT slug AS one FROM studios ORDER BY id')).toEqual(['real', 'demo']);
  expect(
    await list("SELECT person_id || ' ' || email AS one FROM memberships JOIN accounts ON id = account_id"),
  ).toEqual(['ada ada@pier.example']);
  await query(inject('databaseUrl'), `DROP DATABASE ${old} WITH (FORCE)`);
});

const RECAP = `INSERT INTO recaps (studio_id, section_id, lesson, audience, version, markdown) VALUES
  ('${STUDIO}', 'monday', 1, 'students', 1, E'# One\n\n## New: Walk\n\n## Next week\n\n- Turn\n- Walk\n- Tea\n\n## Bye\n\n- Walk\n')`;

/** Of each kind two entries, received in turn. */
const FOUR_LISTS = `
  INSERT INTO studios (id, slug, body) VALUES ('${STUDIO}', 'one', '{"name": "One"}');
  INSERT INTO dances (studio_id, id, position, body) VALUES ('${STUDIO}', 'waltz', 0, '{"id": "waltz"}');
  INSERT INTO patterns (studio_id, id, position, body) VALUES ('${STUDIO}', 'walk', 0, '{"id": "walk", "dance": "waltz", "name": "Walk"}');
  INSERT INTO patterns (studio_id, id, position, body) VALUES ('${STUDIO}', 'turn', 1, '{"id": "turn", "dance": "waltz", "name": "Turn"}');
  INSERT INTO patterns (studio_id, id, position, body) VALUES ('${STUDIO}', 'other', 2, '{"id": "other", "dance": "waltz", "name": "Turn"}');
  INSERT INTO students (studio_id, id, position, body) VALUES ('${STUDIO}', 'ida', 0, '{"id": "ida"}');
  INSERT INTO courses (studio_id, id, position, body) VALUES ('${STUDIO}', 'one', 0, '{"id": "one", "lessons": [], "items": [{"pattern": "walk"}, {"pattern": "turn"}]}');
  INSERT INTO sections (studio_id, id, position, body) VALUES ('${STUDIO}', 'monday', 0, '{"id": "monday", "course": "one", "dates": [], "students": []}');
  INSERT INTO checks (studio_id, id, position, body)
    VALUES ('${STUDIO}', 'final', 0, '{"id": "final", "section": "monday"}');
  ${[1, 2]
    .map(
      n => `
  INSERT INTO notes (studio_id, id, section_id, lesson, received_at, body)
    SELECT '${STUDIO}', i, 'monday', 1, '2026-01-0${n}T20:03:00Z', jsonb_build_object('id', i, 'by', 'ada', 'at', '2026-', 'lesson', 1, 'kind', 'note', 'text', 'note ${n}') FROM gen_random_uuid() i;
  INSERT INTO logs (studio_id, id, section_id, lesson, pattern_id, received_at, body)
    SELECT '${STUDIO}', i, 'monday', 1, 'walk', '2026-01-0${n}T20:01:00Z', jsonb_build_object('id', i, 'by', 'ada', 'at', '2026-', 'lesson', 1, 'pattern', 'walk', 'result', 'solid', 'note', 'log ${n}') FROM gen_random_uuid() i;
  INSERT INTO attendance (studio_id, id, section_id, lesson, student_id, received_at, body)
    SELECT '${STUDIO}', i, 'monday', 1, 'ida', '2026-01-0${n}T20:02:00Z', jsonb_build_object('id', i, 'by', 'ada', 'at', '2026-', 'lesson', 1, 'student', 'ida', 'here', true) FROM gen_random_uuid() i;
  INSERT INTO marks (studio_id, id, check_id, student_id, pattern_id, received_at, body)
    SELECT '${STUDIO}', i, 'final', 'ida', 'walk', '2026-01-0${n}T20:04:00Z', jsonb_build_object('id', i, 'by', 'ada', 'at', '2026-', 'check', 'final', 'student', 'ida', 'pattern', 'walk', 'mark', ${n}) FROM gen_random_uuid() i;`,
    )
    .join('')}
`;

test('four lists become one stream: in the order in which they were received, and nothing is lost', async () => {
  const old = `map_step_lists_${randomUUID().replaceAll('-', '')}`;
  await query(inject('databaseUrl'), `CREATE DATABASE ${old}`);
  const oldUrl = inject('databaseUrl').replace(/\/postgres$/, `/${old}`);
  const before = openDatabase(oldUrl);
  await before.migrate('0013-doors');
  await query(oldUrl, FOUR_LISTS);
  await query(oldUrl, RECAP);
  await before.migrate();
  await before.close();
  const one = { section: 'monday', at: '2026-' };
  const events = await query<{ kind: string; section: string; note: string; at: string }>(
    oldUrl,
    `SELECT kind, section_id AS section, body ->> 'at' AS at,
       COALESCE(body ->> 'note', body ->> 'text', body ->> 'mark', body ->> 'here') AS note FROM class_events ORDER BY seq`,
  );
  expect(events).toEqual([
    { kind: 'log', note: 'log 1', ...one },
    { kind: 'present', note: 'true', ...one },
    { kind: 'note', note: 'note 1', ...one },
    { kind: 'mark', note: '1', ...one },
    { kind: 'log', note: 'log 2', ...one },
    { kind: 'present', note: 'true', ...one },
    { kind: 'note', note: 'note 2', ...one },
    { kind: 'mark', note: '2', ...one },
  ]);
  const listed = ['logs', 'attendance', 'notes', 'marks'].map(
    view => `SELECT count(*)::integer AS n FROM ${view}`,
  );
  expect(await query(oldUrl, 'SELECT promises FROM recaps')).toEqual([{ promises: ['turn', 'walk'] }]);
  expect(await query(oldUrl, listed.join(' UNION ALL '))).toEqual([{ n: 2 }, { n: 2 }, { n: 2 }, { n: 2 }]);
  await query(inject('databaseUrl'), `DROP DATABASE ${old} WITH (FORCE)`);
});

test('three servers that start at once migrate once, and a later start keeps the data', async () => {
  const servers = [openDatabase(url()), openDatabase(url()), openDatabase(url())];
  await Promise.all(servers.map(database => database.migrate()));
  const done = await query<{ name: string }>(url(), 'SELECT name FROM migrations ORDER BY name');
  expect(done.map(row => row.name)).toEqual(MIGRATIONS.map(migration => migration.name));

  await query(
    url(),
    `INSERT INTO studios (id, slug, body) VALUES ('${randomUUID()}', 'kept', '{"name": "Kept"}')`,
  );
  await servers[0]?.migrate();
  expect(await query(url(), 'SELECT body FROM studios')).toEqual([{ body: { name: 'Kept' } }]);
  await Promise.all(servers.map(database => database.close()));
});
