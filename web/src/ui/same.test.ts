import { expect, test } from 'vitest';
import { hasSameEntries } from './same.ts';

test('objects are the same when each entry is the very same: equal lists are not', () => {
  const list = [1];
  expect(hasSameEntries({ a: 1, list }, { a: 1, list })).toBe(true);
  expect(hasSameEntries({ a: 1, list }, { a: 2, list })).toBe(false);
  expect(hasSameEntries({ list }, { list: [1] })).toBe(false);
});
