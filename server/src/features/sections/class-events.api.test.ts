// A class as one stream of events: what came after the one that is known, whoever wrote it at whatever server.
import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../../test/demo-studio.ts';
import { eventsOf } from '../../test/events.ts';
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
