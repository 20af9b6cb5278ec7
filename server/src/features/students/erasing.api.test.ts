// A student is erased: nothing in a dump of the database says who it was, and nothing of anybody else has changed.
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { StudioDocument } from '@map-step/core';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { connectionOf, findBinaries } from '../../../../scripts/postgres.mjs';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf, marksOf } from '../../test/events.ts';
import { runImport } from '../../test/run-import.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';
import { TEXT_COLUMNS, UNTOUCHED_COLUMNS } from './erasing.ts';

const section = 'hustle-1-monday';
const student = 'bo-ingstad';
const neighbour = 'bosse-l';
const [NAME, FORMER_NAME, EMAIL] = ['Bo', 'Boel Ingstad', 'bo@home.example'];
const entered = { lesson: 4, by: 'bram-okoro', at: '2026-03-02T19:00:00Z' };

/** Both of Monday's class; one is called as the other begins. */
function studioOfTwo(): StudioDocument {
  const demo = demoStudio();
  return {
    ...demo,
    students: [
      ...(demo.students ?? []),
      { id: student, name: FORMER_NAME, role: 'lead' },
      { id: neighbour, name: 'Bo Lind', role: 'follow' },
    ],
    sections: (demo.sections ?? []).map(one => ({
      ...one,
      students: [
        ...one.students,
        { student, role: 'lead' as const },
        { student: neighbour, role: 'follow' as const },
      ],
    })),
    attendance: [
      ...(demo.attendance ?? []),
      { id: randomUUID(), section, ...entered, student, role: 'lead', here: true },
    ],
    checks: [
      {
        id: 'half-way',
        section,
        kind: 'half-way',
        date: '2026-03-09',
        items: [{ pattern: 'wrap', layers: ['steps'], gate: true }],
        marks: [],
      },
    ],
  };
}

let server: TestServer;
let ottilie: TestPerson;
let bram: TestPerson;
beforeAll(async () => {
  server = await startTestServer(studioOfTwo());
  ottilie = await server.person('ottilie-marsh');
  bram = await server.person('bram-okoro');
});
afterAll(() => server.close());

function dump(): string {
  const { env, name } = connectionOf(server.databaseUrl);
  const program = join(findBinaries() ?? '', 'pg_dump');
  const { stdout, status, stderr } = spawnSync(program, ['--inserts', `--dbname=${name}`], {
    env,
    encoding: 'utf8',
    maxBuffer: 500_000_000,
  });
  if (status !== 0) throw new Error(stderr);
  // The studio beside it has the same people, and is none of this.
  return stdout
    .split('\n')
    .filter(line => line.includes(server.studioId))
    .join('\n');
}

const params = { section, check: 'half-way', lesson: 4, audience: 'students' };
const mark = (of: string, more: object) => ({
  ...{ id: randomUUID(), student: of, role: 'lead', pattern: 'wrap', layer: 'steps', mark: 2 },
  ...{ at: '2026-03-09T19:00:00Z', ...more },
});

/** All that may be written of somebody in a term, by others and about others. */
async function writeAboutThem(): Promise<void> {
  const change = (field: string, from: unknown, to: unknown, what = field) => ({
    command: { kind: 'edit', what, changes: [{ field, from, to }] },
  });
  const entry = { kind: 'students', entry: student };
  await ottilie.call('entry.command', {
    params: entry,
    body: change('name', FORMER_NAME, NAME, `${FORMER_NAME} is called ${NAME}`),
  });
  const own = { student, role: 'lead' };
  await ottilie.call('section.command', {
    params,
    body: change(`students/${student}`, own, { ...own, from: '2026-01-12' }, `${NAME} came. Both stay.`),
  });
  const note = { id: randomUUID(), lesson: 4, at: entered.at, kind: 'note' };
  await bram.call('class.append', {
    params,
    body: eventsOf('note', { ...note, text: `${NAME} (${EMAIL}) was late; Both feet; Bo Lind was not.` }),
  });
  await bram.call('class.append', {
    params,
    body: marksOf(
      params.check,
      mark(student, {}),
      mark(neighbour, { with: student, remark: `with ${NAME}, well` }),
    ),
  });
  for (const one of [student, neighbour]) {
    const markdown = `With ${NAME}: ${one === student ? 'own' : 'both'} feet.\n\n{{count: wrap}}`;
    await bram.call('check.tell', { params, body: { student: one, markdown } });
    await bram.call('section.missed', { params, body: { student: one, markdown } });
  }
  for (const audience of ['students', 'staff']) {
    const { body } = await bram.call('recap.read', { params: { ...params, audience } });
    const text = `${body.recap.markdown}\n\n${NAME} did well, and so did Bo Lind.`;
    await bram.call('recap.command', {
      params: { ...params, audience },
      body: change('markdown', body.recap.markdown, text),
    });
  }
  const { body } = await bram.call('recap.read', { params });
  await bram.call('recap.publish', { params, body: { seen: body.recap.version } });
  const file = studioOfTwo();
  const students = (file.students ?? []).map(one => (one.id === student ? { ...one, name: NAME } : one));
  await runImport(ottilie, JSON.stringify({ ...file, students, rooms: [...(file.rooms ?? []), ROOM] }));
}
const ROOM = { id: 'boat-shed', name: 'Boat shed', length: 8, width: 5 };

test('what is kept of a student goes out whole: what they were told, and what was noted of them', async () => {
  await writeAboutThem();
  const { body } = await ottilie.call('student.export', { params: { student } });
  const told = JSON.parse(String(body)) as Record<string, { text?: string }[]>;
  expect(told['toldOfChecks']).toHaveLength(1);
  expect(told['toldWhatWasMissed']).toHaveLength(1);
  expect(told['notes']?.map(({ text }) => text?.slice(0, 12))).toEqual(
    expect.arrayContaining(['Bo (bo@home.', 'with Bo, wel', 'Bo did well,']),
  );
});

test('erased, no name, former name or id of theirs is in a dump; what is of others stays to the letter', async () => {
  const before = dump();
  expect(before).toContain(student);
  expect(before).toContain(FORMER_NAME);
  const erased = await ottilie.call('student.erase', { params: { student } });
  expect(erased.status).toBe(200);
  expect(erased.body.changed).toEqual(
    expect.arrayContaining(['recaps', 'notes of evenings and remarks of checks']),
  );
  const after = dump();
  expect(after).not.toContain(student);
  expect(after).not.toContain(FORMER_NAME);
  expect(after.replaceAll('Bo Lind', '')).not.toMatch(/(?<!\p{L})Bo(?!\p{L})/u);
  const count = (text: string, word: string) => text.split(word).length - 1;
  for (const word of ['Bo Lind', 'Both feet', 'Both stay', 'both feet', neighbour])
    expect([word, count(after, word)]).toEqual([word, count(before, word)]);
});

test('while a file comes in nobody is erased, for it may bring them back', async () => {
  await server.leaveQueue();
  const { body } = await ottilie.call('studio.import', { text: '{}' });
  const refused = await ottilie.call('student.erase', { params: { student: neighbour } });
  expect([refused.status, refused.body.message]).toEqual([409, expect.stringMatching(/being imported/)]);
  await ottilie.call('job.stop', { params: { job: body.id } });
  const rows = await server.database.select<{ input: string | null }>(
    'SELECT input FROM jobs WHERE id = $1',
    [body.id],
  );
  expect(rows).toEqual([{ input: null }]);
});

test('every text that a studio keeps is looked through, or named as one that holds nobody', async () => {
  const rows = await server.database.select<{ name: string }>(
    `SELECT c.table_name || '.' || c.column_name AS name FROM information_schema.columns c
     JOIN information_schema.tables t USING (table_schema, table_name)
     WHERE t.table_type = 'BASE TABLE' AND c.table_schema = current_schema() AND c.data_type IN ('text', 'json', 'jsonb')
       AND (c.table_name = 'studios' OR EXISTS (SELECT FROM information_schema.columns o
         WHERE o.table_name = c.table_name AND o.column_name = 'studio_id'))`,
    [],
  );
  const known = new Set([
    ...TEXT_COLUMNS.map(({ table, column }) => `${table}.${column}`),
    ...UNTOUCHED_COLUMNS,
  ]);
  const isId = (name: string) => /\.(id|slug)$|_id$/.test(name) && name !== 'history.aggregate_id';
  expect(rows.map(({ name }) => name).filter(name => !known.has(name) && !isId(name))).toEqual([]);
});
