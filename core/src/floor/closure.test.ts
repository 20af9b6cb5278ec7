import { expect, test } from 'vitest';
import type { Floor } from '../model/document.ts';
import { figureTurn, readFigure } from '../steps/figure.ts';
import { dance, figure } from '../test/studio.ts';
import { facingRepeats } from './closure.ts';

const repeats = (floor: Floor, turn: number) =>
  facingRepeats(readFigure(figure('a', { turn }), { ...dance, floor }).figure);

test.each<[Floor, number, number]>([
  ['line', 0, 1],
  ['line', 180, 2],
  ['line', -90, 4],
  ['line', 45, 8],
  ['line', 135, 8],
  ['line', 360, 1],
  ['walls', 90, 4],
  ['slot', 180, 1],
  ['slot', 90, 2],
  ['slot', -45, 4],
  ['spot', 90, 1],
  ['free', 45, 1],
])('on the floor "%s" a turn of %d faces back after %d times', (floor, turn, times) => {
  expect(repeats(floor, turn)).toBe(times);
});

test('without a turn of its own the couple turns as the leader does: 90 + 45 = 135', () => {
  const parts = { lead: 'L +90 fwd, R fwd +45, L fwd, R close', follow: 'alike' };
  expect(figureTurn(readFigure(figure('a', { parts }), dance).figure)).toBe(135);
});
