import { describe, expect, test } from 'vitest';
import type { Dance, Pattern } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { type Library, openLibrary } from './library.ts';
import {
  figureJoins,
  figureLinks,
  findWayBack,
  linksOnOtherFoot,
  turnShortBy,
  turnsToMakeUp,
} from './links.ts';

const open = (patterns: Pattern[], more: Partial<Dance> = {}) =>
  openLibrary(studio(patterns, { dances: [{ ...dance, ...more }] }));
const get = (library: Library, id: string): Figure => {
  const reading = library.readings.get(id);
  if (!reading) throw new Error(`there is no figure "${id}"`);
  return reading.figure;
};
const three = { rhythm: '1 2 3', parts: { lead: 'L fwd, R fwd, L close', follow: 'opposite' } };
const threeRight = { rhythm: '1 2 3', parts: { lead: 'R fwd, L fwd, R close', follow: 'opposite' } };

test('a retired figure is not offered to another, and finds its own', () => {
  const library = open([figure('a'), figure('b', { retired: true }), figure('c')]);
  expect(figureLinks(library, get(library, 'a')).after).toEqual(['a', 'c']);
  expect(figureLinks(library, get(library, 'b')).after).toEqual(['a', 'b', 'c']);
});

describe('what may follow a figure', () => {
  test.each<[string, Partial<Pattern>, Partial<Pattern>, Partial<Dance>, boolean]>([
    ['the same hold and foot', {}, {}, {}, true],
    ['another hold', { exit: 'near' }, {}, {}, false],
    [
      'one of several exits is one of several entries',
      { exit: ['near', 'open'] },
      { entry: ['beside', 'open'] },
      {},
      true,
    ],
    ['"same" leaves in any of its entries', { entry: ['open', 'near'] }, { entry: ['near'] }, {}, true],
    ['the foot that is free is another', three, {}, {}, false],
    ['the foot that is free is the one it starts on', three, threeRight, {}, true],
    [
      'one that begins on both feet starts on any',
      three,
      { parts: { lead: 'B land, L fwd, R fwd, L close', follow: 'B land, R back, L back, R close' } },
      {},
      true,
    ],
    ['a quarter turn on the line', { turn: 90 }, {}, {}, false],
    ['a quarter turn into a figure that may start so', { turn: 90 }, { align: [-270] }, {}, true],
    ['a quarter turn in a slot', { turn: 90 }, {}, { floor: 'slot' }, true],
  ])('%s', (_, a, b, more, follows) => {
    const links = figureLinks(
      open([figure('a', a), figure('b', b)], more),
      get(open([figure('a', a), figure('b', b)], more), 'a'),
    );
    expect(links.after.includes('b')).toBe(follows);
    expect(
      figureLinks(
        open([figure('a', a), figure('b', b)], more),
        get(open([figure('a', a), figure('b', b)], more), 'b'),
      ).before.includes('a'),
    ).toBe(follows);
  });

  test('figures with faults, without steps and of other dances are left out', () => {
    const other = { ...dance, id: 'other' };
    const { rhythm: _rhythm, parts: _parts, ...quality } = figure('quality', { kind: 'quality' });
    const faulty = figure('faulty', { rhythm: '1' });
    const document = studio([figure('a'), faulty, quality, figure('b', { dance: 'other' })], {
      dances: [dance, other],
    });
    expect(figureLinks(openLibrary(document), get(openLibrary(document), 'a'))).toEqual({
      after: ['a'],
      before: ['a'],
    });
  });

  test('a solo figure needs no hold, only a free foot', () => {
    const solo = (id: string, part: string) => {
      const { entry: _entry, exit: _exit, ...rest } = figure(id, { rhythm: '1 2', parts: { solo: part } });
      return rest;
    };
    const library = open([solo('a', 'L fwd, R fwd'), solo('b', 'R fwd, L fwd')], {
      roles: 'solo',
      floor: 'free',
    });
    expect(figureLinks(library, get(library, 'a')).after).toEqual(['a']);
  });
});

describe('the way back', () => {
  test('is the shortest, and none where nothing leads back', () => {
    const library = open([
      figure('a', { exit: 'near' }),
      figure('long-1', { entry: ['near'], exit: 'beside' }),
      figure('long-2', { entry: ['beside'], exit: 'open' }),
      figure('short', { entry: ['near'], exit: 'open' }),
      figure('lost', { exit: 'beside', entry: ['near'] }),
    ]);
    expect(findWayBack(library, get(library, 'a'))).toEqual(['short']);
    expect(findWayBack(library, get(library, 'lost'))).toEqual(['long-2', 'a']);
    expect(findWayBack(open([figure('a')]), get(open([figure('a')]), 'a'))).toEqual([]);
    expect(
      findWayBack(open([figure('a', { exit: 'near' })]), get(open([figure('a', { exit: 'near' })]), 'a')),
    ).toBeUndefined();
  });
});

describe('a turn that comes up short', () => {
  const library = open([
    figure('quarter', { turn: 90, align: [0] }),
    figure('along', { align: [0] }),
    figure('to-wall', { align: [90, -90] }),
    figure('away', { align: [180] }),
  ]);
  test('45 of 90: what faces the wall turns 45 more, what goes along the line 45 back', () => {
    expect(turnsToMakeUp(library, get(library, 'quarter'), 45)).toEqual([
      { id: 'quarter', degrees: -45 },
      { id: 'along', degrees: -45 },
      { id: 'to-wall', degrees: 45 },
      { id: 'away', degrees: 135 },
    ]);
    const reading = library.readings.get('quarter');
    expect(reading && turnShortBy(reading.figure, 45)).toBe(45);
  });
  test('danced whole, the one that starts so makes up nothing; in a slot nobody does', () => {
    expect(turnsToMakeUp(library, get(library, 'quarter'), 90)[0]).toEqual({ id: 'to-wall', degrees: 0 });
    expect(
      turnsToMakeUp(
        open([figure('a')], { floor: 'slot' }),
        get(open([figure('a')], { floor: 'slot' }), 'a'),
        45,
      ),
    ).toEqual([]);
  });
});

describe('half-figure joins', () => {
  const cut = (event: number, hold: string) => [{ event, hold }];
  test('a head and a tail join when hold and free feet agree', () => {
    const library = open([
      figure('a', { cuts: cut(2, 'open') }),
      figure('b', { cuts: cut(2, 'open') }),
      figure('other-hold', { cuts: cut(2, 'near') }),
      figure('other-foot', { cuts: cut(1, 'open') }),
      figure('outside', { cuts: cut(4, 'open') }),
    ]);
    const joins = figureJoins(library, get(library, 'a')).map(({ head, tail }) => [
      head.figure.pattern.id,
      tail.figure.pattern.id,
      (head.headBeats ?? 0) + (tail.tailBeats ?? 0),
    ]);
    expect(joins).toEqual([
      ['a', 'b', 4 * 48],
      ['b', 'a', 4 * 48],
    ]);
  });
  test('a cut after a rest counts the rest: its event index is not its step index', () => {
    const rested = figure('rested', {
      rhythm: '1 (2) 3 4',
      parts: { lead: 'L fwd, R fwd, L close', follow: 'opposite' },
      cuts: cut(2, 'open'),
    });
    const library = open([rested, figure('a', { cuts: cut(1, 'open') })]);
    const joins = figureJoins(library, get(library, 'rested'));
    expect(joins).toHaveLength(2);
    expect(joins[0]?.head.feet).toEqual([
      { role: 'lead', free: 'R' },
      { role: 'follow', free: 'L' },
    ]);
  });
});

test('halves of solo figures are joined where their feet agree', () => {
  const pier = { ...dance, id: 'pier', roles: 'solo' as const, floor: 'free' as const, holds: [] };
  const solo = (id: string, steps: string) => ({
    ...{ id, dance: 'pier', name: id, kind: 'pattern' as const, rhythm: '1 2 3 4', cuts: [{ event: 2 }] },
    parts: { solo: steps },
  });
  const solos = openLibrary({
    dances: [pier],
    patterns: [
      solo('a', 'L side, R close, L fwd, R close'),
      solo('b', 'L tap, L place, R tap, R place'),
      solo('c', 'L back, R close, L back, R close'),
    ],
  });
  const joins = figureJoins(solos, get(solos, 'a'));
  expect(joins.map(({ head, tail }) => [head.figure.pattern.id, tail.figure.pattern.id])).toEqual([
    ['a', 'c'],
    ['c', 'a'],
  ]);
});

test('solo figures that go on only with left and right changed are told by themselves', () => {
  const pier = { ...dance, id: 'pier', roles: 'solo' as const, floor: 'free' as const, holds: [] };
  const solo = (id: string, steps: string) => ({
    ...{ id, dance: 'pier', name: id, kind: 'pattern' as const, rhythm: 'free:2', entry: [], exit: 'same' },
    parts: { solo: steps },
  });
  const solos = openLibrary({
    dances: [pier],
    patterns: [solo('a', 'L side, R close'), solo('b', 'R side, L close'), solo('c', 'L fwd, R fwd')],
  });
  expect(linksOnOtherFoot(solos, get(solos, 'a'))).toEqual(['b']);
  const pairs = open([figure('a'), figure('b', threeRight)]);
  expect(linksOnOtherFoot(pairs, get(pairs, 'a'))).toEqual([]);
});
