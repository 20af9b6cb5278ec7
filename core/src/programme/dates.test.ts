import { expect, test } from 'vitest';
import { weeklyDates } from './dates.ts';

const easter = { from: '2026-04-03', to: '2026-04-12', name: 'Spring break' };

test('lessons are a week apart, and weeks within a holiday are passed over', () => {
  expect(weeklyDates('2026-03-23', 4, [easter])).toEqual({
    dates: ['2026-03-23', '2026-03-30', '2026-04-13', '2026-04-20'],
    skipped: [{ date: '2026-04-06', name: 'Spring break' }],
  });
});

test('a change of clocks and a turn of the year move no lesson to another day', () => {
  expect(weeklyDates('2025-12-29', 14, []).dates.at(-1)).toBe('2026-03-30');
});

test('a date that is none gives no dates; a holiday without end gives what there is', () => {
  expect(weeklyDates('soon', 3, []).dates).toEqual([]);
  const always = { from: '2026-01-01', to: '9999-12-31', name: 'Closed' };
  expect(weeklyDates('2026-01-05', 3, [always]).dates).toEqual([]);
});
