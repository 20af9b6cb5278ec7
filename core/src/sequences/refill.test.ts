import { expect, test } from 'vitest';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { refill, refillAround } from './refill.ts';

const library = jettyLibrary({
  base: 'a>a L place, R place',
  sway: 'a>a L place, R place',
  into: 'a>b L place, R place',
  home: 'b>a L place, R place',
  back: 'b>a L fwd small, R back small|R place, L place',
});
const dance = library.dances.get('jetty');
if (!dance) throw new Error('no dance');
const sequence = {
  ...{ dance, start: jettyRequest(library, 8).start, end: 'same' as const },
  steps: ['base', 'into', 'home', 'base'].map(pattern => ({ pattern })),
};
const ask = (from: number, to: number, use = [...library.patterns.keys()]) =>
  refill(library, sequence, { from, to, use, maxInRow: 2 });

test('other figures for a stretch, as long, from the hold before it to the hold after it', () => {
  expect(ask(2, 3)).toEqual(['back']);
  const rest = ask(2, 4) ?? [];
  expect(rest).toHaveLength(2);
  expect(rest.join()).not.toBe('home,base');
});

test('what lies between those that stay, stretch by stretch from the end; what has no other stays', () => {
  const within = { use: ['base', 'sway', 'into', 'home', 'back'], maxInRow: 2 };
  const around = (...kept: number[]) => refillAround(library, sequence, { kept, ...within });
  expect(around(1, 2)).toEqual([
    { from: 3, to: 4, patterns: ['sway'] },
    { from: 0, to: 1, patterns: ['sway'] },
  ]);
  expect(around(0, 2, 3)).toEqual([]);
  expect(around(0, 1, 2, 3)).toEqual([]);
});

test('none where nothing else leads there, and for no stretch', () => {
  expect(ask(1, 2)).toBeUndefined();
  expect(ask(2, 3, ['home', 'base'])).toBeUndefined();
  expect(ask(2, 2)).toBeUndefined();
});
