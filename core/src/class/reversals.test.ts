import { expect, test } from 'vitest';
import type { ClassPlan } from './class-plan.ts';
import { findReversals } from './reversals.ts';

const plan = (placed: Record<string, number>, progress: object = {}) =>
  ({
    answer: { placed },
    progress: { taught: {}, carried: [], begun: [], ...progress },
  }) as unknown as ClassPlan;

test('what is moved away after one evening and back after the next is told with what has been danced since', () => {
  const told = findReversals(
    plan({ b: 2, c: 3, d: 4, e: 5 }),
    plan({ b: 3, c: 4, d: 5 }, { carried: ['b'] }),
    plan({ b: 3, c: 3, d: 5, e: 5 }, { taught: { b: 3 } }),
  );
  expect(told).toEqual([
    { pattern: 'c', lesson: 3, between: 4, danced: ['b'] },
    { pattern: 'e', lesson: 5, between: null, danced: ['b'] },
  ]);
});

test('what only moved, or has been danced, is no reversal; what is open still is no cause', () => {
  const earlier = plan({ c: 3, d: 4 });
  const between = plan({ c: 4, d: 5 }, { carried: ['b'], begun: ['a'] });
  expect(findReversals(earlier, between, plan({ c: 3, d: 5 }, { taught: { c: 3 } }))).toEqual([]);
  expect(findReversals(earlier, between, plan({ c: 3, d: 5 }, { taught: { a: 3 }, carried: ['b'] }))).toEqual(
    [{ pattern: 'c', lesson: 3, between: 4, danced: ['a'] }],
  );
});
