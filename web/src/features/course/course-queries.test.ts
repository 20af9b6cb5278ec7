import type { Course } from '@map-step/core';
import { expect, test } from 'vitest';
import { demoStudio, mondayClass } from '../../test/in-course.tsx';
import { classPlanQuery } from './course-queries.ts';

const course = demoStudio.courses?.find(({ id }) => id === 'hustle-1') as Course;
const material = {
  dances: demoStudio.dances ?? [],
  levels: demoStudio.levels ?? [],
  patterns: demoStudio.patterns ?? [],
  elements: demoStudio.elements ?? [],
};
const section = mondayClass().section;
const keyOf = (of: Course, figures = material, published = { placed: { wrap: 6 }, ahead: [] as string[] }) =>
  classPlanQuery(figures, of, published, section, 0).queryHash;

test.each([
  ['the points', { weights: { mix: 9 } }],
  ['what look-alikes are', { lookalikes: 'together' }],
  ['which roles are taught', { roles: 'both' }],
  ['the format', { format: 'open' }],
  ['the items', { items: course.items.slice(1) }],
] as const)('the plan of a class is made anew when %s of its course change', (_, more) => {
  expect(keyOf({ ...course, ...more } as Course)).not.toBe(keyOf(course));
});

test('it is made anew when figures or what was published change, and not by a draft that nobody has published', () => {
  expect(keyOf(course, { ...material })).not.toBe(keyOf(course));
  expect(keyOf(course, material, { placed: { wrap: 5 }, ahead: [] } as never)).not.toBe(keyOf(course));
  expect(keyOf({ ...course, placed: [] })).toBe(keyOf(course));
});
