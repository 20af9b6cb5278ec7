import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { coupleOnFloor } from '../couple/describe-couple.ts';
import { readFigure } from '../couple/read-figure.ts';
import type { Dance, MadePiece, Pattern } from '../model/document.ts';
import { type Figure, figureTurn } from '../steps/figure.ts';
import { printStep } from '../steps/step.ts';
import { dance, figure } from '../test/studio.ts';
import { writeMade } from './made.ts';

const hall: Dance = { ...dance, floor: 'free' };
const solo: Dance = { ...hall, id: 'pier', roles: 'solo', holds: [] };
const inHall = (id: string, more: Partial<Pattern>, of = hall): Figure => {
  const { figure: read, faults } = readFigure({ ...figure(id, more), dance: of.id }, of);
  expect(faults).toEqual([]);
  return read;
};
const PIECES: readonly Figure[] = [
  inHall('walk', {}),
  inHall('rock', { rhythm: '1 2', parts: { lead: 'L back, R replace', follow: 'R back, L replace' } }),
  inHall('split', { rhythm: '1&2', parts: { lead: 'L side small, R close, L tap', follow: 'image' } }),
  inHall('round', {
    rhythm: '1 2',
    parts: { lead: 'L +45 side, R +45 close', follow: 'R +45 side, L +45 close' },
    turn: 90,
  }),
  inHall('in', {
    rhythm: '1 2 3 4',
    parts: {
      lead: 'L place, R place, L place, R close',
      follow: 'R fwd small, L fwd small, R place, L close',
    },
    ...{ entry: ['open'], exit: 'near', holds: [{ event: 1, hold: 'near' }] },
  }),
  inHall('out', {
    rhythm: '1 2',
    parts: { lead: 'L place, R close', follow: 'R back small, L back small' },
    ...{ entry: ['near'], exit: 'open' },
  }),
];
const SOLO: readonly Figure[] = [
  inHall(
    'shuffle',
    { rhythm: '1&2', parts: { solo: 'R brush, R scuff, R close' }, entry: [], exit: 'same' },
    solo,
  ),
  inHall('spin', { rhythm: '1 2', parts: { solo: 'R +90 side, L close' }, entry: [], exit: 'same' }, solo),
];
const find = (id: string) => [...PIECES, ...SOLO].find(({ pattern }) => pattern.id === id);
const make = (made: readonly MadePiece[], of = hall) => writeMade(made, of, find);
const made = (pieces: readonly MadePiece[], of = hall) => {
  const fields = make(pieces, of);
  if (!fields.ok) throw new Error(JSON.stringify(fields.fault));
  return fields.value;
};

describe('a figure written from its pieces', () => {
  test('basic twice, then an ending: steps, counts, beats and the follower’s natural part', () => {
    expect(made([{ pattern: 'walk', times: 2 }, { pattern: 'rock' }])).toEqual({
      rhythm: '1 2 3 4 5 6 7 8 1 2',
      beats: 10,
      parts: {
        lead: 'L fwd, R fwd, L fwd, R close, L fwd, R fwd, L fwd, R close, L back, R replace',
        follow: 'R back, L back, R back, L close, R back, L back, R back, L close, R back, L replace',
      },
      ...{ entry: ['open'], exit: 'same', turn: 0 },
    });
  });

  test('the last one changed is another figure in the place of the last', () => {
    expect(made([{ pattern: 'rock', times: 3, last: 'round' }])).toMatchObject({
      rhythm: '1 2 3 4 5 6',
      turn: 90,
      parts: { lead: 'L back, R replace, L back, R replace, L +45 side, R +45 close' },
    });
  });

  test('counts 2 to 3 of a figure are a piece', () => {
    expect(
      made([
        { pattern: 'walk', from: 1, to: 2 },
        { pattern: 'walk', from: 3 },
      ]),
    ).toMatchObject({
      rhythm: '2 3 4',
      beats: 3,
      parts: { lead: 'R fwd, L fwd, R close', follow: 'opposite' },
    });
  });

  test('a hold changes where a piece changes it, and where one ends in another', () => {
    expect(made([{ pattern: 'in' }, { pattern: 'out' }])).toMatchObject({
      ...{ entry: ['open'], exit: 'open', holds: [{ event: 1, hold: 'near' }] },
    });
  });

  test('a solo figure that ends on the other foot comes again on the other side', () => {
    expect(made([{ pattern: 'shuffle', times: 2 }], solo).parts).toEqual({
      solo: 'R brush, R scuff, R close, L brush, L scuff, L close',
    });
    expect(made([{ pattern: 'spin', side: 'other' }], solo).parts).toEqual({ solo: 'L -90 side, R close' });
  });

  test('mirrored turns the couple the other way', () => {
    expect(made([{ pattern: 'round', side: 'mirrored' }])).toMatchObject({
      turn: -90,
      parts: { lead: 'R -45 side, L -45 close', follow: 'opposite' },
    });
  });

  test.each<[string, MadePiece, RegExp]>([
    ['a figure that is not there', { pattern: 'none' }, /there is no figure “none”/],
    ['an ending that is not there', { pattern: 'walk', last: 'none' }, /there is no figure “none”/],
    [
      'counts that are not there',
      { pattern: 'walk', from: 2, to: 7 },
      /walk has 4 counts: there is nothing from 3 to 8/,
    ],
    [
      'a piece that cannot go on in the hold',
      { pattern: 'out' },
      /out begins in Near, and walk before it ends in Open/,
    ],
    ['a figure of another dance', { pattern: 'spin' }, /spin is not a figure of Quay/],
  ])('refuses %s', (_, piece, message) => {
    const result = make([{ pattern: 'walk' }, piece]);
    expect(result.ok ? [] : result.fault).toEqual([{ piece: 1, message: expect.stringMatching(message) }]);
  });

  const piece = fc.record({
    pattern: fc.constantFrom('walk', 'rock', 'round'),
    times: fc.integer({ min: 1, max: 4 }),
  });
  test('is its pieces danced one after the other: steps, beats, turn, hold and place', () => {
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 4 }), pieces => {
        const fields = made(pieces);
        const { figure: whole, faults } = readFigure({ ...figure('whole'), dance: hall.id, ...fields }, hall);
        expect(faults).toEqual([]);
        const danced = pieces.flatMap(({ pattern, times }) =>
          Array.from({ length: times }, () => find(pattern) as Figure),
        );
        for (const [role, part] of whole.parts.entries())
          expect(part.steps.map(({ step }) => step && printStep(step))).toEqual(
            danced.flatMap(one => one.parts[role]?.steps.map(({ step }) => step && printStep(step))),
          );
        expect(whole.beats).toBe(danced.reduce((all, { beats }) => all + (beats ?? 0), 0));
        expect(figureTurn(whole)).toBe(danced.reduce((all, one) => all + figureTurn(one), 0));
        const place = coupleOnFloor(whole).at(-1)?.place;
        const last = danced.at(-1);
        if (danced.every(({ pattern }) => pattern.id === 'walk') && last) {
          expect(place?.ahead).toBeCloseTo(coupleOnFloor(last).at(-1)?.place.ahead ?? 0, 6);
          expect(place?.side).toBeCloseTo(coupleOnFloor(last).at(-1)?.place.side ?? 0, 6);
        }
      }),
      { seed: 17, numRuns: 150 },
    );
  });

  test('the other side of the other side is the figure', () => {
    for (const one of SOLO) {
      const other = made([{ pattern: one.pattern.id, side: 'other' }], solo);
      const back = readFigure({ ...figure('other'), dance: solo.id, ...other }, solo).figure;
      const again = writeMade([{ pattern: 'other', side: 'other' }], solo, () => back);
      expect(again.ok && again.value.parts).toEqual(one.pattern.parts);
    }
  });
});
