import 'fake-indexeddb/auto';
import type { Pattern } from '@map-step/core';
import { IDBFactory } from 'fake-indexeddb';
import { beforeEach, expect, test, vi } from 'vitest';
import type { DraftStore } from './draft-store.ts';

const figure: Pattern = { id: 'pier', dance: 'hustle', name: 'Pier', kind: 'basic' };
const draft = { base: null, now: figure, what: 'Written', past: [], future: [] };
const local = new Map<string, string>();

/** The store as a page makes it when it is opened: it knows nothing but what the browser kept. */
async function openPage(): Promise<DraftStore<Pattern>> {
  vi.resetModules();
  const { createDraftStore } = await import('./draft-store.ts');
  return createDraftStore<Pattern>('figures');
}
const ids = (store: DraftStore<Pattern>, owner = 'studio/ana') => Object.keys(store.read(owner)).sort();
const eventually = (check: () => void) => vi.waitFor(check, 2000);

beforeEach(() => {
  local.clear();
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => local.get(key) ?? null,
    removeItem: (key: string) => local.delete(key),
  });
});

test('a draft is there at once, and again after a reload', async () => {
  const first = await openPage();
  first.keep('studio/ana', 'pier', draft);
  expect(ids(first)).toEqual(['pier']);
  const again = await openPage();
  await eventually(() => expect(ids(again)).toEqual(['pier']));
});

test('two tabs write beside one another: neither erases what the other has, and each hears of it', async () => {
  const [one, other] = [await openPage(), await openPage()];
  expect([ids(one), ids(other)]).toEqual([[], []]);
  one.keep('studio/ana', 'pier', draft);
  other.keep('studio/ana', 'quay', { ...draft, now: { ...figure, id: 'quay' } });
  await eventually(() =>
    expect([ids(one), ids(other)]).toEqual([
      ['pier', 'quay'],
      ['pier', 'quay'],
    ]),
  );
  one.keep('studio/ana', 'pier', undefined);
  await eventually(() => expect(ids(other)).toEqual(['quay']));
  const later = await openPage();
  await eventually(() => expect(ids(later)).toEqual(['quay']));
});

test('what one person has begun is not another’s', async () => {
  const store = await openPage();
  store.keep('studio/ana', 'pier', draft);
  expect(ids(store, 'studio/bea')).toEqual([]);
});

test('drafts of an earlier version are still there', async () => {
  local.set('map-step-figures/studio/ana', JSON.stringify({ pier: draft }));
  const store = await openPage();
  expect(ids(store)).toEqual([]);
  await eventually(() => expect(ids(store)).toEqual(['pier']));
  expect(local.size).toBe(0);
});

test('a storage that is full or forbidden is told, and what was typed stays', async () => {
  const store = await openPage();
  vi.stubGlobal('indexedDB', {
    open: () => {
      throw new DOMException('no', 'SecurityError');
    },
  });
  store.keep('studio/ana', 'pier', draft);
  await eventually(() => expect(store.fault()?.message).toMatch(/full or forbidden/));
  expect(ids(store)).toEqual(['pier']);
});
