import { expect, test } from 'vitest';
import { coupleOnFloor } from '../couple/describe-couple.ts';
import { readFigure } from '../couple/read-figure.ts';
import { figurePath } from '../floor/path.ts';
import { pathAfter } from '../floor/path-after.ts';
import type { Pattern } from '../model/document.ts';
import { dance, figure } from '../test/studio.ts';
import { coupleAfter } from './couple-after.ts';

const read = (id: string, follow: string, more: Partial<Pattern> = {}) =>
  readFigure(figure(id, { parts: { lead: 'L place, R place, L place, R place', follow }, ...more }), {
    ...dance,
    floor: 'free',
  }).figure;
const nearer = read('nearer', 'R fwd small, L place, R place, L place');
const still = read('still', 'R place, L place, R place, L place');
const ahead = (poses: ReturnType<typeof coupleAfter>) =>
  poses.map(({ place }) => Number(place.ahead.toFixed(3)));

test('the couple of a figure begins where the one before it ended, as dancers adapt', () => {
  // 0.85 less 0.225 of a small step; a tenth of that is given back.
  expect(ahead(coupleOnFloor(still))).toEqual([0.85, 0.85, 0.85, 0.85]);
  expect(ahead(coupleAfter(still, nearer))).toEqual([0.648, 0.648, 0.648, 0.648]);
});

test('and for the second time where it ended itself', () => {
  expect(ahead(coupleAfter(nearer, nearer)).at(-1)).toBeCloseTo(0.85 - 2 * 0.225 + 2 * 0.0225, 2);
});

test('there is none where the one does not lead into the other', () => {
  expect(
    coupleAfter(read('near', 'R place, L place, R place, L place', { entry: ['near'] }), nearer),
  ).toEqual([]);
});

test('a path goes on where the figure before it ended, on the other feet the second time where it ends on them', () => {
  const walk = readFigure(
    figure('walk', { rhythm: '1 2 3', parts: { lead: 'L fwd, R fwd, L fwd', follow: 'opposite' } }),
    dance,
  ).figure;
  const [once] = figurePath(walk);
  const [twice] = pathAfter(walk, walk);
  const fallsOf = (track: typeof once) =>
    track?.footfalls.filter(({ step }) => step >= 0).map(({ foot }) => foot);
  expect(fallsOf(once)).toEqual(['L', 'R', 'L']);
  expect(fallsOf(twice)).toEqual(['L', 'R', 'L', 'R', 'L', 'R']);
  expect(twice?.middle.at(-1)?.y).toBeCloseTo(2 * (once?.middle.at(-1)?.y ?? 0), 6);
});
