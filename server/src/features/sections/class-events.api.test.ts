// A class as one stream of events: what came after the one that is known, whoever wrote it at whatever server.
import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf, marksOf } from '../../test/events.ts';
import {
  type ListeningServer,
  startTestServer,
  type TestPerson,
  type TestServer,
} from '../../test/test-server.ts';

const params = { section: 'hustle-1-monday' };
let server: TestServer;
let other: ListeningServer;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  other = await server.another();
});
afterAll(async () => {
  await other.close();
  await server.close();
});

const log = (pattern = 'wrap') => ({
  ...{ id: randomUUID(), lesson: 5, pattern, result: 'solid', at: '2026-03-09T19:20:00Z' },
});
const since = async (who: TestPerson, after: number) =>
  (await who.call('class.since', { params, query: new URLSearchParams({ after: String(after) }) })).body;

test('whoever asks for what came after what they know has all of it once, while four people write at two servers', async () => {
  const [bram, ottilie] = [await server.person('bram-okoro'), await server.person('ottilie-marsh')];
  const [there, director] = [await other.person('bram-okoro'), await other.person('ottilie-marsh')];
  const reader = await other.person('bram-okoro');
  let known = (await reader.call('section.read', { params })).body.seq;
  const heard: string[] = [];
  const written: string[] = [];
  let isWriting = true;
  const listen = async () => {
    for (let isLast = false; !isLast; ) {
      isLast = !isWriting;
      const { events, seq } = await since(reader, known);
      heard.push(...events.map(({ entry }) => entry.id));
      known = seq;
    }
  };
  const write = async (who: TestPerson) => {
    for (let turn = 0; turn < 25; turn += 1) {
      const entries = [log('wrap'), log('gather')];
      const { status, body } = await who.call('class.append', { params, body: eventsOf('log', ...entries) });
      expect(status).toBe(200);
      written.push(...body.stored);
    }
  };
  const listening = listen();
  await Promise.all([bram, ottilie, there, director].map(write));
  isWriting = false;
  await listening;
  expect(written.length).toBe(200);
  expect([...heard].sort()).toEqual([...written].sort());
});

test('a change says up to which event; an answer tells at most so many, and that there are more', async () => {
  const bram = await server.person('bram-okoro');
  const { changes, end } = await bram.follow();
  const before = (await bram.call('section.read', { params })).body.seq;
  const sent = Array.from({ length: 300 }, () => log());
  for (const entries of [sent, sent.map(() => log())])
    await bram.call('class.append', { params, body: eventsOf('log', ...entries) });
  const first = await since(bram, before);
  expect([first.events.length, first.isAll]).toEqual([500, false]);
  const rest = await since(bram, first.seq);
  expect([rest.events.length, rest.isAll]).toEqual([100, true]);
  expect(first.events[0]).toEqual({ kind: 'log', entry: { ...sent[0], ...params, by: 'bram-okoro' } });
  expect(changes.findLast(({ topic }) => topic === 'section')?.seq).toBe(rest.seq);
  expect(await since(bram, rest.seq)).toEqual({ events: [], seq: rest.seq, isAll: true });
  expect(
    (await bram.call('class.since', { params, query: new URLSearchParams({ after: '-1' }) })).status,
  ).toBe(400);
  end();
});

test('what is sent together is one stream: told in the order in which it was sent, whatever its kind', async () => {
  const ottilie = await server.person('ottilie-marsh');
  const { seq } = (await ottilie.call('section.read', { params })).body;
  const at = '2026-03-09T19:25:00Z';
  const note = { id: randomUUID(), lesson: 5, kind: 'note', text: 'Wet floor.', at };
  const present = { id: randomUUID(), lesson: 5, student: 'alba-k', role: 'follow', here: true, at };
  const events = [
    ...eventsOf('note', note).events,
    ...eventsOf('log', log('wrap')).events,
    ...eventsOf('present', present).events,
    ...eventsOf('log', log('gather')).events,
  ];
  expect((await ottilie.call('class.append', { params, body: { events } })).status).toBe(200);
  const told = (await since(ottilie, seq)).events;
  expect(told.map(({ kind, entry }) => [kind, entry.id])).toEqual(
    events.map(({ kind, entry }) => [kind, (entry as { id: string }).id]),
  );
});

test('a mark among a hundred viewers costs each of them one request of less than a kilobyte, and one query of the stream', async () => {
  const ottilie = await server.person('ottilie-marsh');
  const items = [{ pattern: 'wrap', layers: ['steps'], gate: true }];
  const check = { id: 'final', kind: 'final', date: '2026-03-09', items };
  expect((await ottilie.call('check.create', { params, body: { check } })).status).toBe(200);
  const student = demoStudio().sections?.[0]?.students[0]?.student;
  const known = (await ottilie.call('section.read', { params })).body.seq;
  const cell = { student, pattern: 'wrap', role: 'lead', layer: 'steps' };
  const mark = { id: randomUUID(), ...cell, mark: 2, at: '2026-03-09T19:25:00Z' };
  const sent = await ottilie.call('class.append', { params, body: marksOf(check.id, mark) });
  expect(sent.status).toBe(200);
  const query = new URLSearchParams({ after: String(known) });
  const asked = vi.spyOn(pg.Client.prototype, 'query');
  const viewers = 100;
  const told = [];
  for (let viewer = 0; viewer < viewers; viewer += 1)
    told.push((await ottilie.call('class.since', { params, query })).body);
  const statements = asked.mock.calls.map(([what]) => JSON.stringify(what) ?? '');
  asked.mockRestore();
  expect(new Set(told.map(({ events }) => events.length))).toEqual(new Set([1]));
  expect(JSON.stringify(told[0]).length).toBeLessThan(1000);
  expect(statements.filter(sql => sql.includes('FROM class_events')).length).toBe(viewers);
  expect(statements.length / viewers).toBeLessThan(8);
});

test('a class that is read again tells only what came after what is known; who may see less now is told all of that anew', async () => {
  const [ottilie, bram] = [await server.person('ottilie-marsh'), await server.person('bram-okoro')];
  const read = async (who: TestPerson, after?: number) =>
    (
      await who.call('section.read', {
        params,
        query: new URLSearchParams(after === undefined ? {} : { after: String(after) }),
      })
    ).body;
  const whole = await read(ottilie);
  const entry = log();
  await bram.call('class.append', { params, body: eventsOf('log', entry) });
  const again = await read(ottilie, whole.seq);
  expect([again.after, again.attendance, again.notes]).toEqual([whole.seq, [], []]);
  expect(again.logs.map(({ id }) => id)).toEqual([entry.id]);
  expect(again.students).toEqual(whole.students);
  const stranger = await read(await server.person('teo-vance'), whole.seq);
  expect([stranger.after, stranger.students]).toEqual([undefined, []]);
  expect(stranger.logs.length).toBe(whole.logs.length + 1);
});
