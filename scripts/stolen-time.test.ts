import { expect, test } from 'vitest';
import { judgeReadings, type Reading, readCounts } from './bench/stolen-time.ts';

test('the counts of all processors are added up: 10 + 1 + 5 + 80 + 2 + 0 + 1 + 7 = 106 ticks, 7 of them stolen', () => {
  expect(readCounts('cpu  10 1 5 80 2 0 1 7 0 0\ncpu0 1 1 1 1 1 1 1 1 0 0\n', 12)).toEqual({
    at: 12,
    stolen: 7,
    total: 106,
  });
});

/** Half-second spans of 100 ticks, of which so many were stolen. */
function readingsOf(...lost: number[]): Reading[] {
  let stolen = 0;
  return [0, ...lost].map((ticks, index) => {
    stolen += ticks;
    return { at: index * 500, stolen, total: index * 100 };
  });
}

test('a span that lost time and the one after it are set apart: 3 of 5 are left', () => {
  const { isQuiet, quietShare } = judgeReadings(readingsOf(0, 20, 0, 0, 3));
  expect(quietShare).toBeCloseTo(3 / 5);
  expect(isQuiet(100, 400)).toBe(true);
  expect(isQuiet(400, 600)).toBe(false);
  expect(isQuiet(1100, 1200)).toBe(false);
  expect(isQuiet(1600, 2400)).toBe(true);
});

test('where the kernel does not count, all time is quiet', () => {
  const { isQuiet, quietShare } = judgeReadings([]);
  expect(quietShare).toBe(1);
  expect(isQuiet(0, 1e9)).toBe(true);
});
