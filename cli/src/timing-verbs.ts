import {
  fitPhrase,
  parseBeats,
  parseRhythm,
  printBeats,
  TICKS_PER_BEAT,
  type Ticks,
  ticks,
} from '@map-step/core';
import { type Arguments, takeWords, UsageError, wholeOption } from './usage.ts';

export const TIMING_OPTIONS = ['rhythm', 'slow', 'quick', 'split', 'cycle', 'beats'] as const;
export const PHRASE_OPTIONS = ['beats', 'phrase'] as const;

export function timing(args: Arguments) {
  takeWords(args);
  const rhythm = args.options.get('rhythm');
  if (rhythm === undefined) throw new UsageError('timing needs --rhythm, such as --rhythm "1 2 3&4"');
  const split = args.options.get('split') ?? 'straight';
  if (split !== 'straight' && split !== 'swung') throw new UsageError('--split is straight or swung');
  const beats = beatsOption(args, 'beats');
  const parsed = parseRhythm(rhythm, {
    slow: beatsOption(args, 'slow') ?? ticks(2 * TICKS_PER_BEAT),
    quick: beatsOption(args, 'quick') ?? ticks(TICKS_PER_BEAT),
    split,
    cycle: wholeOption(args, 'cycle', [1, 1000]) ?? 8,
    ...(beats !== undefined && { beats }),
  });
  if (!parsed.ok)
    throw new UsageError(`--rhythm "${rhythm}": character ${parsed.fault.position}: ${parsed.fault.message}`);
  return {
    beats: print(parsed.value.beats),
    events: parsed.value.events.map(({ label, onset, length, rest }) => ({
      label,
      onset: print(onset),
      length: print(length),
      rest,
    })),
  };
}

export function phrase(args: Arguments) {
  takeWords(args);
  const beats = beatsOption(args, 'beats');
  const length = beatsOption(args, 'phrase');
  if (beats === undefined || length === undefined) throw new UsageError('phrase needs --beats and --phrase');
  const fit = fitPhrase(beats, length);
  return { ...fit, beats: printBeats(fit.beats) };
}

function print(value: Ticks | null): string | null {
  return value === null ? null : printBeats(value);
}

function beatsOption(args: Arguments, name: string): Ticks | undefined {
  const text = args.options.get(name);
  if (text === undefined) return undefined;
  const parsed = parseBeats(text);
  if (!parsed.ok) throw new UsageError(`--${name}: ${parsed.fault}`);
  if (parsed.value <= 0) throw new UsageError(`--${name} must be above 0, got "${text}"`);
  return parsed.value;
}
