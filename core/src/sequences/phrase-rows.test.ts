import { expect, test } from 'vitest';
import { ticks } from '../model/units.ts';
import { phraseRows } from './phrase-rows.ts';

test('three times 3 beats on eights: the third goes over by one beat', () => {
  const rows = phraseRows(
    [3, 3, 3].map(beats => ticks(beats * 48)),
    8,
  );
  const told = rows.map(row =>
    row.map(({ row: figure, from, to, begins, ends }) => [figure, from / 48, to / 48, begins, ends]),
  );
  expect(told).toEqual([
    [
      [0, 0, 3, true, true],
      [1, 3, 6, true, true],
      [2, 6, 8, true, false],
    ],
    [[2, 0, 1, false, true]],
  ]);
});
