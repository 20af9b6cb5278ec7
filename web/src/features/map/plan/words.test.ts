import {
  type BrokenRule,
  differences,
  type MoveEffect,
  type Pattern,
  type PlanCost,
  type PlannedLesson,
} from '@map-step/core';
import { describe, expect, test } from 'vitest';
import { packLane } from '../board/lanes.ts';
import { changeInWords, costInWords, effectInWords, knownInWords, leftInWords, withNames } from './words.ts';

describe('a lane is packed into rows', () => {
  const pattern = (id: string) => ({ id, name: id, kind: 'basic' }) as Pattern;
  const lessons = (reviews: Record<string, number[]>): PlannedLesson[] =>
    Array.from({ length: 6 }, (_, index) => ({
      new: 0,
      review: 0,
      capacity: 0,
      introduce: [],
      prepare: [],
      minutes: {},
      reviews: Object.entries(reviews).flatMap(([id, at]) =>
        at.includes(index + 1) ? [{ id, minutes: 15 }] : [],
      ),
    }));

  test('no figure lies on the review marks of another', () => {
    const packed = packLane(
      ['a', 'b', 'c'].map(pattern),
      { a: 1, b: 2, c: 4 },
      lessons({ a: [2, 3], b: [3, 4] }),
    );
    expect(packed.map(item => [item.pattern.id, item.row])).toEqual([
      ['a', 1],
      ['b', 2],
      ['c', 1],
    ]);
    expect(packed[0]?.reviews).toEqual([
      { lesson: 2, minutes: 1.5 },
      { lesson: 3, minutes: 1.5 },
    ]);
  });

  test('a figure that moves behind another keeps its place in the page', () => {
    const packed = packLane(['a', 'b'].map(pattern), { a: 3, b: 1 }, lessons({ b: [2, 3] }));
    expect(packed.map(item => [item.pattern.id, item.row])).toEqual([
      ['a', 2],
      ['b', 1],
    ]);
  });

  test('what is left out lies in no row', () => {
    expect(packLane([pattern('a')], {}, lessons({}))).toEqual([]);
  });
});

test('the terms of the cost are said, the dearest first, without those that are 0', () => {
  expect(
    costInWords({
      total: 36.6,
      left: 0,
      level: 1.64,
      lookalikes: 0,
      mix: 5,
      order: 0,
      stuck: 0,
      ahead: 0,
      moved: 30,
    }),
  ).toEqual([
    'figures moved since the plan was published: 30 points',
    'lessons with one kind of figure only: 5 points',
    'lessons fuller than their share: 1.6 points',
  ]);
});

test.each([
  [{}, '3 figures are left out: 1 must, 2 coulds'],
  [{ wrap: 1, gather: 2 }, '1 figure is left out: 1 could'],
  [{ wrap: 1, gather: 2, turn: 3 }, 'Every figure has its lesson'],
])('what is left out is said before any points: %j', (placed, words) => {
  const items = [
    { id: 'wrap', value: 'must' },
    { id: 'gather', value: 'could' },
    { id: 'turn', value: 'could' },
  ];
  expect(leftInWords({ problem: { items } as never, placed })).toBe(words);
});

test('figures are called by the house’s names', () => {
  const library = { patterns: new Map([['left-turn', { name: 'Left turn' }]]) } as never;
  expect(withNames('needs "left-turn" and "gone"', library)).toBe('needs Left turn and "gone"');
});

describe('moves and plans in words', () => {
  const library = {
    patterns: new Map([
      ['wrap', { name: 'Wrap' }],
      ['left-turn', { name: 'Left turn' }],
    ]),
  } as never;
  const none = { total: 0, left: 0, level: 0, lookalikes: 0, mix: 0, order: 0, stuck: 0, ahead: 0, moved: 0 };
  const effect = (change: Partial<PlanCost>, broken: BrokenRule[] = []) =>
    ({ broken, mended: [], change: { ...none, ...change }, after: {} }) as unknown as MoveEffect;

  test('a broken rule is told before any points, by the figure’s name, and how many more there are', () => {
    const rule: BrokenRule = {
      rule: 'need',
      at: 'wrap',
      message: 'needs "left-turn", which comes in lesson 3',
    };
    expect(effectInWords(effect({ total: 4 }, [rule, rule]), library)).toBe(
      'would break a rule: Wrap needs Left turn, which comes in lesson 3, and 1 more',
    );
  });

  test.each([
    [{ total: -12.34, level: -12.34 }, 'would save 12.3 points'],
    [{ total: 0.02, level: 0.02 }, 'would do as well'],
    [
      { total: 20, lookalikes: 20, mix: 5, level: -5 },
      'would cost 20 points more: 5 more for lessons with one kind of figure only, 20 more for look-alikes in the wrong lessons',
    ],
  ])('points are told by what they are for: %#', (change, words) => {
    expect(effectInWords(effect(change), library)).toBe(words);
  });

  test('what is won and lost, the greatest win first', () => {
    expect(changeInWords({ ...none, left: -2300, moved: 30, level: 0.01 })).toEqual([
      '2300 less for figures left out',
      '30 more for figures moved since the plan was published',
    ]);
  });

  test.each([
    [{ cost: 5, bound: 5, proven: true }, 'No better plan exists.'],
    [{ cost: 5, bound: 0, proven: false }, 'How much better a plan can be is not known yet.'],
    [{ cost: 5, bound: 4.4, proven: false }, 'Within 1 point of the best possible.'],
    [{ cost: 36.6, bound: 24.2, proven: false }, 'Within 12.4 points of the best possible.'],
  ])('how good a plan is known to be: %#', (known, words) => {
    expect(knownInWords(known)).toBe(words);
  });

  test('the moves that make one plan of another: elsewhere, out, and in', () => {
    expect(differences({ a: 1, b: 2, c: 3 }, { a: 1, b: 4, d: 2 })).toEqual({ b: 4, c: null, d: 2 });
  });
});
