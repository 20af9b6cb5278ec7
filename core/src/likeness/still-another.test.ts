import { expect, test } from 'vitest';
import { jettyLibrary } from '../test/sequences.ts';
import { stillAnother } from './still-another.ts';

const library = jettyLibrary({
  own: 'a>a L place, R place, L fwd, R close',
  third: 'a>a L place, R place, L back, R close',
  first: 'a>a L place, R fwd, L fwd, R close',
  other: 'b>b L place, R place, L fwd, R close',
  equal: 'a>b L place, R place, L fwd, R close',
  right: 'a>a R place, L place',
});
const all = [...library.readings.values()].map(({ figure }) => figure);
const told = (id: string) =>
  all
    .filter(({ pattern }) => pattern.id === id)
    .flatMap(figure => stillAnother(figure, all))
    .map(({ upTo, figures }) => `${upTo}: ${figures.map(({ pattern }) => pattern.id).join(' ')}`);

test('others in the same hold that the leader begins alike, by the last count that they share', () => {
  expect(told('own')).toEqual(['1: first', '2: third', '4: equal']);
});

test('none from another hold or on the other foot', () => {
  expect(told('other')).toEqual([]);
  expect(told('right')).toEqual([]);
});
