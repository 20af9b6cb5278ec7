import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { createRandom } from '../model/random.ts';
import { tenths } from '../model/units.ts';
import { anyProblem, judge } from '../test/plan-problems.ts';
import { compilePlan } from './compile.ts';
import { planRank } from './judge.ts';
import { layInto, takeOut, tryMove } from './moves.ts';
import type { PlanItem, PlanProblem } from './problem.ts';
import { SearchState } from './search-state.ts';
import { LEFT } from './snapshot.ts';

/** Puts what was taught where it was taught, as the search does before it begins. */
function start(problem: PlanProblem) {
  const plan = compilePlan(problem);
  const state = new SearchState(plan);
  for (const [item, { id }] of problem.items.entries()) {
    const lesson = problem.taught?.items[id];
    if (lesson !== undefined) state.put(item, lesson - 1);
  }
  state.commit();
  return { plan, state };
}

const excessRules = new Set(['capacity', 'quality']);

describe('the search keeps count as the judge does', () => {
  test('after any moves the cost is the judge’s, and there is excess just where minutes or qualities are broken', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 1, max: 1e6 }), (problem, seed) => {
        const { plan, state } = start(problem);
        const random = createRandom(seed);
        for (let move = 0; move < 60; move += 1) {
          if (tryMove(plan, state, random) && random() < 0.8) state.commit();
          else state.rollback();
          const { rank, excess } = state.energy();
          const judged = judge(problem, state.placing());
          expect(rank).toBeCloseTo(planRank(problem, judged.cost), 1);
          expect(excess > 0).toBe(judged.broken.some(({ rule }) => excessRules.has(rule)));
        }
      }),
      { seed: 51, numRuns: 60 },
    );
  });

  test('no move breaks a need, a window or what was taught', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 1, max: 1e6 }), (problem, seed) => {
        const { plan, state } = start(problem);
        const random = createRandom(seed);
        for (let move = 0; move < 80; move += 1) {
          if (tryMove(plan, state, random)) state.commit();
          else state.rollback();
        }
        const broken = judge(problem, state.placing()).broken.filter(({ rule }) => !excessRules.has(rule));
        expect(broken).toEqual([]);
      }),
      { seed: 52, numRuns: 80 },
    );
  });

  test('a rollback puts everything back, whatever was put before', () => {
    fc.assert(
      fc.property(
        anyProblem,
        fc.array(fc.tuple(fc.nat(11), fc.integer({ min: LEFT, max: 4 })), { maxLength: 30 }),
        (problem, puts) => {
          const { state } = start(problem);
          const before = { at: [...state.at], energy: state.energy() };
          for (const [item, lesson] of puts) state.put(item, lesson);
          state.rollback();
          expect([...state.at]).toEqual(before.at);
          expect(state.energy().rank).toBeCloseTo(before.energy.rank, 6);
        },
      ),
      { seed: 53, numRuns: 60 },
    );
  });
});

describe('a move takes along what it would break', () => {
  const item = (id: string, needs: string[] = [], more: Partial<PlanItem> = {}): PlanItem => ({
    id,
    kind: 'pattern',
    value: 'must',
    assembly: tenths(30),
    elements: [],
    needs,
    ...more,
  });
  const chain = (more: Partial<PlanItem> = {}): PlanProblem => ({
    lessons: Array.from({ length: 6 }, () => ({ capacity: tenths(300) })),
    items: [item('a', [], more), item('b', ['a']), item('c', ['b'])],
    elements: {},
    lookalikes: [],
    apart: true,
  });

  test('what it needs is pulled earlier', () => {
    const { plan, state } = start(chain());
    expect(layInto(plan, state, 2, 1)).toBe(true);
    expect(state.placing().placed).toEqual({ a: 2, b: 2, c: 2 });
  });

  test('what needs it is pushed later', () => {
    const { plan, state } = start(chain());
    layInto(plan, state, 2, 1);
    expect(layInto(plan, state, 0, 3)).toBe(true);
    expect(state.placing().placed).toEqual({ a: 4, b: 4, c: 4 });
  });

  test('after a split item, one lesson later', () => {
    const { plan, state } = start(chain({ split: true }));
    expect(layInto(plan, state, 2, 2)).toBe(true);
    expect(state.placing().placed).toEqual({ a: 2, b: 3, c: 3 });
  });

  test('leaving one out leaves out all that needs it', () => {
    const { plan, state } = start(chain());
    layInto(plan, state, 2, 1);
    expect(takeOut(plan, state, 0)).toBe(true);
    expect(state.placing().placed).toEqual({});
  });

  test('it gives up where a window forbids the way', () => {
    const { plan, state } = start(chain({ from: 4 }));
    expect(layInto(plan, state, 2, 1)).toBe(false);
  });
});
