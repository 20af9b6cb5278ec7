import { expect, test } from 'vitest';
import { learnRatios } from './learned-minutes.ts';

const took = (planned: number, taken: number) => ({ kind: 'turn' as const, planned, taken });

test('one slow evening changes little: (3 + 1·2) / 4 = 1.25', () => {
  expect(learnRatios([took(10, 20)])).toEqual([{ kind: 'turn', ratio: 1.25, count: 1 }]);
});

test('the median leaves an odd one aside: ratios 1, 1.2, 9 give (3 + 3·1.2) / 6 = 1.1', () => {
  const [turns] = learnRatios([took(10, 10), took(10, 12), took(10, 90)]);
  expect(turns?.ratio).toBeCloseTo(1.1, 10);
});

test('of an even number the middle two are averaged; what has no minutes says nothing', () => {
  const [turns] = learnRatios([took(10, 10), took(10, 20), took(0, 5), took(5, 0)]);
  expect(turns).toEqual({ kind: 'turn', ratio: (3 + 2 * 1.5) / 5, count: 2 });
  expect(learnRatios([])).toEqual([]);
});
