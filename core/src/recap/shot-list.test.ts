import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { shotList } from './shot-list.ts';

test('a figure for two is filmed in eight takes; four beats in and four danced at 110 are 5 seconds', () => {
  const library = openLibrary(studio([figure('walk', { name: 'Walk' })]));
  const { takes, total } = shotList(['walk', 'nobody'], {
    library,
    studio: { roles: { lead: 'First', follow: 'Second' } },
  });
  expect(takes).toHaveLength(8);
  expect(takes[0]).toEqual({
    ...{
      what: 'Walk: once, whole',
      angle: 'from the front',
      who: 'both',
      tempo: 110,
      repeats: 1,
      seconds: 5,
    },
  });
  // 12 beats at 60, the slowest tempo of 100 by six tenths.
  expect(takes[1]).toMatchObject({ who: 'First', tempo: 60, seconds: 12 });
  expect(takes.at(-2)).toMatchObject({ what: 'Walk: at speed', tempo: 120 });
  expect(total).toBe(takes.reduce((sum, { seconds }) => sum + seconds, 0));
});

test('a solo figure has no parts of two, and one without timing no tempo: two steps twice are 8 seconds', () => {
  const solo = { rhythm: 'free', parts: { solo: 'L tap, L close' } };
  const library = openLibrary(studio([figure('tap', solo)], { dances: [{ ...dance, roles: 'solo' }] }));
  const { takes } = shotList(['tap'], { library, studio: {} });
  expect(takes.map(({ who }) => who)).not.toContain('both');
  expect(takes[1]).toMatchObject({ tempo: null, seconds: 8 });
});
