import { expect, test } from 'vitest';
import {
  itemsFrom,
  movedBy,
  withChoice,
  withFigure,
  withFillings,
  withInserted,
  withLast,
  without,
  withTimes,
} from './items.ts';

const items = itemsFrom(['sway', 'sway', 'walk', 'wheel']);

test('the same figure at once again is one item', () => {
  expect(items).toEqual([{ pattern: 'sway', times: 2 }, { pattern: 'walk' }, { pattern: 'wheel' }]);
});

test('four of them, the last one changed; once again the last one goes', () => {
  const four = withLast(withTimes(items, 0, 4), 0, 'wheel');
  expect(four[0]).toEqual({ pattern: 'sway', times: 4, last: 'wheel' });
  expect(withTimes(four, 0, 1)[0]).toEqual({ pattern: 'sway' });
  expect(withLast(four, 0, undefined)[0]).toEqual({ pattern: 'sway', times: 4 });
});

test('swapped, set between, taken out, moved', () => {
  const ids = (list: typeof items) =>
    list.map(item => ('pattern' in item ? item.pattern : item.oneOf.join('|')));
  expect(ids(withFigure(items, 1, 'turn'))).toEqual(['sway', 'turn', 'wheel']);
  expect(ids(withInserted(items, 3, 'turn'))).toEqual(['sway', 'walk', 'wheel', 'turn']);
  expect(ids(without(items, 0))).toEqual(['walk', 'wheel']);
  expect(ids(movedBy(items, 0, 1))).toEqual(['walk', 'sway', 'wheel']);
  expect(movedBy(items, 0, -1)).toBe(items);
  expect(ids(withChoice(items, 1, ['turn', null]))).toEqual(['sway', 'turn|', 'wheel']);
  expect(ids(withChoice(items, 1, ['turn']))).toEqual(['sway', 'turn', 'wheel']);
});

test('what is found for two stretches, the last first, and where the items between them are then', () => {
  const items = ['a', 'b', 'c', 'd', 'e'].map(pattern => ({ pattern }));
  const fillings = [
    { from: 4, to: 5, patterns: ['x', 'x'] },
    { from: 0, to: 2, patterns: ['y'] },
  ];
  const { steps, at } = withFillings(items, fillings, [2, 3]);
  expect(steps).toEqual([{ pattern: 'y' }, { pattern: 'c' }, { pattern: 'd' }, { pattern: 'x', times: 2 }]);
  expect(at.map(index => steps[index])).toEqual([{ pattern: 'c' }, { pattern: 'd' }]);
});
