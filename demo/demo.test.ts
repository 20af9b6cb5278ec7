import { readFileSync } from 'node:fs';
import {
  buildPlanProblem,
  checkDocument,
  judgePlan,
  openLibrary,
  readDocument,
  writeDocument,
} from '@map-step/core';
import { expect, test } from 'vitest';
import { buildDemo } from './build.ts';
import { tarnStreet } from './tarn-street.ts';

const text = readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8');

test('the file is what its source makes (npm run demo)', () => {
  expect(text).toBe(writeDocument(buildDemo(tarnStreet)));
});

test('every figure passes check without an error or a hint', () => {
  const read = readDocument(text);
  expect(read.ok && checkDocument(read.value).problems).toEqual([]);
});

test('Hustle 1 has at least 14 figures with both roles', () => {
  const paired = tarnStreet.patterns?.filter(
    ({ parts, level }) => level === 'hustle-1' && parts && 'lead' in parts,
  );
  expect(paired?.length).toBeGreaterThanOrEqual(14);
});

test('the plan on paper breaks no rule', () => {
  const course = tarnStreet.courses?.[0];
  const built = course && buildPlanProblem(openLibrary(tarnStreet), course);
  if (!built?.ok) throw new Error('the course cannot be planned');
  const placed = Object.fromEntries((course?.placed ?? []).map(({ pattern, lesson }) => [pattern, lesson]));
  expect(judgePlan(built.value, placed).broken).toEqual([]);
});
