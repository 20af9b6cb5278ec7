import fc from 'fast-check';
import { expect, test } from 'vitest';
import { createRandom } from '../../model/random.ts';
import { anyProblem } from '../../test/plan-problems.ts';
import { createPlanSearch } from '../search.ts';
import { createNeighbourhoods } from './neighbourhoods.ts';

const seed = fc.integer({ min: 1, max: 1e6 });

test('a step is about items of the problem, repeats for a seed, and asks for less left out only where something is', () => {
  fc.assert(
    fc.property(anyProblem, seed, (problem, start) => {
      const { placed } = createPlanSearch(problem, start).best();
      const steps = () => {
        const neighbourhoods = createNeighbourhoods(problem, createRandom(start));
        return Array.from({ length: 6 }, () => neighbourhoods.next(placed));
      };
      const first = steps();
      expect(first).toEqual(steps());
      const ids = new Set(problem.items.map(({ id }) => id));
      const isFull = problem.items.some(({ id }) => placed[id] === undefined);
      for (const { aim, free } of first) {
        expect([...free].every(id => ids.has(id))).toBe(true);
        expect(free.size).toBeGreaterThan(0);
        if (!isFull) expect(aim).toBe('cost');
      }
    }),
    { seed: 81, numRuns: 60 },
  );
});

test('after so many steps in a row without a better plan it is time for something else, and a better one begins anew', () => {
  fc.assert(
    fc.property(anyProblem, seed, (problem, start) => {
      const { placed } = createPlanSearch(problem, start).best();
      const neighbourhoods = createNeighbourhoods(problem, createRandom(start), 3);
      const stale = (outcome: 'better' | 'proven' | 'limit') => {
        neighbourhoods.next(placed);
        neighbourhoods.learn(outcome);
        return neighbourhoods.isStale();
      };
      expect([stale('limit'), stale('proven'), stale('limit')]).toEqual([false, false, true]);
      expect([stale('better'), stale('proven'), stale('proven'), stale('proven')]).toEqual([
        false,
        false,
        false,
        true,
      ]);
    }),
    { seed: 82, numRuns: 10 },
  );
});
