import { expect, test } from 'vitest';
import { tenths } from '../model/units.ts';
import { item, problem } from '../test/plan-problems.ts';
import { judgePlan } from './judge.ts';
import { easyToHard, lessonsOutOfOrder } from './places.ts';

const EIGHT = Array.from({ length: 9 }, () => ({ capacity: tenths(300) }));
/** Eight items of the same minutes over eight lessons: as hard as their number. */
const row = [3, 1, 4, 2, 8, 6, 7, 5].map(difficulty => item(`d${difficulty}`, { difficulty }));

test('the easiest that may come comes next: of eight alike each has a lesson of its own', () => {
  const places = easyToHard(problem(row, { lessons: EIGHT }));
  // Shares fall from 1.1 to 0.9: an item begins in the lesson in which the sum before it lies.
  expect(['d1', 'd2', 'd4', 'd5', 'd8'].map(id => places.get(id))).toEqual([1, 1, 3, 4, 7]);
});

test('needs come before ease, what has no difficulty comes first, elements count where they are first had', () => {
  const given = problem(
    [
      item('easy', { difficulty: 1, needs: ['hard'] }),
      item('hard', { difficulty: 9, elements: ['e'] }),
      item('middle', { difficulty: 5, elements: ['e'] }),
      item('none'),
    ],
    { elements: { e: tenths(400) } },
  );
  const places = easyToHard(given);
  // none 0, middle 4 with 40 of the element, hard 48, easy 52: of 56 minutes in 4 lessons.
  expect(Object.fromEntries(places)).toEqual({ none: 1, middle: 1, hard: 4, easy: 4 });
});

test('one lesson before or after the place is free, each beyond costs two points; what was taught costs nothing', () => {
  const given = problem(row, { lessons: EIGHT });
  const [hardest] = row.filter(({ id }) => id === 'd8');
  const out = (lesson: number) => hardest && lessonsOutOfOrder(given, hardest, lesson);
  expect([8, 7, 6, 5, 1].map(out)).toEqual([0, 0, 0, 1, 5]);
  expect(judgePlan(given, { d8: 4 }).cost.order).toBe(4);
  expect(judgePlan({ ...given, taught: { lessons: 4, items: { d8: 4 } } }, { d8: 4 }).cost.order).toBe(0);
  expect(judgePlan({ ...given, open: true }, { d8: 4 }).cost.order).toBe(0);
});

test('of several dances each has its own items and lessons', () => {
  const of = (id: string, difficulty: number, allowed: number[]) => item(id, { difficulty, allowed });
  const given = problem([of('a', 1, [1, 3]), of('b', 2, [1, 3]), of('c', 9, [2, 4]), of('d', 10, [2, 4])]);
  expect(Object.fromEntries(easyToHard(given))).toEqual({ a: 1, b: 1, c: 2, d: 2 });
});
