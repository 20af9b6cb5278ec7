import type { Pattern } from '@map-step/core';
import { expect, test } from 'vitest';
import {
  ALIASES,
  ALIGN,
  CALL,
  figureNames,
  MADE,
  RANK,
  TEMPO,
  TURN,
  VARIANT,
  withFields,
} from './figure-fields.ts';

const figure: Pattern = { id: 'a', dance: 'd', name: 'A', kind: 'basic', turn: 90, align: [0] };
const names = figureNames([
  { ...figure, id: 'wrap', name: 'Wrap' },
  { ...figure, id: 'unwrap-2', name: 'Unwrap to the left' },
  { ...figure, id: 'unwrap', name: 'Unwrap' },
]);
const fields = [ALIASES, VARIANT, RANK, MADE, CALL, TURN, ALIGN, TEMPO];

test('what is printed reads back', () => {
  const whole: Pattern = {
    ...figure,
    variantOf: 'wrap',
    variantWhy: 'ending',
    rank: 2,
    aliases: [{ name: 'Home step', school: 'Harbour hall' }],
    made: [
      { pattern: 'wrap', times: 2, from: 0, to: 3 },
      { pattern: 'unwrap-2', to: 4 },
      { pattern: 'unwrap' },
    ],
    call: ['pier', null, 'two'],
    align: [-45, 45],
    tempo: [
      { min: 100, max: 124 },
      { min: 60, max: 60 },
    ],
  };
  expect(withFields(whole, fields, names, field => field.print(whole, names))).toEqual(whole);
});

test('figures stand by the house’s names, whatever their case', () => {
  expect(MADE.print({ ...figure, made: [{ pattern: 'wrap', times: 2 }] }, names)).toBe('Wrap x2');
  expect(VARIANT.read('WRAP, ending', names)).toEqual({ variantOf: 'wrap', variantWhy: 'ending' });
});

test('a variant that is none any more loses its reason too', () => {
  const variant: Pattern = { ...figure, variantOf: 'wrap', variantWhy: 'school' };
  expect(withFields(variant, [VARIANT], names, () => '')).toEqual(figure);
});

test('an empty line takes the field away', () => {
  expect(withFields(figure, fields, names, () => '')).toEqual({
    id: 'a',
    dance: 'd',
    name: 'A',
    kind: 'basic',
  });
});

test.each([
  [TURN, '90 90'],
  [TURN, 'left'],
  [ALIGN, '0, x'],
  [TEMPO, '124-100'],
  [TEMPO, 'fast'],
  [ALIASES, 'Home step'],
  [MADE, 'Wrap twice'],
  [VARIANT, 'wrap because'],
  [VARIANT, 'Wrap, because'],
  [MADE, 'Wrap, Nowhere'],
  [RANK, 'first'],
])('a line that cannot be read is no figure: %#', (field, text) => {
  expect(withFields(figure, [field], names, () => text)).toBeUndefined();
});
