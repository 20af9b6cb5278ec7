import { expect, test } from 'vitest';
import { log } from '../test/log.ts';
import { brokenPromises } from './promises.ts';

const recap = (lesson: number, promises: readonly string[], more = {}) => ({
  ...{ lesson, promises, audience: 'students' as const, published: '2026-03-02T20:00:00Z' },
  ...more,
});
const told = (given: Partial<Parameters<typeof brokenPromises>[0]>) =>
  brokenPromises({ recaps: [], logs: [], placed: {}, behind: 0, ...given }).map(
    ({ pattern, lesson, now, isOver }) =>
      `${pattern} after ${lesson}: ${isOver ? 'came in' : 'planned in'} ${now}`,
  );

test('of the next lesson the plan says whether it comes; of one behind the log says whether it came', () => {
  const recaps = [recap(2, ['turn', 'wrap', 'dip'])];
  expect(told({ recaps, behind: 2, placed: { turn: 3, wrap: 4 } })).toEqual([
    'wrap after 2: planned in 4',
    'dip after 2: planned in undefined',
  ]);
  const logs = [log(3, 'turn'), log(4, 'wrap'), log(3, 'dip', 'not-reached')];
  expect(told({ recaps, logs, behind: 4, placed: { turn: 3, wrap: 3, dip: 5 } })).toEqual([
    'wrap after 2: came in 4',
    'dip after 2: planned in 5',
  ]);
});

test('what the class had begun and goes on is no broken promise', () => {
  const recaps = [recap(2, ['turn'])];
  expect(told({ recaps, logs: [log(2, 'turn', 'touched')], behind: 2, placed: { turn: 2 } })).toEqual([]);
});

test('nobody was promised what was not sent, or what only the staff read', () => {
  const unsent = recap(2, ['turn'], { published: null });
  const staff = recap(2, ['turn'], { audience: 'staff' });
  expect(told({ recaps: [unsent, staff], behind: 2 })).toEqual([]);
});
