import { readFileSync } from 'node:fs';
import { checkDocument, readDocument, writeDocument } from '@map-step/core';
import { expect, test } from 'vitest';

const kept = (version: number) =>
  readFileSync(new URL(`../kept/version-${version}.json`, import.meta.url), 'utf8');

test.each([1, 2, 3])('the file that is kept of version %i is read, and means what it meant', version => {
  const read = readDocument(kept(version));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  expect(read.value.format).toBe('mapstep/3');
  const errors = checkDocument(read.value).problems.filter(({ severity }) => severity === 'error');
  // Its one figure is made of itself, which was not refused then.
  expect(errors.map(({ code, at }) => `${code} ${at}`)).toEqual(['made-cycle /patterns/0/made']);
  const { format: _, ...given } = JSON.parse(kept(version));
  const { format: __, ...now } = JSON.parse(writeDocument(read.value));
  expect(now).toEqual(given);
});

test('what a future version holds is not read as ours', () => {
  const read = readDocument(kept(3).replace('mapstep/3', 'mapstep/9'));
  expect(read.ok ? [] : read.fault.map(({ at, message }) => `${at} ${message}`)).toEqual([
    '/format expected "mapstep/3"',
  ]);
});
