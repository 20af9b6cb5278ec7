import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { openDB } from 'idb';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';

const OWNER = 'tarn/bram';
const entry = (id: string) => ({
  id,
  lesson: 5,
  pattern: 'wrap',
  result: 'solid' as const,
  at: '2026-03-09T19:20:00.000Z',
});
const event = (id: string, owner = OWNER) => ({
  owner,
  section: 'hustle-1-monday',
  kind: 'log' as const,
  entry: entry(id),
});

/** The module as a page loads it, with what the browser's database holds. */
async function loadOutbox() {
  vi.resetModules();
  return import('./outbox.ts');
}

function idsOf(body: string): string[] {
  return (JSON.parse(body) as { events: { entry: { id: string } }[] }).events.map(({ entry: { id } }) => id);
}

/** What a server answers, one request after the other; 200 when nothing more is said. */
function answer(...replies: (number | 'away')[]) {
  const sent: string[] = [];
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    const reply = replies.shift() ?? 200;
    if (reply === 'away') throw new TypeError('no network');
    if (reply === 200) sent.push(...idsOf(body));
    const refused = { code: 'bad-request', message: 'There is no such figure.', id: '1' };
    return Response.json(reply === 200 ? { stored: [] } : refused, { status: reply });
  });
  return sent;
}

const calls = { onSent: vi.fn(), onSessionLost: vi.fn() };

beforeEach(() => {
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('navigator', {
    locks: { request: (_: string, __: object, work: (lock: object) => unknown) => work({}) },
  });
  vi.clearAllMocks();
});
afterEach(async () => {
  const { stopSending } = await import('./outbox.ts');
  stopSending();
  vi.unstubAllGlobals();
});

test('what waits is sent in order, once each, and is then gone', async () => {
  const { keepEvent, sendWaiting, waitingEvents } = await loadOutbox();
  const sent = answer();
  for (const id of ['a', 'b', 'c']) await keepEvent(event(id));
  expect(waitingEvents().map(({ entry: { id } }) => id)).toEqual(['a', 'b', 'c']);
  await sendWaiting(OWNER, calls);
  expect(sent).toEqual(['a', 'b', 'c']);
  expect(waitingEvents()).toEqual([]);
  expect(calls.onSent).toHaveBeenCalledTimes(3);
});

test('what is kept while somebody sends goes at once, and waits when nobody does', async () => {
  vi.stubGlobal('window', new EventTarget());
  const { keepEvent, sendFor, waitingEvents } = await loadOutbox();
  const sent = answer();
  const stop = sendFor(OWNER, calls);
  await keepEvent(event('a'));
  await vi.waitFor(() => expect(sent).toEqual(['a']));
  stop();
  await keepEvent(event('b'));
  expect(waitingEvents().map(({ entry: { id } }) => id)).toContain('b');
  const again = sendFor(OWNER, calls);
  await vi.waitFor(() => expect(sent).toEqual(['a', 'b']));
  again();
});

test('while nobody answers all of it stays, over a reload, and goes when somebody does', async () => {
  const first = await loadOutbox();
  answer('away');
  await first.keepEvent(event('a'));
  await first.keepEvent(event('b'));
  await first.sendWaiting(OWNER, calls);
  first.stopSending();
  const again = await loadOutbox();
  const sent = answer();
  await again.sendWaiting(OWNER, calls);
  expect(sent).toEqual(['a', 'b']);
});

test('what is refused is told and kept, does not hold up the rest, and is put away when it was seen', async () => {
  const { forgetRefused, keepEvent, sendWaiting, waitingEvents } = await loadOutbox();
  const sent = answer(400, 400);
  await keepEvent(event('a'));
  await keepEvent(event('b'));
  await sendWaiting(OWNER, calls);
  expect(sent).toEqual(['b']);
  expect(waitingEvents()).toMatchObject([{ entry: { id: 'a' }, refused: 'There is no such figure.' }]);
  await forgetRefused(OWNER);
  expect(waitingEvents()).toEqual([]);
});

test('one person’s taps are not sent as another’s', async () => {
  const { keepEvent, sendWaiting, waitingEvents } = await loadOutbox();
  const sent = answer();
  await keepEvent(event('a', 'tarn/suki'));
  await keepEvent(event('b'));
  await sendWaiting(OWNER, calls);
  expect(sent).toEqual(['b']);
  expect(waitingEvents().map(({ owner }) => owner)).toEqual(['tarn/suki']);
});

test('what a page of the first version had left waits on, and is sent', async () => {
  const old = await openDB('map-step', 1, {
    upgrade: database => {
      database.createObjectStore('logs', { autoIncrement: true });
    },
  });
  await old.add('logs', { owner: OWNER, section: 'hustle-1-monday', log: entry('old') });
  await old.add('logs', { owner: OWNER, section: 'hustle-1-monday', log: entry('no'), refused: 'Not so.' });
  old.close();
  const { keepEvent, sendWaiting, waitingEvents } = await loadOutbox();
  const sent = answer();
  await keepEvent(event('new'));
  expect(waitingEvents()).toMatchObject([
    { kind: 'log', entry: { id: 'old' } },
    { kind: 'log', entry: { id: 'no' }, refused: 'Not so.' },
    { kind: 'log', entry: { id: 'new' } },
  ]);
  await sendWaiting(OWNER, calls);
  expect(sent).toEqual(['old', 'new']);
});

test('what a page of the second version had left waits on, and is sent under its new name', async () => {
  const old = await openDB('map-step', 2, {
    upgrade: database => {
      database.createObjectStore('events', { autoIncrement: true }).createIndex('owner', 'owner');
    },
  });
  const here = { id: 'here', lesson: 5, student: 'ana', role: 'lead', here: true, at: entry('x').at };
  const place = { owner: OWNER, section: 'hustle-1-monday' };
  await old.add('events', { ...place, kind: 'attendance', entry: here });
  await old.add('events', event('log'));
  old.close();
  const { sendWaiting, waitingEvents } = await loadOutbox();
  const sent: object[] = [];
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    sent.push(JSON.parse(body));
    return Response.json({ stored: [] });
  });
  await sendWaiting(OWNER, calls);
  expect(sent).toEqual([
    {
      events: [
        { kind: 'present', entry: here },
        { kind: 'log', entry: entry('log') },
      ],
    },
  ]);
  expect(waitingEvents()).toEqual([]);
});

test('what waits of one class goes together; of a refused batch only the wrong one is kept back', async () => {
  const { keepEvent, sendWaiting, waitingEvents } = await loadOutbox();
  const bodies: string[][] = [];
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    const events = idsOf(body);
    bodies.push(events);
    const isWrong = events.includes('wrong');
    const refused = { code: 'bad-request', message: 'This check does not ask for it.', id: '1' };
    return Response.json(isWrong ? refused : { stored: [] }, { status: isWrong ? 400 : 200 });
  });
  const mark = (id: string, section = 'hustle-1-monday') => ({
    ...{ owner: OWNER, section, kind: 'mark' as const, check: 'final' },
    entry: {
      ...{ id, student: 'ana', role: 'lead' as const, pattern: 'wrap', layer: 'steps' as const },
      ...{ mark: 2 as const, at: '2026-03-09T19:20:00.000Z' },
    },
  });
  for (const id of ['a', 'wrong']) await keepEvent(mark(id));
  await keepEvent(event('b'));
  await keepEvent(mark('c', 'hustle-1-friday'));
  await sendWaiting(OWNER, calls);
  expect(bodies).toEqual([['a', 'wrong', 'b'], ['a'], ['wrong'], ['b'], ['c']]);
  expect(waitingEvents().map(({ entry: { id }, refused }) => [id, refused])).toEqual([
    ['wrong', 'This check does not ask for it.'],
  ]);
  expect(calls.onSent).toHaveBeenCalledTimes(3);
});
