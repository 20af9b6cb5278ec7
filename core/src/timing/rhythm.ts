// Reads a rhythm in any of its notations (slow/quick, counts, free) into exact ticks.
// One pass over the tokens, then one over the events; linear in the text.

import type { Split } from '../model/document.ts';
import { entryAt } from '../model/entry-at.ts';
import { printBeats } from '../model/fraction.ts';
import { failure, type Result, success } from '../model/result.ts';
import { TICKS_PER_BEAT, type Ticks, ticks } from '../model/units.ts';
import { isNumberToken, type RhythmFault, type RhythmToken, tokenizeRhythm } from './rhythm-tokens.ts';

export interface RhythmEvent {
  /** As said: `1`, `&`, `S`. */
  readonly label: string;
  readonly rest: boolean;
  /** Ticks after count 1; null in a free rhythm. */
  readonly onset: Ticks | null;
  /** Ticks; null in a free rhythm. */
  readonly length: Ticks | null;
}

export interface Rhythm {
  readonly notation: 'counts' | 'slow-quick' | 'free';
  /** Ticks; null in a free rhythm. */
  readonly beats: Ticks | null;
  readonly events: readonly RhythmEvent[];
}

export interface RhythmOptions {
  readonly slow: Ticks;
  readonly quick: Ticks;
  readonly split: Split;
  /** The highest count before counting starts again at 1. */
  readonly cycle: number;
  /** The length of the figure, where it is given. */
  readonly beats?: Ticks;
  /** How many steps a bare `free` has. */
  readonly freeSteps?: number;
}

/** The most steps that are written without a set timing. */
const MOST_FREE = 999;

type TimedToken = RhythmToken & { readonly onset: Ticks };

/**
 * Reads a rhythm. Counts take their onsets from the numbers and the parts between them, slow/quick from the
 * lengths added up; an event lasts until the next one and the last until the beats are full. Without `beats`
 * a count rhythm lasts floor(last onset) - floor(onset of the first number) + 1 beats.
 */
export function parseRhythm(text: string, options: RhythmOptions): Result<Rhythm, RhythmFault> {
  const free = /^\s*free(?:\s*:\s*(\d+))?\s*$/i.exec(text);
  if (free && Number(free[1]) > MOST_FREE)
    return failure({ position: text.indexOf(':') + 1, message: `write free:${MOST_FREE} at the most` });
  if (free && Number(free[1]) === 0)
    return failure({
      position: text.indexOf('0'),
      message: 'no step at all; write free:1 or more, or free alone',
    });
  if (free) return success(freeRhythm(Number(free[1] ?? options.freeSteps ?? 0)));
  const tokens = tokenizeRhythm(text);
  if (!tokens.ok) return tokens;
  return tokens.value.some(token => token.kind === 'length')
    ? readSlowQuick(tokens.value, options)
    : readCounts(tokens.value, text, options);
}

function freeRhythm(steps: number): Rhythm {
  const events = Array.from({ length: steps }, (_, index) => ({
    label: String(index + 1),
    rest: false,
    onset: null,
    length: null,
  }));
  return { notation: 'free', beats: null, events };
}

function readSlowQuick(tokens: readonly RhythmToken[], options: RhythmOptions): Result<Rhythm, RhythmFault> {
  let onset = 0;
  const timed: TimedToken[] = [];
  for (const token of tokens) {
    if (token.kind !== 'length')
      return failure({
        position: token.position,
        message: `"${token.label}" is a count among slows and quicks; write either counts or S and Q`,
      });
    timed.push({ ...token, onset: ticks(onset) });
    onset += token.label === 'S' ? options.slow : options.quick;
  }
  const sum = ticks(onset);
  if (options.beats !== undefined && options.beats !== sum)
    return failure({
      ...({ of: 'beats', position: 0 } as const),
      message: `these slows and quicks last ${printBeats(sum)} beats, not ${printBeats(options.beats)}`,
    });
  return withLengths('slow-quick', timed, sum, false);
}

function readCounts(
  tokens: readonly RhythmToken[],
  text: string,
  options: RhythmOptions,
): Result<Rhythm, RhythmFault> {
  const firstNumber = tokens.find(isNumberToken);
  if (!firstNumber)
    return failure({
      position: text.length,
      message: 'a rhythm needs at least one number, slow or quick; write 1 2 3, SSQQ or free',
    });
  const timed = countOnsets(tokens, options);
  if (!timed.ok) return timed;
  const fault = findFallingOnset(timed.value);
  if (fault) return failure(fault);
  const firstBeat = Number(firstNumber.label) - 1;
  const last = entryAt(timed.value, timed.value.length - 1);
  const counted = (Math.floor(last.onset / TICKS_PER_BEAT) - firstBeat + 1) * TICKS_PER_BEAT;
  return withLengths('counts', timed.value, options.beats ?? ticks(counted), options.beats !== undefined);
}

function countOnsets(
  tokens: readonly RhythmToken[],
  options: RhythmOptions,
): Result<TimedToken[], RhythmFault> {
  const timed: TimedToken[] = [];
  let beat = Number(tokens.find(isNumberToken)?.label) - 2;
  let cycles = 0;
  let previous = 0;
  for (const [index, token] of tokens.entries()) {
    if (isNumberToken(token)) {
      const count = Number(token.label);
      if (count < 1 || count > options.cycle)
        return failure({
          position: token.position,
          message: beyondCycle(token.label, options.cycle),
        });
      if (previous > 0 && count <= previous) cycles += 1;
      previous = count;
      beat = cycles * options.cycle + count - 1;
      timed.push({ ...token, onset: ticks(beat * TICKS_PER_BEAT) });
      continue;
    }
    const offset = partOffset(token, tokens, index, options.split);
    if (offset === null)
      return failure({ position: token.position, message: '"e" has no place in a swung beat; use & and a' });
    timed.push({ ...token, onset: ticks(beat * TICKS_PER_BEAT + offset) });
  }
  return success(timed);
}

/** What is meant by a count that the dance does not have: two written together, or eights in a dance of sixes. */
function beyondCycle(label: string, cycle: number): string {
  const isTwo = label.length > 1 && [...label].every(digit => digit !== '0' && Number(digit) <= cycle);
  return isTwo
    ? `${label} is not a count from 1 to ${cycle}; write counts apart, such as ${[...label].join(' ')}`
    : `${label} is not a count from 1 to ${cycle}; count to ${cycle} and begin again, or set what is counted up to`;
}

/** Ticks after the beat. Straight: e ¼, & ½, a ¾. Swung: a lone & or a at ⅔, both at ⅓ and ⅔. */
function partOffset(
  token: RhythmToken,
  tokens: readonly RhythmToken[],
  index: number,
  split: Split,
): number | null {
  if (split === 'straight') return { e: 12, '&': 24, a: 36 }[token.label] ?? null;
  if (token.label === 'e') return null;
  const before = tokens[index - 1];
  const after = tokens[index + 1];
  const isFirstOfTwo = token.label === '&' && after?.label === 'a';
  const isSecondOfTwo = token.label === 'a' && before?.label === '&';
  return isFirstOfTwo && !isSecondOfTwo ? 16 : 32;
}

function findFallingOnset(timed: readonly TimedToken[]): RhythmFault | undefined {
  for (const [index, token] of timed.entries()) {
    const before = timed[index - 1];
    if (before && token.onset <= before.onset)
      return { position: token.position, message: `"${token.label}" does not come after "${before.label}"` };
  }
  return undefined;
}

function withLengths(
  notation: 'counts' | 'slow-quick',
  timed: readonly TimedToken[],
  beats: Ticks,
  isGiven: boolean,
): Result<Rhythm, RhythmFault> {
  const end = (timed[0]?.onset ?? 0) + beats;
  const events = timed.map((token, index) => ({
    label: token.label,
    rest: token.rest,
    onset: token.onset,
    length: ticks((timed[index + 1]?.onset ?? end) - token.onset),
  }));
  const last = events.at(-1);
  if (!last || last.length <= 0)
    return failure({
      position: timed.at(-1)?.position ?? 0,
      message: `${printBeats(beats)} beats are over before "${last?.label ?? ''}" begins`,
      ...(isGiven && { of: 'beats' }),
    });
  return success({ notation, beats, events });
}
