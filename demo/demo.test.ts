import { readFileSync } from 'node:fs';
import {
  buildPlanProblem,
  checkDocument,
  draftPlacing,
  judgePlan,
  openLibrary,
  PATTERN_TABLE,
  readCsv,
  readDocument,
  readTable,
  tableRows,
  writeCsv,
  writeDocument,
} from '@map-step/core';
import { expect, test } from 'vitest';
import { buildDemo } from './build.ts';
import { tarnStreet } from './tarn-street.ts';

const text = readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8');

test('the file is what its source makes (npm run demo)', () => {
  expect(text).toBe(writeDocument(buildDemo(tarnStreet)));
});

test('every figure passes check without an error; hints speak of three over four, of the corner, and of the hand behind the hip', () => {
  const read = readDocument(text);
  const problems = read.ok ? checkDocument(read.value).problems : [];
  expect(problems.filter(({ severity }) => severity === 'error')).toEqual([]);
  const named = problems.map(({ code, at }) => [code, tarnStreet.patterns?.[Number(at.split('/')[2])]?.id]);
  expect(named).toEqual([
    ['arm-behind', 'hammerlock'],
    ['no-way-back', 'natural-pivot-turn'],
    ['beats-off-bar', 'waltz-clog'],
  ]);
});

test('Hustle 1 has at least 14 figures with both roles', () => {
  const paired = tarnStreet.patterns?.filter(
    ({ parts, level }) => level === 'hustle-1' && parts && 'lead' in parts,
  );
  expect(paired?.length).toBeGreaterThanOrEqual(14);
});

test.each(tarnStreet.courses ?? [])('the plan of $name breaks no rule', course => {
  const built = buildPlanProblem(openLibrary(tarnStreet), course);
  if (!built.ok) throw new Error('the course cannot be planned');
  const { placed, ahead } = draftPlacing(course);
  expect(Object.keys(placed).length).toBeGreaterThan(0);
  expect(judgePlan(built.value, placed, ahead).broken).toEqual([]);
});

test('every figure goes through a table of a spreadsheet and reads back equal', () => {
  const { patterns = [] } = tarnStreet;
  const rows = readCsv(writeCsv(tableRows(PATTERN_TABLE, patterns)));
  const table = rows.ok ? readTable(PATTERN_TABLE, rows.value) : rows;
  expect(table.ok && table.value.faults).toEqual([]);
  expect(table.ok && table.value.rows.map(({ entry }) => entry)).toEqual(patterns);
});
