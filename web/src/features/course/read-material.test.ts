import type { Material } from '@map-step/contract';
import { afterEach, expect, test, vi } from 'vitest';
import { readMaterial } from './read-material.ts';

const figures = (...names: string[]) =>
  names.map(name => ({ id: name.toLowerCase(), name })) as unknown as Material['patterns'];
const material = (patterns: Material['patterns']): Material => ({
  ...{ dances: [], levels: [], elements: [] },
  patterns,
});
const order = (...patterns: string[]) => ({ ...material([]), patterns });
const known = { stamp: 'a/hustle:1', material: material(figures('Wrap', 'Basket', 'Gone')) };

const asked: string[] = [];
function answer(...replies: object[]): void {
  asked.length = 0;
  vi.stubGlobal('fetch', async (address: string) => {
    asked.push(address);
    return Response.json(replies.shift());
  });
}
afterEach(() => vi.unstubAllGlobals());

test('what changed takes its place among what is known, what is gone goes, and the order is the server’s', async () => {
  const patterns = figures('Turn', 'Basket');
  answer({ stamp: 'a/hustle:2', material: material(patterns), order: order('turn', 'wrap', 'basket') });
  const { stamp, material: joined } = await readMaterial('hustle-1', known);
  expect(stamp).toBe('a/hustle:2');
  expect(joined.patterns.map(({ id }) => id)).toEqual(['turn', 'wrap', 'basket']);
  expect(joined.patterns[2]).toEqual(patterns[1]);
  expect(joined.patterns[1]).toBe(known.material.patterns[0]);
});

test('nothing new is what is known; what cannot be joined is asked for with all the rest', async () => {
  answer({ stamp: known.stamp, material: null });
  expect(await readMaterial('hustle-1', known)).toBe(known);
  const all = material(figures('Wrap', 'Walk'));
  answer(
    { stamp: 'a/hustle:2', material: material([]), order: order('wrap', 'walk') },
    { stamp: 'a/hustle:2', material: all },
  );
  expect((await readMaterial('hustle-1', known)).material).toEqual(all);
  expect(asked).toEqual([
    '/api/material?course=hustle-1&stamp=a%2Fhustle%3A1',
    '/api/material?course=hustle-1',
  ]);
});
