// What a document may hold: every text, list and depth has a bound, and its message names it.
import { expect, test } from 'vitest';
import { tinyStudio } from '../test/tiny-studio.ts';
import { isBrokenText, readDocument, readJson } from './read-json.ts';
import { findJsonFault } from './scan-json.ts';

const read = (value: unknown) => {
  const result = readDocument(JSON.stringify(value));
  return result.ok ? [] : result.fault;
};
const figure = (more: object) => ({
  ...tinyStudio,
  patterns: [{ id: 'walk', dance: 'waltz', name: 'Walk', kind: 'drill', ...more }],
});
const many = <Entry>(count: number, entry: Entry) => Array.from({ length: count }, () => entry);

test.each([
  ['a name', figure({ name: 'x'.repeat(201) }), '/patterns/0/name', 'is longer than 200 characters'],
  [
    'a part',
    figure({ parts: { solo: 'x'.repeat(4001) } }),
    '/patterns/0/parts/solo',
    'is longer than 4,000 characters',
  ],
  ['needs', figure({ needs: many(101, 'walk') }), '/patterns/0/needs', 'holds more than 100 entries'],
  [
    'a figure altogether',
    figure({ marks: many(9, { kind: 'cue', text: 'x'.repeat(9000) }) }),
    '/patterns/0',
    'is longer than 60000 characters altogether',
  ],
  [
    'dances',
    { ...tinyStudio, dances: many(201, tinyStudio.dances[0]) },
    '/dances',
    'holds more than 200 entries',
  ],
  [
    'a time zone',
    { ...tinyStudio, studio: { name: 'A', timezone: 'Mars/Olympus' } },
    '/studio/timezone',
    'expected a time zone such as Europe/London',
  ],
  [
    'a year',
    { ...tinyStudio, holidays: [{ from: '0001-01-01', to: '2026-01-01', name: 'Long' }] },
    '/holidays/0/from',
    'expected a year from 1900 to 2199',
  ],
  [
    'an extension',
    { ...tinyStudio, ext: { x: 'x'.repeat(1_000_001) } },
    '/ext',
    'is longer than 1000000 characters',
  ],
])('%s beyond its bound', (_, document, at, message) => {
  expect(read(document)).toContainEqual({ at, message });
});

test.each(['>'.repeat(5000), '> '.repeat(22), '- '.repeat(22), '1. - > '.repeat(8)])(
  'a recap that nests like %.12s is refused',
  markdown => {
    const recaps = [{ section: 'monday', lesson: 1, audience: 'students', markdown }];
    expect(read({ ...tinyStudio, recaps })[0]).toEqual({
      at: '/recaps/0/markdown',
      message: 'nests quotes and lists deeper than 20 levels',
    });
  },
);

test('a recap with rules, lists and quotes as people write them is taken', () => {
  const markdown = '# Recap\n\n---\n\n> well done\n>> both\n\n- one\n  - two\n    1. three\n\n**********\n';
  expect(
    read({ ...tinyStudio, recaps: [{ section: 'monday', lesson: 1, audience: 'students', markdown }] }),
  ).toEqual([]);
});

test('what is missing is said to be missing', () => {
  expect(read({ ...tinyStudio, dances: [{ id: 'waltz' }] })).toContainEqual({
    at: '/dances/0/name',
    message: 'is missing',
  });
});

test.each([
  ['NUL', '{"a": ["x", "\\u0000"]}', '/a/1'],
  ['half of a pair', '{"a": {"b": "\\ud800"}}', '/a/b'],
  ['a key with NUL', '{"a": {"\\u0000": 1}}', '/a'],
])('%s is told with its place', (_, text, at) => {
  const result = readJson(text);
  expect(result.ok ? [] : result.fault.map(fault => fault.at)).toEqual([at]);
});

test('whole pairs are texts like any other', () => {
  expect(isBrokenText('\u{1F483}')).toBe(false);
  expect(readJson('{"a": "\\ud83d\\udc83"}').ok).toBe(true);
});

test('a string of twenty million characters is scanned', () => {
  expect(findJsonFault(`["${'x'.repeat(20_000_000)}"]`)).toBe(undefined);
});

test('the number of values can be bounded', () => {
  expect(findJsonFault('[1,2,[3,{}]]', { depth: 9, values: 6 })).toBe(undefined);
  expect(findJsonFault('[1,2,[3,{}]]', { depth: 9, values: 5 })?.message).toBe('holds more than 5 values');
});

test('entries at fault are told, but not all of a hundred thousand', () => {
  const faults = read({ ...tinyStudio, logs: many(100_000, {}) });
  expect(faults.length).toBeGreaterThan(100);
  expect(faults.length).toBeLessThan(400);
  expect(faults[0]?.at).toBe('/logs/0/id');
});
