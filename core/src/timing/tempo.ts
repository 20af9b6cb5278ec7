import { type Ticks, ticks } from '../model/units.ts';
import { shortestStep } from './calls.ts';
import { secondsAt } from './phrase.ts';
import type { Rhythm } from './rhythm.ts';

/** Bars a minute at a tempo in beats a minute. */
export function barsPerMinute(beatsPerMinute: number, beatsPerBar: number): number {
  return beatsPerMinute / beatsPerBar;
}

/** The shortest step of these rhythms in ticks; undefined where nothing is timed. */
export function shortestOf(rhythms: readonly Rhythm[]): Ticks | undefined {
  const lengths = rhythms.flatMap(rhythm => shortestStep(rhythm) ?? []);
  return lengths.length === 0 ? undefined : ticks(Math.min(...lengths));
}

/** The shortest step of these rhythms in milliseconds at a tempo in beats a minute; undefined without timing. */
export function shortestStepMs(rhythms: readonly Rhythm[], beatsPerMinute: number): number | undefined {
  const shortest = shortestOf(rhythms);
  return shortest === undefined ? undefined : secondsAt(shortest, beatsPerMinute) * 1000;
}
