import { type Ticks, ticks } from '../model/units.ts';
import type { Rhythm } from './rhythm.ts';

/** A step of a rhythm with the time it fills: a rest's time belongs to the step before it. */
export interface TimedStep {
  /** Index of the event, rests counted. */
  readonly event: number;
  readonly label: string;
  readonly onset: Ticks | null;
  readonly length: Ticks | null;
}

/** The steps of a rhythm, each with the rests that follow it; a rest before the first step belongs to none. */
export function timedSteps(rhythm: Rhythm): readonly TimedStep[] {
  const steps: TimedStep[] = [];
  for (const [event, { label, rest, onset, length }] of rhythm.events.entries()) {
    const last = steps.at(-1);
    if (!rest) steps.push({ event, label, onset, length });
    else if (last && length !== null)
      steps[steps.length - 1] = { ...last, length: ticks((last.length ?? 0) + length) };
  }
  return steps;
}

/** `S`, `Q`, or null for each step: how it is called in slows and quicks, where its length is one. */
export function slowQuickCall(rhythm: Rhythm, slow: Ticks, quick: Ticks): readonly ('S' | 'Q' | null)[] {
  return timedSteps(rhythm).map(({ length }) => (length === slow ? 'S' : length === quick ? 'Q' : null));
}

/**
 * The steps as they are called when the first count tells the repeat: `3 a 2` the third time of `1 a 2`, and
 * `3 quick quick` of slow, quick, quick. A pickup before the first number keeps its name.
 */
export function numberedCall(rhythm: Rhythm, repeat: number): readonly string[] {
  const steps = timedSteps(rhythm);
  const first = steps.findIndex(({ label }) => !isPartOfBeat(label));
  return steps.map(({ label }, step) => (step === first ? String(repeat) : (CALLED[label] ?? label)));
}

/** The letters in which slows and quicks are written, as they are said. */
export const CALLED: Readonly<Record<string, string>> = { S: 'slow', Q: 'quick' };

function isPartOfBeat(label: string): boolean {
  return label === 'e' || label === '&' || label === 'a';
}

/** The shortest step in ticks, or undefined for a free rhythm. */
export function shortestStep(rhythm: Rhythm): Ticks | undefined {
  const lengths = timedSteps(rhythm).flatMap(({ length }) => (length === null ? [] : [length]));
  return lengths.length === 0 ? undefined : ticks(Math.min(...lengths));
}
