import { type Dance, type Pattern, readFigure, type Ticks } from '@map-step/core';
import { expect, test } from 'vitest';
import { sheetColumns } from './sheet-grid.ts';

const dance: Dance = {
  id: 'd',
  name: 'D',
  roles: 'solo',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 8,
  tempo: [],
  floor: 'free',
  holds: [],
};
const columns = (rhythm: string, beats?: number) => {
  const steps = { solo: 'L fwd, R fwd, L fwd, R fwd' };
  const pattern: Pattern = {
    id: 'p',
    dance: 'd',
    name: 'P',
    kind: 'basic',
    rhythm,
    parts: steps,
    ...(beats && { beats }),
  };
  return sheetColumns(readFigure(pattern, dance).figure, 96 as Ticks, 48 as Ticks);
};

test('a column is as wide as its event lasts, in quarter beats', () => {
  expect(columns('&1 2 3', 3).map(({ label, width }) => [label, width])).toEqual([
    ['&', 2],
    ['1', 4],
    ['2', 4],
    ['3', 2],
  ]);
});

test('a rest has a column of its own and lengthens the call of the step before it', () => {
  expect(columns('1 2 3 (4) 5').map(({ isRest, call }) => [isRest, call])).toEqual([
    [false, 'Q'],
    [false, 'Q'],
    [false, 'S'],
    [true, ''],
    [false, 'Q'],
  ]);
});

test('steps without timing are equally wide and are called nothing', () => {
  expect(columns('free').map(({ width, call }) => [width, call])).toEqual(Array(4).fill([4, '']));
});

test('what is neither slow nor quick is called nothing', () => {
  expect(columns('1 & 2 3').map(({ call }) => call)).toEqual(['', '', 'Q', 'Q']);
});
