import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { LogResult } from '../model/document.ts';
import { recallOn } from './recall.ts';

const danced = (...results: readonly LogResult[]) =>
  results.map((result, week) => ({
    pattern: 'a',
    date: `2026-01-${String(5 + 7 * week).padStart(2, '0')}`,
    result,
  }));
const recall = (results: readonly LogResult[], day = '2026-02-09') =>
  recallOn(danced(...results), day).get('a');

test('what was never danced is not remembered, and what was not reached says nothing', () => {
  expect(recall([])).toBeUndefined();
  expect(recall(['not-reached'])).toBeUndefined();
  expect(recall(['solid', 'not-reached'])).toBe(recall(['solid']));
});

test('solid is kept longer than shaky, and shaky longer than touched', () => {
  const [solid = 0, shaky = 0, touched = 0] = (['solid', 'shaky', 'touched'] as const).map(one =>
    recall([one]),
  );
  expect(solid).toBeGreaterThan(shaky);
  expect(shaky).toBeGreaterThan(touched);
  expect(recall(['solid', 'solid'])).toBeGreaterThan(solid);
});

test('a figure fades from day to day, and what comes after the day changes nothing', () => {
  const days = ['2026-01-05', '2026-01-06', '2026-01-12', '2026-02-12', '2026-06-12'];
  const faded = days.map(day => recall(['solid', 'solid'], day) ?? 0);
  expect(faded[0]).toBe(1);
  expect(recall(['solid'], '2026-01-11')).toBe(recall(['solid', 'shaky'], '2026-01-11'));
  for (const [index, value] of faded.slice(3).entries()) expect(value).toBeLessThan(faded[2 + index] ?? 0);
});

test('any history gives a probability, whatever the order in which it is told', () => {
  const result = fc.constantFrom<LogResult>('solid', 'shaky', 'touched', 'not-reached');
  fc.assert(
    fc.property(fc.array(result, { maxLength: 4 }), results => {
      const value = recall(results);
      expect(value === undefined || (value >= 0 && value <= 1)).toBe(true);
      expect(recallOn(danced(...results).reverse(), '2026-02-09').get('a')).toBe(value);
    }),
    { seed: 18, numRuns: 100 },
  );
});
