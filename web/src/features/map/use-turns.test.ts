import { expect, test } from 'vitest';
import type { DraftPlan } from '../course/course-view.ts';
import { hasSettled, type Shown, settledOn, type Turns, turnedTo, withOneMore } from './use-turns.ts';

const PARTS = 3;
const ids = Array.from({ length: 8 }, (_, index) => `figure-${index + 1}`);

/** All figures in one lesson, or only the first of them in another. */
function shown(lesson: number, first = lesson): Shown {
  const placed = Object.fromEntries(ids.map((id, index) => [id, index === 0 ? first : lesson]));
  const draft: DraftPlan = { placed, problem: undefined, judgement: undefined, faults: [] };
  return { draft, chipOf: () => undefined };
}

const [before, large, later] = [shown(1), shown(2), shown(3)];
const parts = (turns: Turns) => turns.shown.map(part => [before, large, later].indexOf(part));

test('a few figures are shown by all parts at once', () => {
  const few = shown(1, 2);
  const turns = turnedTo(settledOn(before, PARTS), few);
  expect(turns.shown).toEqual([few, few, few]);
  expect(turns.settled).toBe(few);
});

test('many figures are shown by one part after another, and settle when the last has had its turn', () => {
  const steps = [turnedTo(settledOn(before, PARTS), large)];
  for (let turn = 0; turn < PARTS; turn += 1) steps.push(withOneMore(steps.at(-1) as Turns));
  expect(steps.map(parts)).toEqual([
    [0, 0, 0],
    [1, 0, 0],
    [1, 1, 0],
    [1, 1, 1],
  ]);
  expect(steps.map(hasSettled)).toEqual([false, false, false, true]);
  expect(steps.map(({ settled }) => settled)).toEqual([before, before, before, large]);
});

test('a better plan in the middle moves no part out of its turn, and lets none wait for ever', () => {
  const half = withOneMore(turnedTo(settledOn(before, PARTS), large));
  const again = turnedTo(half, later);
  expect(parts(again)).toEqual([1, 0, 0]);
  const next = withOneMore(again);
  expect(parts(next)).toEqual([1, 2, 0]);
  expect(parts(withOneMore(next))).toEqual([1, 2, 2]);
  expect(parts(withOneMore(withOneMore(next)))).toEqual([2, 2, 2]);
});

test('a hand in the middle is seen at once by the parts that have had their turn', () => {
  const half = withOneMore(turnedTo(settledOn(before, PARTS), large));
  const hand = shown(2, 3);
  expect(turnedTo(half, hand).shown).toEqual([hand, before, before]);
});

test('what has settled stays the same', () => {
  const turns = settledOn(before, PARTS);
  expect(withOneMore(turns).shown).toEqual(turns.shown);
});
