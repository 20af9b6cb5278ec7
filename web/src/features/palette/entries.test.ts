import { expect, test, vi } from 'vitest';
import { demoStudio } from '../../test/in-course.tsx';
import { findEntries, type PaletteEntry, type PaletteSource, paletteEntries } from './entries.ts';

const plan = vi.fn();
const source: PaletteSource = {
  courses: [
    {
      id: 'hustle-1',
      name: 'Hustle 1',
      dances: ['hustle'],
      level: null,
      lessons: 8,
      items: 20,
      published: true,
      sections: [
        {
          id: 'hustle-1-monday',
          course: 'hustle-1',
          start: '19:00',
          dates: ['2026-02-09', '2026-02-16'],
          room: null,
          staff: ['bram-okoro'],
          students: 14,
          behind: 4,
        },
      ],
    },
  ],
  studio: {
    studio: demoStudio.studio,
    people: [...(demoStudio.people ?? [])],
    rooms: [],
    holidays: [],
    tableColumns: { patterns: {}, items: {}, students: {}, marks: {} },
    slug: 'x',
    consent: null,
    localRules: null,
    recallAim: null,
  },
  course: { id: 'hustle-1', lessons: 8, isOpen: true },
  figures: demoStudio.patterns ?? [],
  search: '?class=hustle-1-monday',
  rooms: [{ id: 'map', word: 'Map' }],
  actions: [{ name: 'plan', words: 'plan this level', run: plan }],
  dates: ['2026-02-09'],
};
const entries = paletteEntries(source);
const find = (typed: string, recent: readonly string[] = []) => findEntries(entries, typed, recent);
const first = (typed: string): PaletteEntry => {
  const [found] = find(typed);
  if (!found) throw new Error(`nothing is called ${typed}`);
  return found;
};

test.each([
  ['wrap', '/courses/hustle-1/material/wrap'],
  ['lesson 3', '/courses/hustle-1/lesson?class=hustle-1-monday&lesson=3'],
  ['map', '/courses/hustle-1/map?class=hustle-1-monday'],
  ['monday', '/courses/hustle-1/lesson?class=hustle-1-monday'],
  ['hustle 1', '/courses/hustle-1/map'],
  ['bram', '/courses/hustle-1/lesson?class=hustle-1-monday'],
  ['programme', '/'],
])('“%s” leads to %s', (typed, to) => {
  expect(first(typed).go).toEqual({ to });
});

test('a figure is found by another of its names, whatever the accents and the order of the words', () => {
  expect(find('HARBOUR hóme').map(({ words }) => words)).toContain('Side basic');
});

test('what can be done here is done', () => {
  const { go } = first('plan this');
  if (!('act' in go)) throw new Error('it leads somewhere else');
  go.act();
  expect(plan).toHaveBeenCalledTimes(1);
});

test('with nothing typed what was gone to last comes first, then all the rest', () => {
  const found = find('', ['figure wrap', 'room map']);
  expect(found.slice(0, 2).map(({ key }) => key)).toEqual(['figure wrap', 'room map']);
  expect(found).toHaveLength(entries.length);
});

test('without a course that is open there are no rooms and lessons of it', () => {
  const outside = paletteEntries({ ...source, course: { id: 'hustle-1', lessons: 8, isOpen: false } });
  expect(outside.filter(({ hint }) => hint === 'room').map(({ words }) => words)).toEqual(['Programme']);
  expect(outside.some(({ key }) => key.startsWith('lesson'))).toBe(false);
  expect(outside.some(({ key }) => key === 'figure wrap')).toBe(true);
});

test('five thousand figures are searched within a frame or two', () => {
  const many = Array.from({ length: 5000 }, (_, index) => ({
    key: `figure ${index}`,
    words: `Figure ${index}`,
    hint: 'pattern',
    go: { to: '/' },
  }));
  expect(findEntries(many, 'figure 4999', [])).toHaveLength(1);
});
