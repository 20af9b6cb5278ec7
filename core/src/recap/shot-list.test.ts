import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Log, LogResult } from '../model/document.ts';
import { log } from '../test/log.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { shotList } from './shot-list.ts';

const library = openLibrary(
  studio([
    figure('walk', { name: 'Walk' }),
    figure('away', { name: 'Away', exit: 'near' }),
    figure('home', { name: 'Home', entry: ['near'], exit: 'open' }),
  ]),
);
const shots = (lesson: number, logs: readonly Log[]) =>
  shotList({ library, studio: { roles: { lead: 'First', follow: 'Second' } }, lessons: 4, lesson, logs });
const tonight = (pattern: string, result: LogResult = 'solid') => shots(2, [log(2, pattern, result)]).takes;

test('a solid figure for two is filmed in eight takes; each long enough to say what is shown', () => {
  const { takes, total } = shots(2, [log(2, 'walk', 'solid'), log(2, 'nobody', 'solid')]);
  expect(takes).toHaveLength(8);
  // Four beats in and four danced at 110 would be 5 seconds.
  expect(takes[0]).toEqual({
    ...{
      what: 'Walk: once, whole',
      angle: 'from the front',
      who: 'both',
      tempo: 110,
      repeats: 1,
      seconds: 8,
    },
  });
  // 12 beats at 60, the slowest tempo of 100 by six tenths.
  expect(takes[1]).toMatchObject({ who: 'First', tempo: 60, seconds: 12 });
  expect(takes.at(-2)).toMatchObject({ what: 'Walk: at speed', tempo: 120 });
  expect(Math.min(...takes.map(({ seconds }) => seconds))).toBe(8);
  expect(total).toBe(takes.reduce((sum, { seconds }) => sum + seconds, 0));
});

test('not at speed while it is shaky, and not at all while it is begun or was danced before', () => {
  expect(tonight('walk', 'shaky').map(({ what }) => what)).not.toContain('Walk: at speed');
  expect(tonight('walk', 'touched')).toEqual([]);
  expect(shots(2, [log(1, 'walk', 'solid'), log(2, 'walk', 'solid')]).takes).toEqual([]);
});

test('what does not join itself is danced once at a time', () => {
  expect(new Set(tonight('away').map(({ repeats }) => repeats))).toEqual(new Set([1]));
  expect(tonight('walk').at(-1)?.repeats).toBe(4);
});

test('the last lesson is the walk through all that was danced, one leading into the next', () => {
  const danced = [log(1, 'walk', 'solid'), log(2, 'home', 'shaky'), log(3, 'away', 'solid')];
  const { takes } = shots(4, danced);
  expect(takes.map(({ what }) => what)).toEqual([
    'Walk: once, counted',
    'Away: once, counted',
    'Home: once, counted',
  ]);
});

test('a solo figure has no parts of two, and one without timing no tempo: two steps twice are 8 seconds', () => {
  const solo = { rhythm: 'free', parts: { solo: 'L tap, L close' } };
  const alone = openLibrary(studio([figure('tap', solo)], { dances: [{ ...dance, roles: 'solo' }] }));
  const { takes } = shotList({
    ...{ library: alone, studio: {}, lessons: 4, lesson: 1, logs: [log(1, 'tap', 'solid')] },
  });
  expect(takes.map(({ who }) => who)).not.toContain('both');
  expect(takes[1]).toMatchObject({ tempo: null, seconds: 8 });
});
