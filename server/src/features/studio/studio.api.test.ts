import { fileURLToPath } from 'node:url';
import { type StudioDocument, writeDocument } from '@map-step/core';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { openDatabase } from '../../db/database.ts';
import { demoStudio, wholeDemoStudio } from '../../test/demo-studio.ts';
import { exportStudio, fileResult, runImport, undoImport, waitForJob } from '../../test/run-import.ts';
import { startTestServer, type TestPerson, type TestServer } from '../../test/test-server.ts';
import { loadDemo, moveToToday } from './demo.ts';

let server: TestServer;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  ottilie = await server.person('ottilie-marsh');
});
afterAll(() => server.close());

const exported = async () => writeDocument(await exportStudio(ottilie));
const load = (value: unknown) =>
  runImport(ottilie, typeof value === 'string' ? value : JSON.stringify(value));

/** Recaps have no order of their own: they are given out by class, lesson and audience. */
const sorted = (document: StudioDocument) => ({
  ...document,
  recaps: [...(document.recaps ?? [])].sort(
    (a, b) => a.section.localeCompare(b.section) || a.lesson - b.lesson || (a.audience < b.audience ? -1 : 1),
  ),
});

describe('export and import', () => {
  test('the export of an imported file is that file', async () => {
    expect(await exported()).toBe(writeDocument(sorted(demoStudio())));
  });

  test('so it is of the whole demo, with all its classes, checks and recaps', async () => {
    const other = await startTestServer(wholeDemoStudio());
    const director = await other.person('ottilie-marsh');
    const text = writeDocument(await exportStudio(director));
    expect(text).toBe(writeDocument(sorted(wholeDemoStudio())));
    await other.close();
  });

  test('a file that is there already adds nothing', async () => {
    const before = await exported();
    expect(await load(before)).toMatchObject({ state: 'done', result: { added: {} } });
    expect(await exported()).toBe(before);
  });

  test('a new figure is added beside what is there', async () => {
    const document = demoStudio();
    const fresh = { ...(document.patterns ?? [])[0], id: 'harbour-step', name: 'Harbour step' };
    const job = await load({ ...document, patterns: [...(document.patterns ?? []), fresh] });
    expect(fileResult(job).added).toEqual({ patterns: 1 });
  });
});

describe('a file that cannot be used changes nothing and is told with the place', () => {
  test.each<[string, unknown, RegExp]>([
    ['not JSON', '{"format": "mapstep/1"', /^character 22 .*ends too early/],
    ['a foreign file', { name: 'something else' }, /^\/format: /],
    [
      'a step on the foot that carries the weight',
      {
        ...demoStudio(),
        patterns: demoStudio().patterns?.map((pattern, i) =>
          i === 0
            ? { ...pattern, parts: { lead: 'L back, L replace, L side, R close', follow: 'image' } }
            : pattern,
        ),
      },
      /^\/patterns\/0\/parts\/lead\/1: the left foot carries the weight/,
    ],
    [
      'an id that is there with another content',
      { ...demoStudio(), rooms: [{ ...demoStudio().rooms?.[0], name: 'Loft' }, demoStudio().rooms?.[1]] },
      /^\/rooms\/0: "sail-loft" is there already/,
    ],
  ])('%s', async (_, value, problem) => {
    const before = await exported();
    const { state, fault } = await load(value);
    expect(state).toBe('failed');
    const { at = '', message = '' } = fault?.problems?.[0] ?? {};
    expect(`${at}: ${message}`).toMatch(problem);
    expect(await exported()).toBe(before);
  });

  test('a request that is too large is told so', async () => {
    const reply = await ottilie.call('session.demo', { text: `"${'x'.repeat(1_100_000)}"` });
    expect([reply.status, reply.body.code]).toEqual([413, 'too-large']);
  });
});

test('only the director imports and exports', async () => {
  const bram = await server.person('bram-okoro');
  expect((await bram.call('studio.export')).status).toBe(403);
  expect((await bram.call('studio.import', { text: '{}' })).status).toBe(403);
});

test('the demo moves by whole weeks, so that lesson 5 falls in this week', () => {
  for (const today of ['2026-11-23', '2026-11-29', '2027-01-01']) {
    const dates = moveToToday(demoStudio(), today).sections?.[0]?.dates ?? [];
    const days = (Date.parse(today) - Date.parse(dates[4] ?? '')) / 86_400_000;
    expect(days).toBeGreaterThanOrEqual(0);
    expect(days).toBeLessThan(7);
    expect(new Date(dates[0] ?? '').getUTCDay()).toBe(1);
  }
});

test('an unknown address answers in the one shape of errors, with an id and no internals', async () => {
  const reply = await fetch(`${server.address}/api/nowhere`);
  const body = (await reply.json()) as object;
  expect(reply.status).toBe(404);
  expect(Object.keys(body).sort()).toEqual(['code', 'id', 'message']);
});

describe('a file is looked at before it is taken', () => {
  const wait = async (how: 'preview' | 'take', document: StudioDocument) => {
    const { body } = await ottilie.call('studio.import', {
      query: new URLSearchParams({ do: how }),
      text: JSON.stringify(document),
    });
    const job = await waitForJob(ottilie, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
    return { job: job.id, result: fileResult(job) };
  };
  const undo = (job: string) => undoImport(ottilie, job);
  /** As it stands now, with a room more, another name of a figure and another start of a class. */
  const changed = async (): Promise<StudioDocument> => {
    const now = JSON.parse(await exported()) as StudioDocument;
    return {
      ...now,
      rooms: [...(now.rooms ?? []), { id: 'boat-shed', name: 'Boat shed', length: 8, width: 5 }],
      patterns: (now.patterns ?? []).map(one => (one.id === 'wrap' ? { ...one, name: 'Harbour wrap' } : one)),
      sections: (now.sections ?? []).map(one => ({ ...one, room: 'boat-shed' })),
    };
  };

  test('new and changed are told field by field, and nothing is written', async () => {
    const before = await exported();
    const { result } = await wait('preview', await changed());
    expect(result).toMatchObject({ written: false, added: { rooms: 1 }, changedCount: 2 });
    expect(result.changed).toEqual([
      { kind: 'patterns', id: 'wrap', fields: [{ field: 'name', from: 'Wrap', to: 'Harbour wrap' }] },
      {
        kind: 'sections',
        id: 'hustle-1-monday',
        fields: [{ field: 'room', from: 'sail-loft', to: 'boat-shed' }],
      },
    ]);
    expect(await exported()).toBe(before);
  });

  test('taken, it stands with who did it in the history; taken back, all is as before', async () => {
    const before = await exported();
    const { job, result } = await wait('take', await changed());
    expect(result.written).toBe(true);
    expect(await exported()).not.toBe(before);
    const { body } = await ottilie.call('figure.read', { params: { figure: 'wrap' } });
    expect(body.body.name).toBe('Harbour wrap');
    expect(body.history[0]).toMatchObject({ kind: 'edit', what: 'Imported', by: 'ottilie-marsh' });
    expect((await undo(job)).result).toEqual({ removed: 1, restored: 2 });
    expect(await exported()).toBe(before);
    expect((await ottilie.call('import.undo', { params: { job } })).status).toBe(409);
  });

  test('what has come to be used since is not taken away', async () => {
    const now = JSON.parse(await exported()) as StudioDocument;
    const room = { id: 'boat-shed', name: 'Boat shed', length: 8, width: 5 };
    const { job } = await wait('take', { ...now, rooms: [...(now.rooms ?? []), room] });
    const command = {
      kind: 'edit',
      what: 'Room',
      changes: [{ field: 'room', from: 'sail-loft', to: 'boat-shed' }],
    };
    await ottilie.call('section.command', { params: { section: 'hustle-1-monday' }, body: { command } });
    const { state, fault } = await undo(job);
    expect([state, fault?.problems?.[0]?.message]).toEqual(['failed', expect.stringMatching(/boat-shed/)]);
  });
});

describe('what a file may hold', () => {
  test('twenty million characters of text are read', async () => {
    const ext = { note: 'x'.repeat(900_000) };
    const studio = { name: 'A', timezone: 'UTC' };
    const job = await load(
      `${' '.repeat(19_000_000)}${JSON.stringify({ format: 'mapstep/1', studio, ext })}`,
    );
    expect([job.fault, job.state]).toEqual([null, 'done']);
  });

  test('one text of ten million characters is refused with the bound, not with a failure', async () => {
    const demo = demoStudio();
    const [figure, ...others] = demo.patterns ?? [];
    const patterns = [{ ...figure, marks: [{ kind: 'cue', text: 'x'.repeat(10_000_000) }] }, ...others];
    const job = await load({ ...demo, patterns });
    expect(job.state).toBe('failed');
    expect(job.fault?.problems?.[0]).toEqual({
      at: '/patterns/0/marks/0/text',
      message: 'is longer than 10,000 characters',
    });
  });

  test('a million entries at fault are told in fifty lines', async () => {
    const job = await load(
      `{"format":"mapstep/1","studio":{"name":"A","timezone":"UTC"},"logs":[${'{},'.repeat(1_000_000)}{}]}`,
    );
    expect(job.state).toBe('failed');
    expect(job.fault?.problems?.length).toBeLessThanOrEqual(51);
  });
});

test('of three servers that load the demo into one empty database, one does', async () => {
  const empty = await startTestServer();
  const databases = [1, 2, 3].map(() => openDatabase(empty.databaseUrl));
  const file = fileURLToPath(new URL('../../../../demo/tarn-street.json', import.meta.url));
  const loaded = await Promise.all(
    databases.map(database => loadDemo({ database, now: () => new Date('2026-03-09T19:00:00Z') }, file)),
  );
  expect(loaded.filter(Boolean)).toHaveLength(1);
  expect(await empty.database.select('SELECT demo FROM studios', [])).toEqual([{ demo: true }]);
  await Promise.all(databases.map(database => database.close()));
  await empty.close();
});
