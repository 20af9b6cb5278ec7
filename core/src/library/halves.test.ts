import { expect, test } from 'vitest';
import { combineFigures } from '../sequences/combine.ts';
import { patternsOf } from '../sequences/patterns-of.ts';
import { walkSequence } from '../sequences/walk.ts';
import { handDance, jettyFigure, jettyRequest } from '../test/sequences.ts';
import { halvesOf } from './halves.ts';
import { openLibrary } from './library.ts';

const dance = handDance('spot', ['a', 'b', 'c']);
const library = openLibrary({
  dances: [dance],
  patterns: [
    jettyFigure('long', 'a>a L place, R place, L fwd, R close, L back, R close', {
      ...{ holds: [{ event: 2, hold: 'b' }], cuts: [{ event: 4, hold: 'b' }] },
      marks: [
        { kind: 'cue', text: 'all of it' },
        { kind: 'cue', event: 1, text: 'early' },
        { kind: 'signal', event: 4, text: 'late' },
      ],
    }),
    jettyFigure('other', 'b>b L side, R close, L side, R close', { cuts: [{ event: 2, hold: 'b' }] }),
    jettyFigure('plain', 'a>a L place, R place'),
  ],
});
const figureOf = (id: string) => library.readings.get(id)?.figure;
const walk = (...ids: string[]) =>
  walkSequence(library, {
    ...{ dance, end: 'free' as const, steps: ids.map(pattern => ({ pattern })) },
    start: jettyRequest(library, 1).start,
  });

test('a figure with one cut has a head and a tail, found by their ids and in no list', () => {
  const long = figureOf('long');
  expect(long && halvesOf(long)).toEqual(['long:head-4', 'long:tail-4']);
  expect(library.patterns.get('long:head-4')?.name).toBe('LONG to 4');
  expect(library.patterns.get('long:tail-4')?.name).toBe('LONG from 5');
  expect([...library.patterns.keys()]).toEqual(['long', 'other', 'plain']);
  expect([...library.readings.keys()]).toEqual(['long', 'other', 'plain']);
});

test('none where nothing is cut', () => {
  for (const id of ['long:head-3', 'long:middle-4', 'plain:tail-1', 'none:head-4'])
    expect([figureOf(id), library.patterns.get(id)]).toEqual([undefined, undefined]);
});

test('4 and 2 of 6 beats, from a to b and from b to a; a half has the marks of its own events', () => {
  const [head, tail] = [figureOf('long:head-4'), figureOf('long:tail-4')];
  expect([head?.beats, tail?.beats]).toEqual([192, 96]);
  expect([head?.pattern.entry, head?.pattern.exit]).toEqual([['a'], 'b']);
  expect([tail?.pattern.entry, tail?.pattern.exit]).toEqual([['b'], 'a']);
  expect(head?.pattern.marks?.map(({ text }) => text)).toEqual(['all of it', 'early']);
  expect(tail?.pattern.marks).toEqual([
    { kind: 'cue', text: 'all of it' },
    { kind: 'signal', event: 0, text: 'late' },
  ]);
});

test('head and tail one after the other end as the whole; a tail joins another’s head', () => {
  const ends = (...ids: string[]) => {
    const { rows, faults, beats } = walk(...ids, 'plain');
    const last = rows.at(-1);
    return { faults, beats, hold: last?.hold, feet: last?.feet, facing: last?.facing };
  };
  expect(ends('long:head-4', 'long:tail-4')).toEqual(ends('long'));
  expect(walk('long:head-4', 'other:tail-2', 'long:tail-4').faults).toEqual([]);
  expect(walk('long:tail-4').faults).not.toEqual([]);
});

test('the search uses halves where they are named: eight beats of a figure of six', () => {
  const ask = (use: string[]) =>
    combineFigures(
      library,
      jettyRequest(library, 8, { use, must: ['long:head-4'].filter(id => use.includes(id)) }),
    );
  expect(ask(['long']).why?.rule).toBe('lengths');
  const [found] = ask(['long', 'long:head-4', 'long:tail-4', 'other:head-2']).sequences;
  expect(found?.patterns).toEqual(['long:head-4', 'other:head-2', 'long:tail-4']);
});

test('a combination of halves names their wholes', () => {
  expect(patternsOf({ steps: [{ pattern: 'long:head-4' }, { oneOf: ['other:tail-2', null] }] })).toEqual([
    'long',
    'other',
  ]);
});
