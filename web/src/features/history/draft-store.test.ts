import type { Pattern } from '@map-step/core';
import { beforeEach, expect, test, vi } from 'vitest';
import { createDraftStore } from './draft-store.ts';

const figure: Pattern = { id: 'pier', dance: 'hustle', name: 'Pier', kind: 'basic' };
const draft = { base: null, now: figure, what: 'Written', past: [], future: [] };
const kept = new Map<string, string>();

/** The store as a page makes it: it remembers nothing but what the browser kept. */
const openStore = () => createDraftStore<Pattern>('figures');

beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  });
});

test('a draft is kept under its person and figure, and read again after a reload', () => {
  const first = openStore();
  first.keep('studio/ana', 'pier', draft);
  expect(JSON.parse(kept.get('map-step-figures/studio/ana') ?? '')).toEqual({ pier: draft });
  const again = openStore();
  again.keep('studio/ana', 'quay', { ...draft, now: { ...figure, id: 'quay' } });
  expect(Object.keys(JSON.parse(kept.get('map-step-figures/studio/ana') ?? ''))).toEqual(['pier', 'quay']);
});

test('what one person has begun is not another’s, and what is forgotten is gone', () => {
  const store = openStore();
  store.keep('studio/ana', 'pier', draft);
  store.keep('studio/bea', 'pier', draft);
  store.keep('studio/ana', 'pier', undefined);
  expect(kept.get('map-step-figures/studio/ana')).toBe('{}');
  expect(JSON.parse(kept.get('map-step-figures/studio/bea') ?? '')).toEqual({ pier: draft });
});
