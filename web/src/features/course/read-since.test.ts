import type { CheckAnswer, SectionAnswer } from '@map-step/contract';
import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { keys, sectionQuery } from './course-queries.ts';
import { readAgain } from './read-again.ts';
import { readSince } from './read-since.ts';

const CLASS = 'monday';
const AT = '2026-03-09T19:20:00Z';
const log = (id: string) => ({
  kind: 'log',
  entry: { id, section: CLASS, lesson: 2, pattern: 'wrap', result: 'solid', by: 'bram', at: AT },
});
const mark = (id: string, check: string) => ({
  kind: 'mark',
  check,
  entry: { id, student: 'ida', role: 'lead', pattern: 'wrap', layer: 'steps', mark: 2, by: 'bram', at: AT },
});

let client: QueryClient;
const asked: string[] = [];
/** What the server answers, one request after the other. */
function answer(...replies: (object | 'away')[]): void {
  vi.stubGlobal('fetch', async (address: string) => {
    asked.push(address);
    const reply = replies.shift() ?? 'away';
    if (reply === 'away') throw new TypeError('no network');
    return Response.json(reply);
  });
}
const section = () => client.getQueryData<SectionAnswer>(sectionQuery(CLASS).queryKey);
const idsOf = (entries: readonly { readonly id: string }[] = []) => entries.map(({ id }) => id);

beforeEach(() => {
  asked.length = 0;
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(sectionQuery(CLASS).queryKey, {
    ...({ seq: 7, logs: [log('a').entry], attendance: [], notes: [] } as unknown as SectionAnswer),
  });
  client.setQueryData<CheckAnswer>(keys.check(CLASS, 'final'), {
    ...({ version: 1, body: { id: 'final', section: CLASS, marks: [] } } as unknown as CheckAnswer),
  });
});
afterEach(() => vi.unstubAllGlobals());

test('what came after is added where it belongs, by one request that says what is known', async () => {
  answer({ events: [log('b'), mark('m', 'final'), mark('n', 'other')], seq: 10, isAll: true });
  expect(await readSince(client, CLASS, 10)).toBe(true);
  expect(asked).toEqual(['/api/sections/monday/events?after=7']);
  expect([idsOf(section()?.logs), section()?.seq]).toEqual([['a', 'b'], 10]);
  expect(idsOf(client.getQueryData<CheckAnswer>(keys.check(CLASS, 'final'))?.body.marks)).toEqual(['m']);
  expect(client.getQueryData(keys.check(CLASS, 'other'))).toBeUndefined();
});

test('what was put down here stands where the server has it, also behind what somebody else put down before', async () => {
  const { queryKey } = sectionQuery(CLASS);
  client.setQueryData<SectionAnswer>(
    queryKey,
    known => known && { ...known, logs: [...known.logs, log('own').entry] as SectionAnswer['logs'] },
  );
  answer({ events: [log('other'), log('own')], seq: 9, isAll: true });
  await readSince(client, CLASS, 9);
  expect(idsOf(section()?.logs)).toEqual(['a', 'other', 'own']);
});

test('what is known already is not asked for, and two who hear of it at once ask once', async () => {
  answer({ events: [log('b')], seq: 9, isAll: true });
  expect(await readSince(client, CLASS, 7)).toBe(true);
  expect(asked).toEqual([]);
  await Promise.all([readSince(client, CLASS, 8), readSince(client, CLASS, 9)]);
  expect(asked.length).toBe(1);
});

test('who hears of an event while an older question is on its way asks once more', async () => {
  answer({ events: [log('b')], seq: 8, isAll: true }, { events: [log('c')], seq: 9, isAll: true });
  await Promise.all([readSince(client, CLASS, 8), readSince(client, CLASS, 9)]);
  expect(asked.map(address => address.split('=')[1])).toEqual(['7', '8']);
  expect(idsOf(section()?.logs)).toEqual(['a', 'b', 'c']);
});

test('an event that is not there any more is not asked for without end', async () => {
  answer({ events: [], seq: 7, isAll: true });
  expect(await readSince(client, CLASS, 9)).toBe(true);
  expect(asked.length).toBe(1);
});

test('more than one answer tells is asked for in turn', async () => {
  answer({ events: [log('b')], seq: 8, isAll: false }, { events: [log('b'), log('c')], seq: 9, isAll: true });
  await readSince(client, CLASS, 9);
  expect(asked.map(address => address.split('=')[1])).toEqual(['7', '8']);
  expect(idsOf(section()?.logs)).toEqual(['a', 'b', 'c']);
});

test('an older answer that is on its way does not take the place of what is added', async () => {
  let arrive: (answer: object) => void = () => undefined;
  const late = new Promise<object>(resolve => {
    arrive = resolve;
  });
  const queryKey = sectionQuery(CLASS).queryKey;
  const reading = client.fetchQuery({ queryKey, queryFn: () => late as Promise<SectionAnswer> });
  answer({ events: [log('b')], seq: 8, isAll: true });
  const since = readSince(client, CLASS, 8);
  arrive({ seq: 7, logs: [log('a').entry], attendance: [], notes: [] });
  await Promise.all([reading, since]);
  expect(idsOf(section()?.logs)).toEqual(['a', 'b']);
});

test('where nothing is known, or nobody answers, all of it is read again', async () => {
  answer('away');
  readAgain(client, { topic: 'section', id: CLASS, seq: 9 });
  const isStale = () => client.getQueryState(sectionQuery(CLASS).queryKey)?.isInvalidated;
  await vi.waitFor(() => expect(isStale()).toBe(true));
  expect(await readSince(client, 'friday', 1)).toBe(false);
});

test('a class that is read again says what is known, and what came after comes to it', async () => {
  answer({ after: 7, seq: 9, logs: [log('b').entry], attendance: [], notes: [], students: [] });
  await client.fetchQuery({ ...sectionQuery(CLASS), staleTime: 0 });
  expect(asked).toEqual(['/api/sections/monday?after=7']);
  expect([idsOf(section()?.logs), section()?.seq]).toEqual([['a', 'b'], 9]);
  answer({ seq: 9, logs: [log('b').entry], attendance: [], notes: [], students: [] });
  await client.fetchQuery({ ...sectionQuery(CLASS), staleTime: 0 });
  expect(idsOf(section()?.logs)).toEqual(['b']);
});
