import { describe, expect, test } from 'vitest';
import type { SheetColumn } from './sheet.ts';
import { sheetLines } from './sheet-lines.ts';

const column = (width: number, edge: SheetColumn['edge'] = 'none'): SheetColumn => ({
  onset: null,
  width,
  label: '',
  edge,
  event: null,
});
const bar = (...widths: readonly number[]) =>
  widths.map((width, index) => column(width, index === 0 ? 'bar' : 'none'));

describe('a sheet breaks into lines of whole bars', () => {
  const eight = [...bar(1, 1, 1, 1), ...bar(1, 1, 1, 1)];
  test.each([
    [900, [[0, 8]]],
    [
      500,
      [
        [0, 4],
        [4, 8],
      ],
    ],
    [
      200,
      [
        [0, 2],
        [2, 4],
        [4, 6],
        [6, 8],
      ],
    ],
    [10, eight.map((_, index) => [index, index + 1])],
  ])('with %d pixels', (room, lines) => {
    expect(sheetLines(eight, room, 100)).toEqual(lines);
  });
  test('the narrowest column decides', () => {
    expect(sheetLines([...bar(0.25, 0.25, 0.25, 0.25, 1, 1, 1), ...bar(1)], 1000, 60)).toEqual([
      [0, 7],
      [7, 8],
    ]);
    expect(sheetLines([], 1000, 60)).toEqual([]);
  });
});
