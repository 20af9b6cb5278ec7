import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Pattern, QualityTrack } from '../model/document.ts';
import { handDance, jettyFigure } from '../test/sequences.ts';
import { attendTo } from './attend-to.ts';

const PLACE = 'a>a L place, R place, L place, R place';
const withTracks = (...tracks: readonly QualityTrack[]): Partial<Pattern> => ({ tracks });
const library = openLibrary({
  dances: [
    {
      ...handDance('spot', ['a']),
      qualities: ['rise', 'sway'].map(id => ({
        id,
        name: id,
        layer: 'body',
        words: ['up', 'down', 'left'],
      })),
    },
  ],
  patterns: [
    jettyFigure('plain', PLACE),
    jettyFigure('up', PLACE, withTracks({ quality: 'rise', values: ['up', null, 'up', 'down'] })),
    jettyFigure('low', PLACE, withTracks({ quality: 'rise', values: ['down', 'down', null, 'down'] })),
    jettyFigure(
      'left',
      PLACE,
      withTracks({ quality: 'sway', role: 'lead', values: ['left', null, null, null] }),
    ),
  ],
});
const figureOf = (id: string) => {
  const figure = library.readings.get(id)?.figure;
  if (!figure) throw new Error(`no ${id}`);
  return figure;
};
const told = (figure: string, before?: string) =>
  attendTo(figureOf(figure), before === undefined ? undefined : figureOf(before)).map(
    ({ quality, role, values, before: was }) => `${quality} ${role}: ${values.join(' ')}, was ${was}`,
  );

test('a quality that begins is told with its words, each once where it stays', () => {
  expect(told('up')).toEqual(['rise both: up down, was undefined']);
  expect(told('left', 'plain')).toEqual(['sway lead: left, was undefined']);
});

test('against the figure before: what changes is told with how it was, what just goes on is not', () => {
  expect(told('up', 'low')).toEqual(['rise both: up down, was down']);
  expect(told('low', 'up')).toEqual([]);
  expect(told('plain', 'plain')).toEqual([]);
});

test('what only the figure before had ends', () => {
  expect(told('left', 'up')).toEqual(['sway lead: left, was undefined', 'rise both: , was down']);
});
