// A rhythm written in another notation. One pass over its events; what has no place there is told by event.
import type { Split } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { failure, type Result, success } from '../model/result.ts';
import { TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';
import { timedSteps } from './calls.ts';
import type { Rhythm } from './rhythm.ts';

export interface RenderingFault {
  /** Index of the event that has no place in the notation, rests counted. */
  readonly event: number;
  readonly message: string;
}

export interface CountTerms {
  readonly split: Split;
  readonly cycle: number;
}

export interface SlowQuickTerms {
  readonly slow: Ticks;
  readonly quick: Ticks;
}

/**
 * Writes a rhythm in counts (`1 2 3&4`); read again with the same terms and beats, its steps begin and last as
 * before. Where a part of a beat has no number of its own a rest carries it: `Q S Q` of half beats is `1&(2)&`.
 */
export function writeCounts(rhythm: Rhythm, { split, cycle }: CountTerms): Result<string, RenderingFault> {
  if (rhythm.beats === null) return success(`free:${rhythm.events.length}`);
  const writer = countWriter(cycle);
  const first = firstBeat(rhythm);
  for (const [event, { onset, rest }] of rhythm.events.entries()) {
    const beat = Math.floor((onset ?? 0) / TICKS_PER_BEAT);
    const after = (onset ?? 0) - beat * TICKS_PER_BEAT;
    if (after === 0) {
      writer.number(beat, rest);
      continue;
    }
    const neighbours = [rhythm.events[event - 1]?.onset, rhythm.events[event + 1]?.onset];
    const label = partLabel(after, split, beat, neighbours);
    if (label === undefined)
      return failure({ event, message: `${printBeats(ticks(after))} after a beat has no ${split} count` });
    if (beat >= first) writer.number(beat, 'carrier');
    writer.part(label, rest);
  }
  return success(writer.text());
}

/** What a moment is called in counts: `1`, `&`; undefined where it has no name. Ticks after count 1. */
export function countLabel(onset: Ticks, { split, cycle }: CountTerms): string | undefined {
  const beat = Math.floor(onset / TICKS_PER_BEAT);
  const after = onset - beat * TICKS_PER_BEAT;
  if (after === 0) return String((((beat % cycle) + cycle) % cycle) + 1);
  return split === 'straight' ? STRAIGHT[after] : SWUNG[after];
}

/** The count on which an event of a rhythm begins, as a teacher says it; slows and quicks have counts too. */
export function eventCount(rhythm: Rhythm, event: number, terms: CountTerms): string {
  const { label = String(event + 1), onset = null } = rhythm.events[event] ?? {};
  const isCounted = rhythm.notation !== 'slow-quick' || onset === null;
  return isCounted ? label : (countLabel(onset, terms) ?? label);
}

/**
 * Writes a rhythm in slows and quicks (`SSQQ`), where each step with the rests that follow it lasts one or the
 * other; a rest before the first step stands in parentheses.
 */
export function writeSlowQuick(
  rhythm: Rhythm,
  { slow, quick }: SlowQuickTerms,
): Result<string, RenderingFault> {
  if (rhythm.beats === null) return success(`free:${rhythm.events.length}`);
  const lead = rhythm.events.findIndex(({ rest }) => !rest);
  const parts = [
    ...rhythm.events.slice(0, lead).map((rest, event) => ({ ...rest, event, rest: true })),
    ...timedSteps(rhythm).map(step => ({ ...step, rest: false })),
  ];
  let text = '';
  for (const { event, length, rest } of parts) {
    const word = length === slow ? 'S' : length === quick ? 'Q' : undefined;
    if (word === undefined)
      return failure({
        event,
        message: `${printBeats(length ?? ticks(0))} beats are neither slow (${printBeats(slow)}) nor quick (${printBeats(quick)})`,
      });
    text += rest ? `(${word})` : word;
  }
  return success(text);
}

/** The beat of the first count: parts before it lie in the beat before. */
function firstBeat({ events }: Rhythm): number {
  const first = events.find(({ onset }) => onset !== null && onset >= 0 && onset % TICKS_PER_BEAT === 0);
  return (first?.onset ?? 0) / TICKS_PER_BEAT;
}

const STRAIGHT: Readonly<Record<number, string>> = { 12: 'e', 24: '&', 36: 'a' };
const SWUNG: Readonly<Record<number, string>> = { 16: '&', 32: 'a' };
const FIRST_THIRD = 16;
const SECOND_THIRD = 32;

function partLabel(
  after: number,
  split: Split,
  beat: number,
  [before, next]: readonly (Ticks | null | undefined)[],
): string | undefined {
  if (split === 'straight') return STRAIGHT[after];
  const start = beat * TICKS_PER_BEAT;
  if (after === FIRST_THIRD) return next === start + SECOND_THIRD ? '&' : undefined;
  if (after === SECOND_THIRD) return before === start + FIRST_THIRD ? 'a' : '&';
  return undefined;
}

/** Puts tokens together; numbers that only carry a part or a new cycle are written as rests. */
function countWriter(cycle: number) {
  let text = '';
  let last: number | undefined;
  const put = (token: string, rest: boolean, isNumber: boolean) => {
    const apart = isNumber && /[\d)]$/.test(text);
    text += `${apart ? ' ' : ''}${rest ? `(${token})` : token}`;
  };
  const number = (beat: number, rest: boolean | 'carrier') => {
    if (last === beat && rest === 'carrier') return;
    while (last !== undefined && beat - last > cycle) {
      last += cycle;
      put(String((last % cycle) + 1), true, true);
    }
    last = beat;
    put(String((beat % cycle) + 1), rest !== false, true);
  };
  return { number, part: (label: string, rest: boolean) => put(label, rest, false), text: () => text };
}
