import { describe, expect, test } from 'vitest';
import { tenths } from '../model/units.ts';
import { item, judge, laid, problem } from '../test/plan-problems.ts';
import { aheadLessons, mayComeAhead } from './ahead.ts';
import type { PlanProblem } from './problem.ts';
import { moveEffect } from './reasons.ts';
import { solvePlan } from './solve.ts';
import { changeProblem } from './what-if.ts';

const given = problem(
  [item('walk', { elements: ['hold', 'click'] }), item('turn', { elements: ['hold', 'spin'] }), item('last')],
  { elements: { hold: tenths(40), click: tenths(20), spin: tenths(30) }, ahead: true },
);
const plan = laid({ walk: 2, turn: 4 }, ['hold', 'spin']);

describe('what is taught ahead', () => {
  test('is worth three minutes, in a course of one dance whose lessons follow each other, where it is asked for', () => {
    expect([...mayComeAhead(given)]).toEqual(['hold', 'spin']);
    for (const more of [{ ahead: false }, { open: true }, { known: ['hold', 'spin'] }])
      expect([...mayComeAhead({ ...given, ...more })]).toEqual([]);
    const own = { ...given, items: given.items.map(one => ({ ...one, allowed: [2, 4] })) };
    expect([...mayComeAhead(own)]).toEqual([]);
  });

  test('lies a lesson before the first that uses it, and nowhere before the first lesson or in one that is over', () => {
    expect([...aheadLessons(given, plan.placed, plan.ahead)]).toEqual([
      ['hold', 1],
      ['spin', 3],
    ]);
    expect([...aheadLessons(given, { walk: 1, turn: 4 }, ['hold', 'click'])]).toEqual([]);
    const after: PlanProblem = { ...given, taught: { lessons: 3, items: { walk: 2 } } };
    expect([...aheadLessons(after, plan.placed, plan.ahead)]).toEqual([]);
  });

  test('takes its minutes there and not with the figure, for a point each', () => {
    const { lessons, cost, ahead } = judge(given, plan);
    expect(lessons.map(lesson => lesson.new)).toEqual([40, 60, 30, 40, 0]);
    expect(lessons[0]?.prepare).toEqual([{ id: 'hold', minutes: 40 }]);
    expect([cost.ahead, ahead]).toEqual([2, ['hold', 'spin']]);
  });

  test('goes along when its figure is moved, and with it where nothing can come before', () => {
    const later = moveEffect(given, plan, { walk: 3 }).after;
    expect(later.lessons[1]?.prepare).toEqual([{ id: 'hold', minutes: 40 }]);
    const first = moveEffect(given, plan, { walk: 1 }).after;
    expect([first.ahead, first.lessons[0]?.minutes['walk']]).toEqual([['spin'], 100]);
  });

  test('is known once its lesson is over: shown there, paid nowhere else, and no cost any more', () => {
    const after: PlanProblem = {
      ...given,
      taught: { lessons: 3, items: { walk: 2 }, prepared: { hold: 1, spin: 3 } },
    };
    const { lessons, cost } = judge(after, plan);
    expect([lessons[2]?.prepare, lessons[3]?.minutes]).toEqual([[{ id: 'spin', minutes: 30 }], { turn: 40 }]);
    expect(cost.ahead).toBe(0);
    // Whoever takes a plan of the rest keeps what was.
    const found = solvePlan(after, { seed: 1, start: plan, budget: { kind: 'work', work: 2000 } });
    expect(found.ahead).toEqual(['hold', 'spin']);
  });

  test('stays with the figures that are left when one is taken away', () => {
    const without = changeProblem(given, { kind: 'without', id: 'walk' });
    expect(judge(without, laid({ turn: 4 }, plan.ahead)).lessons[2]?.new).toBe(70);
  });
});
