import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { parseBeats, printBeats } from '../model/fraction.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { REFUSED_RHYTHMS, RHYTHM_CASES } from '../worked-cases.ts';
import { slowQuickCall, timedSteps } from './calls.ts';
import { fitPhrase, secondsAt } from './phrase.ts';
import { parseRhythm, type RhythmOptions } from './rhythm.ts';

const inTicks = (text: string): Ticks => {
  const parsed = parseBeats(text);
  if (!parsed.ok) throw new Error(parsed.fault);
  return parsed.value;
};

const options = (
  given: Partial<Record<'beats' | 'slow' | 'quick', string>> & {
    split?: 'straight' | 'swung';
    cycle?: number;
  } = {},
): RhythmOptions => ({
  slow: inTicks(given.slow ?? '2'),
  quick: inTicks(given.quick ?? '1'),
  split: given.split ?? 'straight',
  cycle: given.cycle ?? 8,
  ...(given.beats && { beats: inTicks(given.beats) }),
});

const read = (text: string, given = options()) => {
  const parsed = parseRhythm(text, given);
  if (!parsed.ok) throw new Error(parsed.fault.message);
  return parsed.value;
};

describe('a rhythm is read into exact time', () => {
  test.each(RHYTHM_CASES)('$rhythm: $why', given => {
    const rhythm = read(given.rhythm, options(given));
    const print = (value: Ticks | null) => (value === null ? null : printBeats(value));
    expect(print(rhythm.beats)).toBe(given.total);
    expect(rhythm.events.map(({ onset }) => print(onset))).toEqual(given.onsets);
    expect(rhythm.events.map(({ length }) => print(length))).toEqual(given.lengths);
  });

  test.each(REFUSED_RHYTHMS)(
    '"$rhythm" is refused at character $position',
    ({ rhythm, why, position, ...given }) => {
      const parsed = parseRhythm(rhythm, options(given));
      expect(parsed).toMatchObject({ ok: false, fault: { position } });
      expect(parsed.ok ? '' : parsed.fault.message).toMatch(why);
    },
  );

  test('case and spaces change nothing', () => {
    expect(read('SLOW Quick q')).toEqual(read('sqq'));
    expect(read('1 & 2')).toEqual(read('1&2'));
    expect(read('1 A 2')).toEqual(read('1a2'));
  });

  test('the lengths of any counted rhythm add up to its beats', () => {
    const beat = fc.constantFrom(['1'], ['1', '&'], ['1', 'a'], ['1', 'e', '&', 'a'], ['(1)']);
    fc.assert(
      fc.property(
        fc.array(beat, { minLength: 1, maxLength: 8 }),
        fc.integer({ min: 0, max: 4 }),
        (beats, extra) => {
          const text = beats.map((parts, index) => parts.join('').replace('1', String(index + 1))).join(' ');
          const rhythm = read(text, { ...options(), beats: ticks((beats.length + extra) * 48) });
          const sum = rhythm.events.reduce((total, { length }) => total + (length ?? 0), 0);
          expect(sum).toBe(rhythm.beats);
        },
      ),
      { seed: 11, numRuns: 300 },
    );
  });
});

describe('calling a rhythm', () => {
  test('a rest calls like a longer step: 1 2 3 (4) and 1 2 3 over 4 beats are both quick quick slow', () => {
    const rested = read('1 2 3 (4)');
    const long = read('1 2 3', options({ beats: '4' }));
    expect(slowQuickCall(rested, inTicks('2'), inTicks('1'))).toEqual(['Q', 'Q', 'S']);
    expect(slowQuickCall(long, inTicks('2'), inTicks('1'))).toEqual(['Q', 'Q', 'S']);
    expect(timedSteps(rested).map(({ length }) => length)).toEqual(
      timedSteps(long).map(({ length }) => length),
    );
  });

  test('a step that is neither slow nor quick is called nothing', () => {
    expect(slowQuickCall(read('1a2'), inTicks('2'), inTicks('1'))).toEqual([null, null, 'Q']);
  });

  test('time before the first step belongs to no step', () => {
    expect(timedSteps(read('(1) 2 3')).map(({ label, event }) => [label, event])).toEqual([
      ['2', 1],
      ['3', 2],
    ]);
  });
});

describe('phrases and tempo', () => {
  test.each([
    ['3', '8', 8, 3, '24'],
    ['6', '8', 4, 3, '24'],
    ['8', '8', 1, 1, '8'],
    ['3/2', '8', 16, 3, '24'],
    ['12', '8', 2, 3, '24'],
  ])('%s beats over %s meet after %d times, %d phrases', (beats, phrase, repeats, phrases, total) => {
    const fit = fitPhrase(inTicks(beats), inTicks(phrase));
    expect(fit).toEqual({ repeats, phrases, beats: inTicks(total) });
  });

  test('3 beats at 120 a minute take 1.5 seconds', () => {
    expect(secondsAt(inTicks('3'), 120)).toBe(1.5);
  });

  test('beats print in lowest terms and read back', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5000, max: 5000 }), value => {
        expect(parseBeats(printBeats(ticks(value)))).toEqual({ ok: true, value });
      }),
      { seed: 3 },
    );
    expect(parseBeats('1/5').ok).toBe(false);
    expect(parseBeats('x').ok).toBe(false);
    expect(parseBeats('1/0').ok).toBe(false);
  });
});
