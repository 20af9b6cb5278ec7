import fc from 'fast-check';
import { expect, test } from 'vitest';
import { markingShare } from './marking-share.ts';

test('eleven students among three, the first two for all', () => {
  const of = (marker: string) => markingShare(11, ['suki', 'bram', 'teo'], marker, 2);
  expect([of('bram'), of('suki'), of('teo')]).toEqual([
    [0, 1, 2, 5, 8],
    [0, 1, 3, 6, 9],
    [0, 1, 4, 7, 10],
  ]);
  expect(of('ottilie')).toHaveLength(11);
});

test('together they leave nobody out, and beyond what is shared nobody is marked twice', () => {
  fc.assert(
    fc.property(
      fc.nat({ max: 40 }),
      fc.uniqueArray(fc.string({ minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
      fc.nat({ max: 5 }),
      (count, markers, shared) => {
        const times = new Map<number, number>();
        for (const marker of markers)
          for (const index of markingShare(count, markers, marker, shared))
            times.set(index, (times.get(index) ?? 0) + 1);
        for (let index = 0; index < count; index += 1)
          expect(times.get(index)).toBe(index < shared && markers.length > 1 ? markers.length : 1);
      },
    ),
    { seed: 15 },
  );
});
