import type { Pattern } from '@map-step/core';
import { beforeEach, expect, test, vi } from 'vitest';

const figure: Pattern = { id: 'pier', dance: 'hustle', name: 'Pier', kind: 'basic' };
const draft = { base: null, now: figure, past: [], future: [] };
const kept = new Map<string, string>();

/** The module as a page loads it: it remembers nothing but what the browser kept. */
async function loadStore() {
  vi.resetModules();
  return import('./draft-store.ts');
}

beforeEach(() => {
  kept.clear();
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  });
});

test('a draft is kept under its person and figure, and read again after a reload', async () => {
  const first = await loadStore();
  first.keepDraft('studio/ana', 'pier', draft);
  expect(JSON.parse(kept.get('map-step-figures/studio/ana') ?? '')).toEqual({ pier: draft });
  const again = await loadStore();
  again.keepDraft('studio/ana', 'quay', { ...draft, now: { ...figure, id: 'quay' } });
  expect(Object.keys(JSON.parse(kept.get('map-step-figures/studio/ana') ?? ''))).toEqual(['pier', 'quay']);
});

test('what one person has begun is not another’s, and what is forgotten is gone', async () => {
  const store = await loadStore();
  store.keepDraft('studio/ana', 'pier', draft);
  store.keepDraft('studio/bea', 'pier', draft);
  store.keepDraft('studio/ana', 'pier', undefined);
  expect(kept.get('map-step-figures/studio/ana')).toBe('{}');
  expect(JSON.parse(kept.get('map-step-figures/studio/bea') ?? '')).toEqual({ pier: draft });
});
