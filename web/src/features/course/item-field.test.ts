import type { CourseItem } from '@map-step/core';
import { expect, test } from 'vitest';
import { itemField } from './item-field.ts';

const item: CourseItem = { pattern: 'wrap', value: 'must', pin: 4, gate: true };

test('an item is one field of its course, with what is set anew and without what is taken away', () => {
  expect(itemField(item, { pin: undefined, from: 3 })).toEqual({
    'items/wrap': { pattern: 'wrap', value: 'must', gate: true, from: 3 },
  });
  expect(item).toEqual({ pattern: 'wrap', value: 'must', pin: 4, gate: true });
});
