import { expect, test } from 'vitest';
import type { Pattern } from '../model/document.ts';
import { putTrackWord, qualitiesInOrder, tracksInOrder } from './tracks.ts';

const dance = {
  qualities: [
    { id: 'gaze', name: 'Gaze', layer: 'head' },
    { id: 'rise', name: 'Rise', layer: 'knees' },
    { id: 'foot', name: 'Foot', layer: 'feet' },
  ],
} as const;
const pattern: Pattern = {
  ...{ id: 'a', dance: 'quay', name: 'A', kind: 'pattern' },
  tracks: [
    { quality: 'gaze', values: ['partner'] },
    { quality: 'foot', role: 'lead', values: ['heel', null, 'ball'] },
    { quality: 'foot', role: 'follow', values: ['ball'] },
  ],
};

test('qualities and tracks stand from the feet upward, those of one quality as written', () => {
  expect(qualitiesInOrder(dance).map(({ id }) => id)).toEqual(['foot', 'rise', 'gaze']);
  expect(tracksInOrder(dance, pattern).map(({ track, index }) => [track.quality, track.role, index])).toEqual(
    [
      ['foot', 'lead', 1],
      ['foot', 'follow', 2],
      ['gaze', undefined, 0],
    ],
  );
  expect(tracksInOrder({}, pattern)).toEqual([]);
});

test('a word is put at its count, and gaps before it stay empty', () => {
  expect(putTrackWord(pattern, 0, 2, 'wall').tracks?.[0]?.values).toEqual(['partner', null, 'wall']);
  expect(putTrackWord(pattern, 9, 0, 'wall')).toBe(pattern);
});

test('a track goes with its last word, and all tracks with the last track', () => {
  expect(putTrackWord(pattern, 0, 0, '').tracks?.map(({ quality }) => quality)).toEqual(['foot', 'foot']);
  const one = { ...pattern, tracks: [{ quality: 'gaze', values: ['partner'] }] };
  expect('tracks' in putTrackWord(one, 0, 0, '')).toBe(false);
});
