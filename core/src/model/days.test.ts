import { expect, test } from 'vitest';
import { addDays, daysBetween } from './days.ts';

test('days are counted over a change of the clocks', () => {
  expect(daysBetween('2026-03-27', '2026-03-30')).toBe(3);
  expect(addDays('2026-10-24', 2)).toBe('2026-10-26');
});
