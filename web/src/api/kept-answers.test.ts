import 'fake-indexeddb/auto';
import { QueryClient } from '@tanstack/react-query';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { bringBackAnswers, forgetAnswers, type Keeping, keepAnswers } from './kept-answers.ts';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 2, 9, 19);
const sessionKey = ['session'];
const page = new EventTarget();
const keeping: Keeping = {
  build: 'one',
  sessionKey,
  ownerOf: session => (session as { person?: string } | undefined)?.person,
  isKept: ([root]) => root !== 'ranks',
};

let end: () => void = () => undefined;
beforeEach(() => vi.stubGlobal('window', page));
afterEach(async () => {
  end();
  await forgetAnswers();
  vi.unstubAllGlobals();
});

/** A page on which a person loads what is given, which then is closed. */
async function leave(answers: Readonly<Record<string, unknown>>, at = NOW, own = keeping): Promise<void> {
  const client = new QueryClient();
  end = keepAnswers(client, own);
  for (const [key, data] of Object.entries(answers)) client.setQueryData([key], data, { updatedAt: at });
  page.dispatchEvent(new Event('pagehide'));
  // Reading waits until what was begun before is written.
  await bringBackAnswers(new QueryClient(), own, NOW);
  end();
}

async function open(known: Readonly<Record<string, unknown>> = {}, now = NOW, own = keeping) {
  const client = new QueryClient();
  for (const [key, data] of Object.entries(known)) client.setQueryData([key], data);
  await bringBackAnswers(client, own, now);
  return (key: string) => client.getQueryData([key]);
}

const bram = { person: 'bram' };

test('what was loaded is there again, and is as old as it was', async () => {
  await leave({ session: bram, studio: { name: 'Tarn Street' } });
  const client = new QueryClient();
  await bringBackAnswers(client, keeping, NOW + DAY);
  expect(client.getQueryData(['studio'])).toEqual({ name: 'Tarn Street' });
  expect(client.getQueryData(sessionKey)).toEqual(bram);
  expect(client.getQueryState(['studio'])?.dataUpdatedAt).toBe(NOW);
});

test('what the page knows itself is not replaced by something older', async () => {
  await leave({ session: bram, studio: 'before' });
  const data = await open({ studio: 'now' });
  expect(data('studio')).toBe('now');
});

test('nothing is kept of a page on which nobody is signed in, nor what is only computed', async () => {
  await leave({ session: {}, studio: 'a studio' });
  expect((await open())('studio')).toBeUndefined();
  await leave({ session: bram, ranks: [1, 2], studio: 'a studio' });
  const data = await open();
  expect([data('ranks'), data('studio')]).toEqual([undefined, 'a studio']);
});

test('what somebody else had loaded before stays out of sight', async () => {
  await leave({ session: { person: 'suki' }, section: 'of Suki' });
  await leave({ session: bram, studio: 'a studio' });
  const data = await open();
  expect([data('session'), data('studio'), data('section')]).toEqual([bram, 'a studio', undefined]);
});

test('another build does not get what it may not understand', async () => {
  await leave({ session: bram, studio: 'a studio' });
  expect((await open({}, NOW, { ...keeping, build: 'two' }))('studio')).toBeUndefined();
});

test('after two weeks nothing is shown any more', async () => {
  await leave({ session: bram, studio: 'a studio' });
  expect((await open({}, NOW + 13 * DAY))('studio')).toBe('a studio');
  expect((await open({}, NOW + 14 * DAY))('studio')).toBeUndefined();
});

test('what is forgotten is gone', async () => {
  await leave({ session: bram, studio: 'a studio' });
  await forgetAnswers();
  expect((await open())('studio')).toBeUndefined();
});
