import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { course, figure, studio } from '../test/studio.ts';
import { buildPlanProblem } from './build-problem.ts';
import { solvePlan } from './solve.ts';

const joined = figure('joined', {
  level: 'one',
  made: [{ pattern: 'wheel' }, { pattern: 'walk', last: 'sway' }],
});
const library = openLibrary(
  studio([joined, ...['wheel', 'walk', 'sway'].map(id => figure(id, { level: 'one', minutes: 12 }))]),
);
const items = (...ids: string[]) => course(ids.map(pattern => ({ pattern, value: 'must' as const })));

test('a figure that is made of others needs them, and is never planned before them', () => {
  const built = buildPlanProblem(library, items('joined', 'wheel', 'walk', 'sway'), {});
  if (!built.ok) throw new Error(built.fault.join());
  expect(built.value.items[0]?.needs).toEqual(['wheel', 'walk', 'sway']);
  const { placed, broken } = solvePlan(built.value, { seed: 1, budget: { kind: 'work', work: 20_000 } });
  expect(broken).toEqual([]);
  for (const piece of ['wheel', 'walk', 'sway'])
    expect(placed[piece]).toBeLessThanOrEqual(placed['joined'] ?? 0);
});

test('a piece that is neither in the course nor of a lower level is told', () => {
  const built = buildPlanProblem(library, items('joined', 'wheel', 'walk'), {});
  expect(built.ok ? [] : built.fault).toEqual([
    '"joined" needs "sway", which is neither in the course nor of a lower level',
  ]);
});
