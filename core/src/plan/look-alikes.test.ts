import { expect, test } from 'vitest';
import { doBlur, lookAlikesOf } from './look-alikes.ts';
import type { PlanProblem } from './problem.ts';

test.each([
  ['kept apart, in one lesson', true, 3, 3, true],
  ['kept apart, one lesson further', true, 3, 4, false],
  ['side by side, one lesson further', false, 3, 4, false],
  ['side by side, two lessons further', false, 3, 5, true],
])('%s: %s, %s and %s', (_, apart, one, other, blurs) => {
  expect(doBlur(apart, one, other)).toBe(blurs);
  expect(doBlur(apart, other, one)).toBe(blurs);
});

test('what looks like a figure is told with its lesson; what is left out blurs with nothing', () => {
  const problem: PlanProblem = {
    lessons: [],
    items: [],
    elements: {},
    lookalikes: [
      ['wrap', 'unwrap'],
      ['gather', 'wrap'],
      ['gather', 'sway'],
    ],
    apart: true,
  };
  expect(lookAlikesOf(problem, { wrap: 2, unwrap: 2 }, 'wrap')).toEqual([
    { id: 'unwrap', lesson: 2, blurs: true },
    { id: 'gather', lesson: undefined, blurs: false },
  ]);
  expect(lookAlikesOf(problem, { wrap: 2 }, 'sway')).toEqual([
    { id: 'gather', lesson: undefined, blurs: false },
  ]);
});
