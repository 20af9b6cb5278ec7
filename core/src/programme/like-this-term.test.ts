import { expect, test } from 'vitest';
import { likeThisTerm } from './like-this-term.ts';

const bram = { person: 'bram' };
const held = (
  level: string,
  date: string,
  start: string,
  room: string,
  ...staff: { person: string; to?: string }[]
) => ({
  ...{ level, start, dates: [date], room, staff, minutes: 60 },
});

test('rooms are open within their widest hours on their days, staff teach what, when and as often as now', () => {
  const asked = [{ level: 'one', times: 2, minutes: 60 }];
  expect(
    likeThisTerm(
      [
        held('one', '2026-03-09', '19:00', 'loft', bram),
        held('two', '2026-03-16', '20:15', 'loft', bram, { person: 'suki', to: '2026-03-16' }),
        held('one', '2026-03-14', '10:00', 'loft'),
        held('one', '2026-03-12', '18:00', 'loft', { person: 'suki' }),
      ],
      asked,
    ),
  ).toEqual({
    classes: asked,
    slots: [
      { room: 'loft', day: 'Monday', start: '18:00', end: '21:15' },
      { room: 'loft', day: 'Thursday', start: '18:00', end: '21:15' },
      { room: 'loft', day: 'Saturday', start: '10:00', end: '11:00' },
    ],
    staff: [
      {
        person: 'bram',
        levels: ['one', 'two'],
        free: [{ day: 'Monday', from: '19:00', to: '21:15' }],
        most: 2,
      },
      { person: 'suki', levels: ['one'], free: [{ day: 'Thursday', from: '18:00', to: '19:00' }], most: 1 },
    ],
  });
  expect(likeThisTerm([], asked)).toEqual({ classes: asked, slots: [], staff: [] });
});
