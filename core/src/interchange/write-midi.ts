// A sequence as a Standard MIDI file: a click on every beat, a cue note on every step's onset, the figures' names as texts.
import { type MidiData, type MidiEvent, writeMidi } from 'midi-file';
import { TICKS_PER_BEAT } from '../model/units.ts';

/** A sound at so many ticks from the start. */
export interface MidiFigure {
  readonly name: string;
  readonly at: number;
  /** Onsets of its steps, in ticks from its start. */
  readonly onsets: readonly number[];
}

export interface MidiSong {
  readonly title: string;
  /** Beats a minute, from 20 to 400. */
  readonly tempo: number;
  readonly beatsPerBar: number;
  readonly phrase: number;
  /** Ticks of the whole. */
  readonly length: number;
  readonly figures: readonly MidiFigure[];
}

const MICROSECONDS_PER_MINUTE = 60_000_000;
/** Of the percussion channel: wood blocks for the beats, a stick for the steps. */
const PERCUSSION = 9;
const [PHRASE_CLICK, BEAT_CLICK, STEP_NOTE] = [76, 77, 37];
const [LOUD, SOFT] = [112, 72];
const NOTE_TICKS = 6;

/** The bytes of the file: tempo and names, clicks, steps, a track each; 48 ticks a beat. Texts are UTF-8. */
export function writeMidiFile(song: MidiSong): Uint8Array<ArrayBuffer> {
  const data: MidiData = {
    header: { format: 1, numTracks: 3, ticksPerBeat: TICKS_PER_BEAT },
    tracks: [namesTrack(song), notesTrack('Beats', clicksOf(song)), notesTrack('Steps', stepsOf(song))],
  };
  return Uint8Array.from(writeMidi(data));
}

function namesTrack({ title, tempo, beatsPerBar, figures, length }: MidiSong): MidiEvent[] {
  return timed([
    { at: 0, event: { deltaTime: 0, meta: true, type: 'trackName', text: asBytes(title) } },
    {
      at: 0,
      event: {
        ...{ deltaTime: 0, meta: true, type: 'setTempo' },
        microsecondsPerBeat: Math.round(MICROSECONDS_PER_MINUTE / tempo),
      },
    },
    {
      at: 0,
      event: {
        ...{ deltaTime: 0, meta: true, type: 'timeSignature', numerator: beatsPerBar, denominator: 4 },
        ...{ metronome: 24, thirtyseconds: 8 },
      },
    },
    ...figures.map(
      ({ at, name }): Timed => ({
        at,
        event: { deltaTime: 0, meta: true, type: 'marker', text: asBytes(name) },
      }),
    ),
    { at: length, event: { deltaTime: 0, meta: true, type: 'endOfTrack' } },
  ]);
}

interface Sound {
  readonly at: number;
  readonly note: number;
  readonly velocity: number;
}

function clicksOf({ length, phrase }: MidiSong): readonly Sound[] {
  return Array.from({ length: Math.ceil(length / TICKS_PER_BEAT) }, (_, beat) => ({
    at: beat * TICKS_PER_BEAT,
    note: beat % phrase === 0 ? PHRASE_CLICK : BEAT_CLICK,
    velocity: beat % phrase === 0 ? LOUD : SOFT,
  }));
}

function stepsOf({ figures }: MidiSong): readonly Sound[] {
  return figures.flatMap(({ at, onsets }) =>
    onsets.map((onset, index) => ({
      ...{ at: at + onset, note: STEP_NOTE, velocity: index === 0 ? LOUD : SOFT },
    })),
  );
}

function notesTrack(name: string, sounds: readonly Sound[]): MidiEvent[] {
  const end = Math.max(0, ...sounds.map(({ at }) => at + NOTE_TICKS));
  return timed([
    { at: 0, event: { deltaTime: 0, meta: true, type: 'trackName', text: name } },
    ...sounds.flatMap(({ at, note, velocity }): Timed[] => [
      { at, event: { deltaTime: 0, channel: PERCUSSION, type: 'noteOn', noteNumber: note, velocity } },
      {
        at: at + NOTE_TICKS,
        event: { deltaTime: 0, channel: PERCUSSION, type: 'noteOff', noteNumber: note, velocity: 0 },
      },
    ]),
    { at: end, event: { deltaTime: 0, meta: true, type: 'endOfTrack' } },
  ]);
}

interface Timed {
  readonly at: number;
  readonly event: MidiEvent;
}

/** Events in the order of their times, each with the time since the one before. */
function timed(events: readonly Timed[]): MidiEvent[] {
  let last = 0;
  return [...events]
    .sort((a, b) => a.at - b.at)
    .map(({ at, event }) => {
      const deltaTime = at - last;
      last = at;
      return { ...event, deltaTime };
    });
}

/** The package writes a byte a sign. */
function asBytes(text: string): string {
  return String.fromCharCode(...new TextEncoder().encode(text));
}
