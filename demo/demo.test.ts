import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
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
} from '@map-step/core';
import { expect, test } from 'vitest';
import { tarnStreet } from './tarn-street.ts';

const BUILD = fileURLToPath(new URL('build.ts', import.meta.url));
const text = readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8');

test('the file is what its source makes (npm run demo)', () => {
  const directory = mkdtempSync(join(tmpdir(), 'map-step-demo-'));
  const file = join(directory, 'made.json');
  execFileSync(process.execPath, ['--import', 'tsx', BUILD, file]);
  expect(text).toBe(readFileSync(file, 'utf8'));
  rmSync(directory, { recursive: true });
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
