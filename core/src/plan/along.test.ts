import { expect, test } from 'vitest';
import { tenths } from '../model/units.ts';
import { item, problem } from '../test/plan-problems.ts';
import { judgePlan } from './judge.ts';

const walk = item('walk', { assembly: tenths(50) });
const turn = item('turn', { assembly: tenths(40), needs: ['walk'] });
const double = item('double', { assembly: tenths(40), needs: ['turn'] });
const other = item('other', { assembly: tenths(40) });
const given = problem([walk, turn, double, other], {
  lessons: Array.from({ length: 6 }, () => ({ capacity: tenths(300) })),
  along: true,
});
const reviewsIn = (placed: Record<string, number>, lesson: number, of = given) =>
  judgePlan(of, placed).lessons[lesson - 1]?.reviews.map(({ id, minutes, within }) => [id, minutes, within]);

test('a review takes half, half up, where what needs it is new: 25 of 50 become 13', () => {
  expect(reviewsIn({ walk: 1, turn: 2 }, 2)).toEqual([['walk', 13, 'turn']]);
  expect(reviewsIn({ walk: 1, turn: 2 }, 2, { ...given, along: false })).toEqual([['walk', 25, undefined]]);
});

test('and where what needs it is reviewed, through any number of needs', () => {
  // Double is new in 2 and reviewed in 3, 4 and 6; walk is reviewed in 2, 3 and 5.
  expect(reviewsIn({ walk: 1, double: 2 }, 3)?.[0]).toEqual(['walk', 8, 'double']);
  expect(reviewsIn({ walk: 1, double: 2 }, 5)).toEqual([['walk', 10, undefined]]);
});

test('not where something else is, nor in an open course', () => {
  expect(reviewsIn({ walk: 1, other: 2 }, 2)).toEqual([['walk', 25, undefined]]);
  expect(reviewsIn({ walk: 1, turn: 2 }, 2, { ...given, open: true })).toEqual([]);
});
