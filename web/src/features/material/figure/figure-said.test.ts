import { openLibrary, type Pattern } from '@map-step/core';
import { expect, test } from 'vitest';
import { demoStudio } from '../../../test/in-course.tsx';
import { readSaid, saidHint, suggestSaid } from './figure-said.ts';

const library = openLibrary(demoStudio);
const figure = library.patterns.get('wrap') as Pattern;
const around = { library, figure, dance: library.dances.get(figure.dance) ?? never() };
const said = (text: string) => {
  const read = readSaid(text, around);
  return read.ok ? read.value : read.fault;
};

function never(): never {
  throw new Error('the demo has no wrap');
}

test('what is said in a line is that field of the figure, a word cut short is enough where only one begins so', () => {
  expect(said('rank 3')).toEqual({ ...figure, rank: 3 });
  expect(said('ra 3')).toEqual({ ...figure, rank: 3 });
  expect(said('two lessons')).toMatchObject({ overTwoLessons: true });
  expect(said('two lessons no')).not.toHaveProperty('overTwoLessons');
  expect(said('kind t')).toMatchObject({ kind: 'turn' });
  expect(said('name Wrap by the quay')).toMatchObject({ name: 'Wrap by the quay' });
  expect(said('needs close basic, left turn')).toMatchObject({ needs: ['close-basic', 'left-turn'] });
  expect(said('needs ')).not.toHaveProperty('needs');
  expect(said('level 2')).toMatchObject({ level: 'hustle-2' });
});

test('what cannot be read says what would be taken', () => {
  expect(said('height 3')).toContain(
    '“height 3” is not said of a figure; begin with needs, level, variant of',
  );
  expect(said('kind waltz')).toBe('“waltz” is no kind; write basic, pattern, turn, drill, quality');
  expect(said('level 9')).toContain('“9” is no level of Hustle; write ');
  expect(said('needs wrap')).toContain('these would need each other: ');
  expect(said('name ')).toBe('a figure has a name');
});

test('a beginning is completed: the words first, then the names that go with one; what stands is told', () => {
  expect(suggestSaid('r', around)).toEqual(['rank ']);
  expect(suggestSaid('', around)).toHaveLength(8);
  expect(suggestSaid('level ', around).length).toBeGreaterThan(2);
  expect(suggestSaid('needs close basic, left t', around)).toContain('needs close basic, Left turn');
  expect(saidHint('kind ', around)).toContain(`Now: ${figure.kind}`);
  expect(saidHint('', around)).toBeUndefined();
});
