import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Mark } from '../model/document.ts';
import { markerAgreement, needsCalibration, weightedKappa } from './agreement.ts';

type Grade = Mark['mark'];
const anyPairs = fc.array(
  fc.record({ a: fc.constantFrom<Grade>(0, 1, 2, 3), b: fc.constantFrom<Grade>(0, 1, 2, 3) }),
  { minLength: 1, maxLength: 60 },
);

/** By the moments, not by the table. */
function kappaByMoments(pairs: readonly { a: number; b: number }[]): number {
  const n = pairs.length;
  const mean = (of: (pair: { a: number; b: number }) => number) =>
    pairs.reduce((sum, pair) => sum + of(pair), 0) / n;
  const [meanA, meanB] = [mean(({ a }) => a), mean(({ b }) => b)];
  const covariance = mean(({ a, b }) => (a - meanA) * (b - meanB));
  const spread = mean(({ a }) => (a - meanA) ** 2) + mean(({ b }) => (b - meanB) ** 2) + (meanA - meanB) ** 2;
  return spread === 0 ? 1 : (2 * covariance) / spread;
}

describe('weighted kappa', () => {
  test('worked by hand: 0.5 observed, 1.5 by chance', () => {
    // a: 0 1 2 3, b: 1 1 2 2. Squared differences 1 0 0 1, mean 0.5.
    // Chance: each a against each b, halves at 1 and at 2: (0.5·1+0.5·4 + 0+0.5·1 + 0.5·1+0 + 0.5·4+0.5·1) / 4 = 1.5
    const pairs = [
      { a: 0, b: 1 },
      { a: 1, b: 1 },
      { a: 2, b: 2 },
      { a: 3, b: 2 },
    ];
    expect(weightedKappa(pairs)).toBeCloseTo(1 - 0.5 / 1.5, 12);
  });

  test('agrees with the formula by moments of Fleiss and Cohen', () => {
    fc.assert(
      fc.property(anyPairs, pairs => {
        expect(weightedKappa(pairs)).toBeCloseTo(kappaByMoments(pairs), 9);
      }),
      { seed: 15, numRuns: 500 },
    );
  });

  test('is 1 for who copies, and where both give all the same mark', () => {
    fc.assert(
      fc.property(anyPairs, pairs => {
        expect(weightedKappa(pairs.map(({ a }) => ({ a, b: a })))).toBe(1);
      }),
      { seed: 15 },
    );
    expect(
      weightedKappa([
        { a: 2, b: 2 },
        { a: 2, b: 2 },
      ]),
    ).toBe(1);
  });
});

const marksOf = (by: string, grades: readonly (readonly [string, Grade])[]): Mark[] =>
  grades.map(([student, mark], index) => ({
    id: `${by}-${index}`,
    student,
    role: 'lead',
    pattern: 'wrap',
    layer: 'steps',
    mark,
    by,
    at: '2026-03-09T19:00:00Z',
  }));
const STUDENTS = ['ana', 'ben', 'cy', 'dot', 'eli', 'fay'];
const all = (mark: Grade) => STUDENTS.map(student => [student, mark] as const);

describe('two markers', () => {
  test('one who always gives one mark more is shown for calibration, with a sharp interval', () => {
    const [told] = markerAgreement([...marksOf('bram', all(3)), ...marksOf('suki', all(2))]);
    expect(told).toMatchObject({
      a: 'bram',
      b: 'suki',
      cells: 6,
      students: 6,
      difference: 1,
      low: 1,
      high: 1,
    });
    expect(told && needsCalibration(told)).toBe(true);
  });

  test('under five shared students it says too few', () => {
    const four = all(2).slice(0, 4);
    const [told] = markerAgreement([...marksOf('bram', four), ...marksOf('suki', four)]);
    expect([told?.low, told?.high, told && needsCalibration(told)]).toEqual([null, null, false]);
  });

  test('who shares no cell is not compared; three who share all are compared in three pairs', () => {
    expect(
      markerAgreement([...marksOf('bram', all(2).slice(0, 3)), ...marksOf('suki', all(2).slice(3))]),
    ).toEqual([]);
    const three = ['bram', 'suki', 'teo'].flatMap(by => marksOf(by, all(2)));
    expect(markerAgreement(three).map(({ a, b }) => `${a} ${b}`)).toEqual([
      'bram suki',
      'bram teo',
      'suki teo',
    ]);
  });

  test('the same seed gives the same interval, around the difference', () => {
    const grades = STUDENTS.map((student, index) => [student, (index % 4) as Grade] as const);
    const marks = [...marksOf('bram', grades), ...marksOf('suki', all(1))];
    const [one] = markerAgreement(marks, 7);
    expect(markerAgreement(marks, 7)[0]).toEqual(one);
    expect(one?.low).toBeLessThanOrEqual(one?.difference ?? 0);
    expect(one?.high).toBeGreaterThanOrEqual(one?.difference ?? 0);
  });
});
