import { expect, test } from 'vitest';
import { openBuckets } from './buckets.ts';

test('each has a burst, then what comes back; one who floods takes nothing from another', () => {
  let now = 0;
  const buckets = openBuckets({ perSecond: 2, burst: 4 }, () => now);
  const taken = (who: string, times: number) =>
    Array.from({ length: times }, () => buckets.take(who)).filter(Boolean).length;
  expect(taken('a', 9)).toBe(4);
  expect(taken('b', 9)).toBe(4);
  now += 1500;
  expect(taken('a', 9)).toBe(3);
  now += 60_000;
  expect(taken('a', 9)).toBe(4);
});

test('what something turned out to cost is paid back before more is taken', () => {
  let now = 0;
  const buckets = openBuckets({ perSecond: 100, burst: 1000 }, () => now);
  expect(buckets.take('a')).toBe(true);
  buckets.charge('a', 3000);
  expect(buckets.take('a')).toBe(false);
  now += 20_000;
  expect(buckets.take('a')).toBe(false);
  now += 1000;
  expect(buckets.take('a')).toBe(true);
});
