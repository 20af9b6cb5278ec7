import { expect, test } from 'vitest';
import { freeId } from './free-id.ts';

const none = () => false;

test.each([
  ['Free spin', 'free-spin'],
  ['  Drehung über links! ', 'drehung-ueber-links'],
  ['TwoStep 2', 'twostep-2'],
  ['∗∗∗', 'figure'],
])('“%s” is “%s”', (name, id) => {
  expect(freeId(name, none, 'figure')).toBe(id);
});

test('a long name is cut, and never behind a dash', () => {
  const id = freeId(`${'a'.repeat(55)} and more`, none, 'figure');
  expect(id).toBe('a'.repeat(55));
  expect(id).toMatch(/^[a-z0-9-]{1,64}$/);
});

test('where it is taken the first free number follows', () => {
  const taken = new Set(['wrap', 'wrap-2']);
  expect(freeId('Wrap', id => taken.has(id), 'figure')).toBe('wrap-3');
});
