import { greatestCommonDivisor } from '../model/fraction.ts';
import { TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';

export interface PhraseFit {
  /** How often the figure is danced until it ends with a phrase. */
  readonly repeats: number;
  readonly phrases: number;
  readonly beats: Ticks;
}

/**
 * The least repeats n with n * beats a whole number of phrases (3 over 8: 8 repeats, 3 phrases, 24 beats).
 * Both lengths in ticks and above 0.
 */
export function fitPhrase(beats: Ticks, phrase: Ticks): PhraseFit {
  const repeats = phrase / greatestCommonDivisor(beats, phrase);
  const total = ticks(repeats * beats);
  return { repeats, phrases: total / phrase, beats: total };
}

/** Seconds that a length takes at a tempo in beats per minute. */
export function secondsAt(length: Ticks, beatsPerMinute: number): number {
  return ((length / TICKS_PER_BEAT) * 60) / beatsPerMinute;
}
