import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Mark } from '../model/document.ts';
import { course, figure, studio } from '../test/studio.ts';
import { itemResults, layerResults, notTaught } from './class-result.ts';
import { generateCriteria } from './criteria.ts';
import { binomialQuantile, forecastLevel } from './forecast.ts';

const library = openLibrary(
  studio([
    figure('walk', { kind: 'basic' }),
    figure('wrap'),
    figure('drill', { kind: 'drill' }),
    figure('late'),
  ]),
);
const quay = course([
  { pattern: 'wrap', value: 'should' },
  { pattern: 'walk', value: 'must', gate: true },
  { pattern: 'late', value: 'could', layers: ['tempo'] },
  { pattern: 'drill', value: 'could' },
]);
const plan = { walk: 1, wrap: 3, late: 4, drill: 1 };

describe('what a check asks', () => {
  test('the figures in the order of the plan, gates in every way, the rest in the usual ways, or as the course says', () => {
    expect(generateCriteria(library, quay, plan, 'final')).toEqual([
      { pattern: 'walk', gate: true, layers: ['steps', 'timing', 'partner', 'technique', 'tempo'] },
      { pattern: 'wrap', gate: false, layers: ['steps', 'timing', 'partner'] },
      { pattern: 'late', gate: false, layers: ['tempo'] },
    ]);
  });

  test('half way only what the first half of the lessons brought; what is left out of the plan is not asked', () => {
    const ids = (placed: typeof plan | { walk: number }, kind: 'half-way' | 'final') =>
      generateCriteria(library, quay, placed, kind).map(({ pattern }) => pattern);
    expect(ids(plan, 'half-way')).toEqual(['walk', 'wrap']);
    expect(ids({ walk: 1 }, 'final')).toEqual(['walk']);
  });
});

test('under 60 % passed goes to what the level did not teach, the worst first', () => {
  const criteria = ['a', 'b', 'c'].map(pattern => ({ pattern, gate: false, layers: ['steps' as const] }));
  const passed = (...ids: string[]) => ({ passed: ids, marked: 3 });
  const results = itemResults(criteria, [
    passed('a', 'b'),
    passed('a'),
    passed('a', 'b'),
    passed('b'),
    passed('a'),
    // Nobody has looked at her.
    { passed: [], marked: 0 },
  ]);
  expect(results).toEqual([
    { pattern: 'a', asked: 5, passed: 4 },
    { pattern: 'b', asked: 5, passed: 3 },
    { pattern: 'c', asked: 5, passed: 0 },
  ]);
  expect(notTaught(results).map(({ pattern }) => pattern)).toEqual(['c']);
});

test('a layer tells who was asked, who was marked and who is at 2', () => {
  const mark = (student: string, given: Mark['mark']): Mark => ({
    ...{ id: student, student, role: 'lead', pattern: 'a', layer: 'steps', mark: given },
    ...{ by: 'bram', at: '2026-03-09T19:00:00Z' },
  });
  const criteria = [{ pattern: 'a', gate: false, layers: ['steps' as const] }];
  const candidates = ['ana', 'ben', 'cy'].map(student => ({ student, role: 'lead' as const }));
  expect(layerResults(criteria, [mark('ana', 2), mark('ben', 1)], candidates)).toEqual([
    { pattern: 'a', layer: 'steps', asked: 3, marked: 2, passed: 1 },
  ]);
});

describe('next term', () => {
  test('quantiles of known binomials', () => {
    // 10 tosses of a fair coin: at most 2 with 0.0547, at most 1 with 0.0107; at most 8 with 0.9893.
    expect([binomialQuantile(10, 0.5, 0.025), binomialQuantile(10, 0.5, 0.975)]).toEqual([2, 8]);
    expect([binomialQuantile(10, 0, 0.5), binomialQuantile(10, 1, 0.5)]).toEqual([0, 10]);
  });

  test('the fuller role fills the room; who has no partner is told', () => {
    const told = forecastLevel({ lead: 6, follow: 14, solo: 0 }, { returnRate: 1, capacity: 8 });
    expect(told).toMatchObject({
      expected: 20,
      low: 20,
      high: 20,
      sections: { low: 2, expected: 2, high: 2 },
      short: { role: 'lead', by: 8 },
    });
  });

  test('the interval holds the expected number, and nobody needs no class', () => {
    const told = forecastLevel({ lead: 10, follow: 10, solo: 0 }, { returnRate: 0.7, capacity: 6 });
    expect(told.low).toBeLessThan(told.expected);
    expect(told.high).toBeGreaterThan(told.expected);
    expect(told.sections).toEqual({ low: 1, expected: 2, high: 2 });
    expect(
      forecastLevel({ lead: 0, follow: 0, solo: 0 }, { returnRate: 0.7, capacity: 6 }).sections.high,
    ).toBe(0);
  });
});
