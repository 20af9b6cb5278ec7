import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { figure, studio } from '../test/studio.ts';
import { figuresForSong, tempoOfTaps } from './songs.ts';

const triples = {
  rhythm: '1&2 3&4',
  parts: { lead: 'L side, R close, L side, R side, L close, R side', follow: 'opposite' },
};
const library = openLibrary(
  studio([
    figure('walk'),
    figure('triple', triples),
    figure('single', { variantOf: 'triple', variantWhy: 'tempo', tempo: [{ min: 116, max: 140 }] }),
    figure('slow', { tempo: [{ min: 60, max: 90 }] }),
    figure('fast', { tempo: [{ min: 150, max: 180 }] }),
  ]),
);
const fits = (tempo: number, split?: 'straight' | 'swung') =>
  Object.fromEntries(
    figuresForSong(library, ['walk', 'triple', 'slow', 'fast', 'nobody'], {
      tempo,
      ...(split && { split }),
    }).map(({ pattern, fit }) => [pattern, fit]),
  );

test('a song suits what is danced in its tempo', () => {
  expect(fits(110)).toEqual({ walk: 'suits', triple: 'suits', slow: 'too-fast', fast: 'too-slow' });
});

test('where the shortest step is too short a form for that tempo is named: half a beat at 124 is 242 ms', () => {
  expect(figuresForSong(library, ['triple'], { tempo: 124 })).toEqual([
    { pattern: 'triple', fit: 'other-form', form: 'single' },
  ]);
});

test('split beats are straight or swung; without them it does not matter', () => {
  expect(fits(110, 'swung')).toMatchObject({ walk: 'suits', triple: 'other-split' });
});

test('taps half a second apart are 120; a long gap begins anew; three say nothing', () => {
  expect(tempoOfTaps([0, 500, 1000, 1500])).toBe(120);
  expect(tempoOfTaps([0, 300, 9000, 9500, 10_000, 10_500])).toBe(120);
  expect(tempoOfTaps([0, 500, 1000])).toBeUndefined();
});
