import fc from 'fast-check';
import highs from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { createRandom } from '../../model/random.ts';
import { tenths } from '../../model/units.ts';
import {
  anyProblem,
  bruteForce,
  item,
  judge,
  laid,
  legalCosts,
  problem,
  small,
} from '../../test/plan-problems.ts';
import { judgePlan } from '../judge.ts';
import type { Placing, PlanProblem } from '../problem.ts';
import { createPlanSearch } from '../search.ts';
import { solvePlan } from '../solve.ts';
import { changeProblem, leastMinutes } from '../what-if.ts';
import { type HighsLike, highsSolver } from './highs-solver.ts';
import type { MipModel, MipSolver } from './mip.ts';
import { createNeighbourhoods } from './neighbourhoods.ts';
import { buildPlanModel } from './plan-model.ts';

let solver: MipSolver;
beforeAll(async () => {
  solver = highsSolver(await (highs as unknown as () => Promise<HighsLike>)());
});

/** The rows and bounds that a solution breaks. */
function brokenRows(mip: MipModel, values: Float64Array): string[] {
  const rows = Array.from({ length: mip.rowCount }, (_, row) => {
    let sum = 0;
    for (let entry = mip.starts[row] ?? 0; entry < (mip.starts[row + 1] ?? 0); entry += 1)
      sum += (mip.factors[entry] ?? 0) * (values[mip.columns[entry] ?? 0] ?? 0);
    return sum < (mip.rowLower[row] ?? 0) - 1e-6 || sum > (mip.rowUpper[row] ?? 0) + 1e-6
      ? [`row ${row}`]
      : [];
  });
  const bounds = [...values].map((value, column) =>
    value < (mip.lower[column] ?? 0) - 1e-6 || value > (mip.upper[column] ?? 0) + 1e-6
      ? [`column ${column}`]
      : [],
  );
  return [...rows, ...bounds].flat();
}

const objective = (mip: MipModel, values: Float64Array) =>
  values.reduce((sum, value, column) => sum + value * (mip.cost[column] ?? 0), mip.offset);

/** Some legal plan: annealed a little, so that it differs from seed to seed. */
const legalPlan = (given: PlanProblem, seed: number): Placing => {
  const search = createPlanSearch(given, seed);
  search.run(20 * (seed % 40));
  return search.best();
};

describe('the exact model', () => {
  test('a legal plan keeps every row, and costs in the model what the judge says', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 1, max: 1e6 }), (given, seed) => {
        const plan = legalPlan(given, seed);
        const { cost, broken } = judge(given, plan);
        fc.pre(broken.length === 0);
        const { mip, start, decode } = buildPlanModel(given, { from: plan, aim: 'cost' });
        expect(brokenRows(mip, start)).toEqual([]);
        expect(objective(mip, start)).toBeCloseTo(cost.total, 1);
        const { placed, ahead } = decode(start);
        expect(placed).toEqual(plan.placed);
        expect(ahead.toSorted()).toEqual(plan.ahead.toSorted());
      }),
      { seed: 61, numRuns: 80 },
    );
  });

  test('with a few items free the others stay, and the plan is no worse and breaks nothing', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 1, max: 1e6 }), (given, seed) => {
        const from = legalPlan(given, seed);
        const before = judge(given, from);
        fc.pre(before.broken.length === 0);
        const { free } = createNeighbourhoods(given, createRandom(seed)).next(from.placed);
        const model = buildPlanModel(given, { from, free, aim: 'cost' });
        const { values } = solver(model.mip, { start: model.start, nodes: 5 });
        const plan = model.decode(values ?? model.start);
        const after = judge(given, plan);
        expect(after.broken).toEqual([]);
        expect(after.cost.total).toBeLessThanOrEqual(before.cost.total + 0.01);
        const moved = given.items.filter(({ id }) => plan.placed[id] !== from.placed[id] && !free.has(id));
        expect(moved).toEqual([]);
      }),
      { seed: 62, numRuns: 3 },
    );
  });

  test('its optimum is that of brute force on 80 small problems', () => {
    fc.assert(
      fc.property(small(4), given => {
        const { mip } = buildPlanModel(given, { from: laid({}), aim: 'cost' });
        const { ended, bound } = solver(mip, {});
        expect(ended).toBe('optimal');
        expect(bound).toBeCloseTo(bruteForce(given), 1);
      }),
      { seed: 63, numRuns: 80 },
    );
  });

  test('look-alikes together: 20 points for a pair more than one lesson apart, none for one left out', () => {
    const given = problem([item('a', { pin: 1 }), item('b', { from: 4 }), item('c', { kind: 'turn' })], {
      lookalikes: [['a', 'b']],
      apart: false,
    });
    const { mip, start } = buildPlanModel(given, { from: laid({ a: 1, b: 4, c: 2 }), aim: 'cost' });
    expect(objective(mip, start)).toBeCloseTo(judgePlan(given, { a: 1, b: 4, c: 2 }).cost.total, 2);
  });
});

describe('planning with the exact solver', () => {
  const budget = (work: number) => ({ kind: 'work', work }) as const;

  test('proves the best plan, and says the bound', () => {
    fc.assert(
      fc.property(small(4), given => {
        const found = solvePlan(given, { seed: 1, solver, budget: budget(400_000) });
        expect([found.proven, found.ended]).toEqual([true, 'proven']);
        expect(found.cost.total).toBeCloseTo(bruteForce(given), 1);
        expect(found.bound).toBe(found.cost.total);
      }),
      { seed: 64, numRuns: 6 },
    );
  });

  test('the same problem, seed and work give the same plan and bound', () => {
    const given = problem(
      Array.from({ length: 16 }, (_, i) =>
        item(`i${i}`, { kind: i % 2 ? 'turn' : 'basic', assembly: tenths(70 + i), value: 'should' }),
      ),
    );
    const run = () => solvePlan(given, { seed: 3, solver, budget: { kind: 'work', work: 60_000 } });
    expect(run()).toEqual(run());
  });

  test('mending leaves out no more than it must, then moves no more than it must: brute force agrees', () => {
    fc.assert(
      fc.property(small(4), fc.integer({ min: 1, max: 1e6 }), (fresh, seed) => {
        const published = legalPlan(fresh, seed).placed;
        const first = Object.entries(published).find(([, lesson]) => lesson === 1)?.[0];
        const taught = { lessons: 1, items: first === undefined ? {} : { [first]: 1 } };
        const given: PlanProblem = { ...fresh, published, taught };
        const found = solvePlan(given, { seed: 1, solver, budget: budget(100_000) });
        const least = leastMend(given);
        expect([found.cost.left, found.cost.moved]).toEqual(least);
      }),
      { seed: 65, numRuns: 24 },
    );
  });

  test('fewer minutes than told as the least are not enough, and the plan of the least leaves nothing: by trying each', () => {
    const leftOut = (given: PlanProblem, minutes: number) =>
      Math.min(
        ...[...legalCosts(changeProblem(given, { kind: 'minutes', minutes }))].map(({ left }) => left),
      );
    fc.assert(
      fc.property(small(4), given => {
        const least = leastMinutes(given, laid({}), solver);
        if (!least) {
          expect(leftOut(given, 60)).toBeGreaterThan(0);
          return;
        }
        const { answer, atLeast = 0 } = least;
        const minutes = answer.whatIf.kind === 'minutes' ? answer.whatIf.minutes : Number.NaN;
        expect(minutes).toBeGreaterThanOrEqual(atLeast);
        expect([answer.left, leftOut(given, minutes)]).toEqual([[], 0]);
        if (atLeast > 0) expect(leftOut(given, atLeast - 1)).toBeGreaterThan(0);
      }),
      { seed: 66, numRuns: 12 },
    );
  });

  test('it can be stopped, and keeps the best plan found', () => {
    const given = problem(Array.from({ length: 30 }, (_, i) => item(`i${i}`, { assembly: tenths(60) })));
    let asked = 0;
    const shouldStop = () => {
      asked += 1;
      return asked > 5;
    };
    const found = solvePlan(given, {
      seed: 1,
      solver,
      budget: { kind: 'work', work: 1e9, shouldStop },
    });
    expect([found.ended, found.broken]).toEqual(['stopped', []]);
  });
});

/** Points left out and points moved of the best mend, by trying each. */
function leastMend(given: PlanProblem): number[] {
  const [best] = [...legalCosts(given)].sort((a, b) => a.left - b.left || a.moved - b.moved);
  return [best?.left ?? 0, best?.moved ?? 0];
}
