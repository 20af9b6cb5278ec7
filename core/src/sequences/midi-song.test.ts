import MIDIFile from 'midifile';
import { expect, test } from 'vitest';
import { writeMidiFile } from '../interchange/write-midi.ts';
import { openLibrary } from '../library/library.ts';
import { handDance, jettyFigure, jettyRequest } from '../test/sequences.ts';
import { middleTempo, midiSong } from './midi-song.ts';
import { walkSequence } from './walk.ts';

const dance = handDance('spot', ['a']);
const library = openLibrary({
  dances: [dance],
  patterns: [
    jettyFigure('base', 'a>a L place, R place'),
    // A pick-up: half a beat, one, one, half a beat.
    jettyFigure('quick', 'a>a L place, R place, L place, R place', {
      rhythm: '&1 2 3',
      beats: '3',
      name: 'Kür',
    }),
  ],
});
const { start } = jettyRequest(library, 4);
const walk = walkSequence(library, {
  ...{ dance, start, end: 'same' },
  steps: [{ pattern: 'base', times: 2 }, { pattern: 'quick' }],
});
const bytes = writeMidiFile(midiSong(library, walk, { title: 'Round', tempo: 120, dance }));
const read = new MIDIFile(bytes.slice().buffer as ArrayBuffer);

/** The times in ticks at which notes of a track begin, with the note. */
function notesOf(track: number): readonly (readonly [number, number | undefined])[] {
  let at = 0;
  return read.getTrackEvents(track).flatMap(({ delta, type, subtype, param1 }) => {
    at += delta;
    return type === 8 && subtype === 9 ? [[at, param1] as const] : [];
  });
}

test('read by another package: the steps begin where the figures’ beats are', () => {
  expect([read.header.getFormat(), read.header.getTracksCount(), read.header.getTicksPerBeat()]).toEqual([
    1, 3, 48,
  ]);
  // Twice 0 and 1, then 4 and its parts: 4, 4½, 5½, 6½.
  expect(notesOf(2).map(([at]) => at / 48)).toEqual([0, 1, 2, 3, 4, 4.5, 5.5, 6.5]);
});

test('a click on every beat of seven, the first of a phrase apart', () => {
  expect(notesOf(1)).toEqual(Array.from({ length: 7 }, (_, beat) => [beat * 48, beat === 0 ? 76 : 77]));
});

test('tempo and names, in UTF-8', () => {
  const events = read.getTrackEvents(0);
  expect(events.find(({ tempo }) => tempo !== undefined)?.tempo).toBe(500_000);
  const texts = events.flatMap(({ data }) => (data ? new TextDecoder().decode(Uint8Array.from(data)) : []));
  expect(texts).toEqual(expect.arrayContaining(['Round', 'BASE', 'Kür']));
  expect(middleTempo({ tempo: [{ min: 100, max: 120 }] })).toBe(110);
});
