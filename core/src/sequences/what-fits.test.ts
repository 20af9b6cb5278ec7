import { expect, test } from 'vitest';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { fitsAfter, fitsBefore, fitsInPlace } from './what-fits.ts';

const library = jettyLibrary({
  base: 'a>a L place, R place',
  long: 'a>a L place, R place, L place, R place',
  into: 'a>b L place, R place',
  home: 'b>a L place, R place',
  odd: 'a>a L place',
});
const dance = library.dances.get('jetty');
if (!dance) throw new Error('no dance');
const sequence = (...ids: string[]) => ({
  ...{ dance, start: jettyRequest(library, 4).start, end: 'same' as const },
  steps: ids.map(pattern => ({ pattern })),
});
const all = [...library.patterns.keys()];

test('in the place of a figure: what is no longer first; what leads elsewhere is none', () => {
  const found = fitsInPlace(library, sequence('base', 'base'), { at: 1, among: all });
  expect(found.map(({ pattern, longer, closes }) => [pattern, longer / 48, closes])).toEqual([
    ['long', 2, true],
    ['into', 0, false],
    ['odd', -1, false],
  ]);
});

test('before a figure that cannot follow: the one that leads there', () => {
  const found = fitsBefore(library, sequence('into', 'base'), { at: 1, among: all });
  expect(found.map(({ pattern, longer }) => [pattern, longer / 48])).toEqual([['home', 2]]);
});

test('after a figure: whatever begins where it ends', () => {
  expect(fitsAfter(library, sequence('base', 'into', 'base'), { at: 1, among: all })).toEqual(['home']);
});
