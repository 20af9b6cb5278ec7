import { cancelEvening } from '@map-step/core';
import { describe, expect, test } from 'vitest';
import { courseContent } from '../../test/in-course.tsx';
import { clashesInWords, daysOf } from '../course/class-words.ts';
import { weeksOf } from '../course/term-queries.ts';
import { effectInWords } from './cancel-evening.tsx';

const { studio } = courseContent('director');
const one = (id: string, start: string) => ({
  id,
  course: 'hustle-1',
  start,
  dates: ['2026-03-09'],
  staff: [],
  behind: 0,
});
const term = {
  classes: [one('early', '18:30'), one('own', '19:00')],
  courses: [{ id: 'hustle-1', name: 'Hustle 1', dances: ['hustle'], minutes: [60], level: null }],
};

test('a room that is taken on two evenings is told once, with both', () => {
  const clash = { kind: 'room', id: 'sail-loft', classes: ['early', 'own'] } as const;
  const clashes = [
    { ...clash, date: '2026-03-09' },
    { ...clash, date: '2026-03-16' },
  ];
  expect(clashesInWords(clashes, 'own', term, studio)).toEqual([
    'Sail Loft is taken by Hustle 1, Monday 18:30 at the same time: Mon 9 Mar, Mon 16 Mar',
  ]);
});

test('a teacher who is elsewhere is told by their name', () => {
  const clashes = [
    { kind: 'person', id: 'bram-okoro', date: '2026-03-09', classes: ['early', 'own'] },
  ] as const;
  expect(clashesInWords(clashes, 'own', term, studio)).toEqual([
    'Bram Okoro teaches Hustle 1, Monday 18:30 at the same time: Mon 9 Mar',
  ]);
});

describe('what an evening called off does', () => {
  const section = { dates: ['2026-03-09', '2026-03-16', '2026-03-23'] };
  const tell = (date: string, last: Parameters<typeof cancelEvening>[3], plan = {}) => {
    const after = cancelEvening(section, date, 'Snow', last);
    return after && effectInWords(after, 3, plan, id => id.toUpperCase());
  };

  test('with a new evening the plan stays', () => {
    expect(tell('2026-03-16', { kind: 'new-evening', holidays: [] })).toBe(
      'Lessons 2 to 3 come an evening later. The last evening is Mon 30 Mar; the plan stays as it is.',
    );
  });

  test('without one the last lesson has none, and what it would bring is named', () => {
    expect(tell('2026-03-16', { kind: 'none' }, { wrap: 3 })).toBe(
      'Lesson 2 comes later. Lesson 3 has no evening any more. WRAP would come in it and has no evening: move it on the map.',
    );
    expect(tell('2026-03-23', { kind: 'none' })).toBe(
      'Lesson 3 has no evening any more. Nothing new is planned in it; putting together and checking fall away.',
    );
  });
});

test.each([
  [{}, 'every lesson'],
  [{ from: '2026-03-09', to: '2026-03-09' }, 'on 9 Mar only'],
  [{ from: '2026-03-09' }, 'from 9 Mar'],
  [{ to: '2026-03-09' }, 'until 9 Mar'],
])('days: %o', (days, words) => {
  expect(daysOf(days)).toBe(words);
});

test('a class can meet others from the day before its first evening to the day after its last', () => {
  expect(weeksOf(['2026-03-16', '2026-03-09'])).toEqual({ from: '2026-03-08', to: '2026-03-17' });
  expect(weeksOf([])).toBeUndefined();
});
