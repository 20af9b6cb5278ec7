import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Dance } from '../model/document.ts';
import { handDance, jettyFigure } from '../test/sequences.ts';
import { rescuesOf } from './rescue.ts';

const BOTH = [
  { lead: 'left-hand', follow: 'right-hand' },
  { lead: 'right-hand', follow: 'left-hand' },
] as const;
const dance: Dance = {
  ...handDance('spot', []),
  holds: [
    { id: 'two', name: 'Two', contact: 'hand', rel: 180, touch: BOTH },
    { id: 'one', name: 'One', contact: 'hand', rel: 180, touch: BOTH.slice(0, 1) },
    { id: 'side', name: 'Side', contact: 'hand', rel: 90, touch: BOTH.slice(0, 1) },
  ],
};
const library = openLibrary({
  dances: [dance],
  patterns: [
    jettyFigure('base', 'two>two L place, R place', { kind: 'basic' }),
    // The follower turns a quarter to the left, from one hand at the side into both.
    jettyFigure('turn', 'side>two L place, R place|R +90 place, L place'),
    jettyFigure('join', 'one>two L place, R place'),
    jettyFigure('swing', 'side>one L place, R place|R +90 place, L place'),
    jettyFigure('other', 'two>two R place'),
  ],
});
const known = ['base', 'join', 'swing', 'other'];
const turn = library.readings.get('turn')?.figure;
if (!turn) throw new Error('no figure');

test('a turn short by a quarter, a hand missed, the other foot: how it stands, what goes on, the way home', () => {
  expect(rescuesOf(library, turn, known)).toEqual([
    { mishap: { kind: 'short', degrees: 45 }, hold: undefined, next: [], home: undefined },
    { mishap: { kind: 'short', degrees: 90 }, hold: 'side', next: ['swing'], home: ['swing', 'join'] },
    { mishap: { kind: 'hand' }, hold: 'one', next: ['join'], home: ['join'] },
    { mishap: { kind: 'foot' }, hold: 'two', next: ['other'], home: ['other'] },
  ]);
});

test('with nothing that is known there is nothing to say', () => {
  expect(rescuesOf(library, turn, [])).toEqual([]);
});
