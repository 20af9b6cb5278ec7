import { expect, test } from 'vitest';
import { isOnStaff, ownLessons } from './staff.ts';

const section = {
  dates: ['2026-03-02', '2026-03-09', '2026-03-16', '2026-03-23'],
  staff: [
    { person: 'ana' },
    { person: 'ben', from: '2026-03-09', to: '2026-03-09' },
    { person: 'cy', from: '2026-03-16' },
    { person: 'dot', to: '2026-03-02' },
    { person: 'dot', from: '2026-03-23' },
  ],
};

test.each([
  ['somebody without days teaches every lesson', 'ana', [1, 2, 3, 4, 5]],
  ['a stand-in for one day teaches the lesson of that day', 'ben', [2]],
  ['from a day on: that day too, and no lesson without a date', 'cy', [3, 4]],
  ['two stretches add up', 'dot', [1, 4]],
  ['a stranger teaches none', 'eve', []],
])('%s', (_, person, lessons) => {
  expect(ownLessons(section, person, 5)).toEqual(lessons);
});

test('a day outside the given ones is not theirs', () => {
  expect(isOnStaff(section, 'ben', '2026-03-10')).toBe(false);
  expect(isOnStaff(section, 'ben', undefined)).toBe(false);
});
