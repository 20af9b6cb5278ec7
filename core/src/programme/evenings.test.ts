import { describe, expect, test } from 'vitest';
import { cancelEvening, findDateFaults } from './evenings.ts';

const WEEKS = ['2026-03-02', '2026-03-09', '2026-03-16', '2026-03-23'];
const EASTER = { from: '2026-03-28', to: '2026-04-10', name: 'Easter' };

test.each([
  ['as many as lessons, in order', WEEKS, []],
  ['one too few', WEEKS.slice(1), [{ kind: 'missing', lesson: 4 }]],
  ['one too many', [...WEEKS, '2026-04-13'], [{ kind: 'more', lesson: 5 }]],
  [
    'one in a holiday',
    [...WEEKS.slice(0, 3), '2026-03-30'],
    [{ kind: 'holiday', lesson: 4, date: '2026-03-30', name: 'Easter' }],
  ],
  [
    'one twice',
    ['2026-03-02', '2026-03-02', '2026-03-16', '2026-03-23'],
    [{ kind: 'twice', lesson: 2, date: '2026-03-02' }],
  ],
  [
    'one before the one before',
    ['2026-03-09', '2026-03-02', '2026-03-16', '2026-03-23'],
    [{ kind: 'order', lesson: 2, date: '2026-03-02' }],
  ],
])('dates: %s', (_, dates, faults) => {
  expect(findDateFaults(dates, 4, [EASTER])).toEqual(faults);
});

describe('an evening called off', () => {
  const section = { dates: WEEKS, cancelled: [{ date: '2026-02-23', why: 'Snow' }] };
  const why = 'The floor is wet';

  test('with a new one at the end, after the holidays: each later lesson comes an evening later', () => {
    const after = cancelEvening(section, '2026-03-16', why, { kind: 'new-evening', holidays: [EASTER] });
    expect(after).toEqual({
      dates: ['2026-03-02', '2026-03-09', '2026-03-23', '2026-04-13'],
      cancelled: [
        { date: '2026-02-23', why: 'Snow' },
        { date: '2026-03-16', why },
      ],
      moved: [
        { lesson: 3, from: '2026-03-16', to: '2026-03-23' },
        { lesson: 4, from: '2026-03-23', to: '2026-04-13' },
      ],
    });
  });

  test('without one: the last lesson has no evening any more', () => {
    const after = cancelEvening(section, '2026-03-23', why, { kind: 'none' });
    expect(after).toMatchObject({ dates: WEEKS.slice(0, 3), moved: [], lost: 4 });
  });

  test('a day on which the class has none', () => {
    expect(cancelEvening(section, '2026-03-17', why, { kind: 'none' })).toBeUndefined();
  });
});
