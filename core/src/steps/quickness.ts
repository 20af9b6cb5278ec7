// How quick a step is for its kind: the parts of a triple are danced small and under the body, a tap is only a sound,
// and both can be much quicker than a step that carries the weight somewhere else.
import { TICKS_PER_BEAT } from '../model/units.ts';
import { secondsAt } from '../timing/phrase.ts';
import type { Rhythm } from '../timing/rhythm.ts';
import { danceActions, type Figure, type FigurePart } from './figure.ts';

/** What a class of a level that says nothing can do: the shortest step that travels, in milliseconds. */
export const USUAL_SHORTEST_MS = 250;

export type StepKind = 'travels' | 'triple' | 'sound';

/** The share of the shortest step that travels. */
const SHARES: Readonly<Record<StepKind, number>> = { travels: 1, triple: 0.5, sound: 0.4 };

export interface QuickStep {
  readonly kind: StepKind;
  /** What it lasts and what the level can do of its kind, in milliseconds. */
  readonly ms: number;
  readonly limit: number;
}

/**
 * The step that has the least time for its kind, at so many beats a minute and with the shortest travelling step of a
 * level in milliseconds; undefined where nothing is timed. Linear in the steps.
 */
export function quickestStep(
  figure: Figure,
  beatsPerMinute: number,
  shortest: number = USUAL_SHORTEST_MS,
): QuickStep | undefined {
  let quickest: QuickStep | undefined;
  for (const part of figure.parts)
    for (const { event, kind } of timedKinds(figure, part)) {
      const { length, rest } = part.rhythm.events[event] ?? {};
      if (rest || !length) continue;
      const step = { kind, ms: secondsAt(length, beatsPerMinute) * 1000, limit: shortest * SHARES[kind] };
      if (!quickest || step.ms / step.limit < quickest.ms / quickest.limit) quickest = step;
    }
  return quickest;
}

/** The event of each step, and its kind. */
function timedKinds(
  { dance }: Figure,
  { steps, rhythm }: FigurePart,
): readonly { readonly event: number; readonly kind: StepKind }[] {
  const actions = danceActions(dance);
  return steps.flatMap(({ step, time }) => {
    if (!time) return [];
    const isSound = step !== null && actions.get(step.action) === 'none';
    const kind = isSound ? 'sound' : isOfTriple(rhythm, time.event) ? 'triple' : 'travels';
    return [{ event: time.event, kind }];
  });
}

/** At most this many steps shorter than a beat, one after the other, go with the one after them: more are a run. */
const MOST_SHORT = 2;

function isOfTriple({ events }: Rhythm, at: number): boolean {
  const isShort = (index: number) => {
    const { length, rest } = events[index] ?? {};
    return !rest && length !== undefined && length !== null && length < TICKS_PER_BEAT;
  };
  if (!isShort(at)) return false;
  let [from, to] = [at, at];
  while (isShort(from - 1)) from -= 1;
  while (isShort(to + 1)) to += 1;
  return to - from < MOST_SHORT;
}
