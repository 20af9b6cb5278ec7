import { expect, test } from 'vitest';
import { log } from '../test/log.ts';
import { learnedAcross, sideBySide } from './side-by-side.ts';

const items = ['walk', 'wrap', 'turn', 'dip'].map(pattern => ({ pattern, value: 'should' as const }));
const plan = { placed: { wrap: 2, walk: 1, turn: 3 }, minutes: { wrap: 9, walk: 10, turn: 8 } };
const monday = {
  ...{ id: 'monday', over: 3 },
  logs: [
    log(1, 'walk', 'solid', { minutes: 10 }),
    log(2, 'wrap', 'touched', { minutes: 6 }),
    log(3, 'wrap', 'shaky', { minutes: 8 }),
    log(3, 'turn', 'not-reached'),
  ],
};
const friday = {
  ...{ id: 'friday', over: 2 },
  logs: [log(1, 'walk', 'solid'), log(2, 'wrap', 'solid', { minutes: 13 }), log(2, 'dip', 'touched')],
};

test('by figure how it stands in each class, what it took, and what the plan had by now', () => {
  const figures = sideBySide({ items }, plan, [monday, friday]);
  expect(figures.map(({ pattern, lesson, planned }) => [pattern, lesson, planned])).toEqual([
    ['walk', 1, 10],
    ['wrap', 2, 9],
    ['turn', 3, 8],
    ['dip', undefined, undefined],
  ]);
  const cell = (figure: number) =>
    figures[figure]?.cells.map(({ result, minutes, isLacking }) => [result, minutes, isLacking]);
  expect(cell(0)).toEqual([
    ['solid', 10, false],
    ['solid', undefined, false],
  ]);
  expect(cell(1)).toEqual([
    ['shaky', 14, false],
    ['solid', 13, false],
  ]);
  expect(cell(2)).toEqual([
    ['not-reached', undefined, true],
    [undefined, undefined, false],
  ]);
  expect(cell(3)).toEqual([
    [undefined, undefined, false],
    ['touched', undefined, false],
  ]);
});

test('what all classes took longer for is told; what one took is an accident', () => {
  const figures = sideBySide({ items }, plan, [monday, friday]);
  expect(learnedAcross(figures)).toEqual([{ pattern: 'wrap', taken: [14, 13], planned: 9 }]);
  expect(learnedAcross(sideBySide({ items }, plan, [monday]))).toEqual([]);
});
