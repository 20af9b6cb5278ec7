import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { shareOut } from './shares.ts';

describe('minutes are shared by the largest remainder', () => {
  test.each([
    [10, [1, 1, 1], [4, 3, 3]],
    [7, [5, 3], [4, 3]],
    [60, [35, 25], [35, 25]],
    [5, [0, 0], [5, 0]],
    [3, [], []],
  ])('%d over %j is %j', (total, weights, shares) => {
    expect(shareOut(total, weights)).toEqual(shares);
  });

  test('shares always add up', () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 500 }),
        fc.array(fc.nat({ max: 90 }), { minLength: 1, maxLength: 12 }),
        (total, weights) => {
          expect(shareOut(total, weights).reduce((sum, share) => sum + share, 0)).toBe(total);
        },
      ),
      { seed: 9 },
    );
  });
});
