import { describe, expect, test } from 'vitest';
import type { Dance, Pattern } from '../model/document.ts';
import { readWrittenFigure } from './figure.ts';
import { sheetLayout } from './sheet.ts';

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
const layoutOf = (rhythm: Pattern['rhythm'], more: Partial<Pattern> = {}, inDance: Partial<Dance> = {}) => {
  const parts = { solo: 'L fwd, R fwd, L fwd, R fwd' };
  const pattern: Pattern = {
    id: 'p',
    dance: 'd',
    name: 'P',
    kind: 'basic',
    parts,
    ...(rhythm && { rhythm }),
    ...more,
  };
  return sheetLayout(readWrittenFigure(pattern, { ...dance, ...inDance }).figure);
};

describe('the columns of a step sheet', () => {
  test('a column is as wide as the beats it lasts', () => {
    const { columns } = layoutOf('&1 2 3', { beats: 3 });
    expect(columns.map(({ label, width }) => [label, width])).toEqual([
      ['&', 0.5],
      ['1', 1],
      ['2', 1],
      ['3', 0.5],
    ]);
  });

  test('a rest has a column of its own and lengthens the call of the step before it', () => {
    const cells = layoutOf('1 2 3 (4) 5').cells.get('solo') ?? [];
    expect(cells.map(({ step, call }) => [step, call])).toEqual([
      [0, 'Q'],
      [1, 'Q'],
      [2, 'S'],
      [null, ''],
      [3, 'Q'],
    ]);
  });

  test('slows and quicks have their counts above them; what is neither is called nothing', () => {
    expect(layoutOf('SSQQ').columns.map(({ label }) => label)).toEqual(['1', '3', '5', '6']);
    expect(
      layoutOf('1 & 2 3')
        .cells.get('solo')
        ?.map(({ call }) => call),
    ).toEqual(['', '', 'Q', 'Q']);
  });

  test('steps without timing are equally wide', () => {
    expect(layoutOf('free').columns.map(({ width }) => width)).toEqual([1, 1, 1, 1]);
  });

  test('bars of 4 and phrases of 8 begin with a line', () => {
    const edges = layoutOf('1 2 3 4 5 6 7 8 1', { beats: 9 }).columns.map(({ edge }) => edge);
    expect(edges).toEqual(['phrase', 'none', 'none', 'none', 'bar', 'none', 'none', 'none', 'phrase']);
  });

  test('roles with rhythms of their own share the columns; each step lies across its own', () => {
    const { columns, cells } = layoutOf(
      { lead: 'S S', follow: 'Q Q S' },
      { parts: { lead: 'L fwd, R close', follow: 'R back, L back, R close' } },
      { roles: 'pair' },
    );
    expect(columns.map(({ onset, event }) => [onset, event])).toEqual([
      [0, 0],
      [48, null],
      [96, 1],
    ]);
    expect(cells.get('lead')?.map(({ from, to }) => [from, to])).toEqual([
      [0, 2],
      [2, 3],
    ]);
    expect(cells.get('follow')?.map(({ from, to }) => [from, to])).toEqual([
      [0, 1],
      [1, 2],
      [2, 3],
    ]);
  });
});
