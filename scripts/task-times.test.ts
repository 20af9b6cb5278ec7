import { expect, test } from 'vitest';
import { readTrace } from './bench/task-times.ts';

const page = { pid: 7, tid: 1 };
const mark = { name: 'task-times', ts: 5_000_000, ...page };
/** From so many milliseconds after the mark. */
const task = (from: number, lasted: number, worked: number, thread = page) => ({
  name: 'RunTask',
  ts: mark.ts + from * 1000,
  dur: lasted * 1000,
  tdur: worked * 1000,
  ...thread,
});

test('a task that was seen is found by its time, with what the page worked in it', () => {
  const worked = readTrace([mark, task(10, 60, 20), task(100, 12, 11)], 90_000);
  expect(worked.of({ at: 90_010, duration: 60 })).toBe(20);
  expect(worked.of({ at: 90_099, duration: 13 })).toBe(11);
  expect(worked.of({ at: 90_080, duration: 4 })).toBeUndefined();
});

test('what other threads and other pages worked does not count', () => {
  const others = [task(0, 90, 90, { pid: 7, tid: 2 }), task(0, 80, 80, { pid: 8, tid: 1 })];
  const worked = readTrace([mark, ...others], 90_000);
  expect(worked.of({ at: 90_000, duration: 90 })).toBeUndefined();
});

test('without the mark nothing is known', () => {
  expect(readTrace([task(0, 60, 20)], 90_000).of({ at: 90_000, duration: 60 })).toBeUndefined();
});
