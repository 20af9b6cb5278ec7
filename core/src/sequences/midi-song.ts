import type { MidiSong } from '../interchange/write-midi.ts';
import { figureName, type Library } from '../library/library.ts';
import type { Dance } from '../model/document.ts';
import { timedSteps } from '../timing/calls.ts';
import type { Walk } from './walk.ts';

/** A walk as what is heard of it: the onsets of every role's steps; `tempo` in beats a minute. */
export function midiSong(
  library: Library,
  walk: Walk,
  { title, tempo, dance }: { readonly title: string; readonly tempo: number; readonly dance: Dance },
): MidiSong {
  const { beatsPerBar, phrase } = dance;
  return {
    ...{ title, tempo, beatsPerBar, phrase, length: walk.beats },
    figures: walk.rows.map(({ pattern, beat }) => ({
      ...{ name: figureName(library, pattern), at: beat, onsets: onsetsOf(library, pattern) },
    })),
  };
}

/** From the figure's start, in order, each once. */
function onsetsOf(library: Library, id: string): readonly number[] {
  const parts = library.readings.get(id)?.figure.parts ?? [];
  const onsets = parts.flatMap(({ rhythm }) => {
    const begins = rhythm.events[0]?.onset ?? 0;
    return timedSteps(rhythm).flatMap(({ onset }) => (onset === null ? [] : [onset - begins]));
  });
  return [...new Set(onsets)].sort((a, b) => a - b);
}

/** Beats a minute in the middle of what a dance is danced to; 120 where it says nothing. */
export function middleTempo({ tempo: [first] }: Pick<Dance, 'tempo'>): number {
  return first ? Math.round((first.min + first.max) / 2) : 120;
}
