import { expect, test } from 'vitest';
import { readFigure } from '../couple/read-figure.ts';
import type { Pattern } from '../model/document.ts';
import { dance, figure } from '../test/studio.ts';
import { toldBeside } from './told-beside.ts';

const danced = {
  ...dance,
  qualities: [{ id: 'sway', name: 'Sway', layer: 'body' as const }],
};
const told = (a: Partial<Pattern>, b: Partial<Pattern> = {}) =>
  toldBeside(readFigure(figure('a', a), danced).figure, readFigure(figure('b', b), danced).figure);

test('nothing is told where nothing differs', () => {
  expect(told({})).toEqual([]);
});

test('the same steps in another hold are told as that', () => {
  expect(told({ entry: ['near'] })).toEqual([
    'The same steps, in another hold: it begins in Near, not Open, and ends in Near, not Open.',
  ]);
});

test('holds that both have are not told', () => {
  expect(told({ entry: ['open', 'near'], exit: 'open' }, { exit: 'open' })).toEqual([
    'The same steps, in another hold: it begins in Near too.',
  ]);
  expect(told({ exit: 'open' }, { entry: ['open', 'near'], exit: 'open' })).toEqual([
    'The same steps, in another hold: it never begins in Near.',
  ]);
});

test('with other steps the holds alone are told', () => {
  const parts = { lead: 'L back, R back, L back, R close', follow: 'opposite' };
  expect(told({ parts, exit: ['near', 'beside'] })).toEqual(['It ends in Near or Beside, not Open.']);
});

test('a quality that is danced in another way, or in one of them alone, is told', () => {
  const tracks = (word: string) => ({ tracks: [{ quality: 'sway', values: [word] }] });
  expect(told(tracks('left'), tracks('left'))).toEqual([]);
  expect(told(tracks('left'), tracks('right'))).toEqual(['Danced in another way: sway.']);
  expect(told({}, tracks('right'))).toEqual(['Danced in another way: sway.']);
});
