import { expect, test } from 'vitest';
import { judgeTimetable } from './judge-timetable.ts';
import type { TimetableRequest } from './timetable-request.ts';

const evening = { day: 'Mon', from: '18:00', to: '22:00' };
const request: TimetableRequest = {
  classes: [
    { level: 'hustle1', times: 1, minutes: 60 },
    { level: 'hustle2', times: 2, minutes: 60 },
  ],
  slots: [
    { room: 'loft', day: 'Mon', start: '18:00', end: '22:00' },
    { room: 'net', day: 'Mon', start: '18:00', end: '20:00' },
  ],
  staff: [
    { person: 'ana', levels: ['hustle1', 'hustle2'], free: [evening], most: 1 },
    { person: 'pim', levels: ['hustle1'], free: [{ ...evening, from: '19:00' }], most: 3 },
  ],
};
const held = (level: string, start: string, room: string, person: string, n = 1) => ({
  ...{ level, n, day: 'Mon', start, room, person },
});
const judge = (...placed: ReturnType<typeof held>[]) => judgeTimetable(request, placed, () => 'hustle');

test.each([
  ['room', [held('hustle1', '18:00', 'loft', 'ana'), held('hustle1', '19:00', 'loft', 'pim')], [0, 1]],
  ['closed', [held('hustle1', '19:30', 'net', 'pim')], [0]],
  ['level', [held('hustle2', '19:00', 'loft', 'pim')], [0]],
  ['away', [held('hustle1', '18:45', 'loft', 'pim')], [0]],
  ['most', [held('hustle1', '18:00', 'loft', 'ana'), held('hustle2', '20:00', 'loft', 'ana')], [0, 1]],
] as const)('a broken rule is named with its classes: %s', (code, placed, at) => {
  expect(judge(...placed).broken).toEqual([{ code, at }]);
});

test('a person in two rooms at once is named, and what waiting, overlaps and classes left cost is counted', () => {
  const both = judge(held('hustle1', '19:00', 'loft', 'pim'), held('hustle1', '19:00', 'net', 'pim'));
  expect(both.broken).toEqual([{ code: 'person', at: [0, 1] }]);
  // One is left, ana comes for one class alone, and so does pim; two levels of one dance overlap.
  const { broken, cost } = judge(
    held('hustle2', '19:15', 'loft', 'ana'),
    held('hustle1', '19:00', 'net', 'pim'),
  );
  expect([broken, cost]).toEqual([[], 100 + 3 + 3 + 10]);
  const waiting = judge(held('hustle1', '19:00', 'loft', 'pim'), held('hustle1', '20:45', 'loft', 'pim', 2));
  expect(waiting.cost).toBe(100 + 3);
});
