import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { parseBeats } from '../model/fraction.ts';
import { type Ticks, ticks } from '../model/units.ts';
import { RENDERING_CASES } from '../worked-cases.ts';
import { timedSteps } from './calls.ts';
import { writeCounts, writeSlowQuick } from './renderings.ts';
import { parseRhythm, type Rhythm, type RhythmOptions } from './rhythm.ts';
import { barsPerMinute, shortestStepMs } from './tempo.ts';

const inTicks = (text: string): Ticks => {
  const parsed = parseBeats(text);
  if (!parsed.ok) throw new Error(parsed.fault);
  return parsed.value;
};
const read = (text: string, options: RhythmOptions): Rhythm => {
  const parsed = parseRhythm(text, options);
  if (!parsed.ok) throw new Error(`${text}: ${parsed.fault.message}`);
  return parsed.value;
};
const terms = (given: {
  slow?: string;
  quick?: string;
  split?: 'straight' | 'swung';
  cycle?: number;
  beats?: string;
}): RhythmOptions => ({
  slow: inTicks(given.slow ?? '2'),
  quick: inTicks(given.quick ?? '1'),
  split: given.split ?? 'straight',
  cycle: given.cycle ?? 8,
  ...(given.beats && { beats: inTicks(given.beats) }),
});
const times = (rhythm: Rhythm) => timedSteps(rhythm).map(({ onset, length }) => [onset, length]);

describe('a rhythm is written in every notation', () => {
  test.each(RENDERING_CASES)('$rhythm: $counts, $slowQuick', ({ rhythm, counts, slowQuick, ...given }) => {
    const options = terms(given);
    const parsed = read(rhythm, options);
    const [inCounts, inSlows] = [writeCounts(parsed, options), writeSlowQuick(parsed, options)];
    expect(inCounts.ok ? inCounts.value : null).toBe(counts);
    expect(inSlows.ok ? inSlows.value : null).toBe(slowQuick);
  });

  test('what has no place is told by its event: the pick-up is neither slow nor quick', () => {
    const options = terms({ beats: '3' });
    expect(writeSlowQuick(read('&1 2 3', options), options)).toEqual({
      ok: false,
      fault: { event: 0, message: '1/2 beats are neither slow (2) nor quick (1)' },
    });
  });
});

describe('every rendering reads back', () => {
  const beat = fc.constantFrom(
    ['1'],
    ['1', '&'],
    ['1', 'a'],
    ['1', 'e', '&', 'a'],
    ['(1)'],
    ['1', '(&)', 'a'],
    [],
  );
  const pickUp = fc.constantFrom('', '&', 'a', '&a');
  const counted = fc
    .tuple(pickUp, fc.array(beat, { minLength: 1, maxLength: 20 }), fc.integer({ min: 1, max: 9 }))
    .map(([before, beats, cycle]) => {
      const tokens = [['1'], ...beats].map((parts, index) =>
        parts.join('').replace('1', String((index % cycle) + 1)),
      );
      return { text: before + tokens.filter(Boolean).join(' '), cycle };
    });

  test('counts: the same onsets and lengths', () => {
    fc.assert(
      fc.property(counted, ({ text, cycle }) => {
        const options = terms({ cycle });
        const rhythm = parseRhythm(text, options);
        fc.pre(rhythm.ok);
        const written = writeCounts(rhythm.value, options);
        if (!written.ok) throw new Error(written.fault.message);
        const again = read(written.value, { ...options, beats: rhythm.value.beats ?? ticks(0) });
        expect(times(again)).toEqual(times(rhythm.value));
      }),
      { seed: 21, numRuns: 500 },
    );
  });

  test('swung counts', () => {
    const swung = fc.array(fc.constantFrom(['1'], ['1', '&'], ['1', '&', 'a'], ['1', 'a']), { minLength: 1 });
    fc.assert(
      fc.property(swung, beats => {
        const text = beats
          .map((parts, index) => parts.join('').replace('1', String((index % 8) + 1)))
          .join(' ');
        const options = terms({ split: 'swung' });
        const rhythm = read(text, options);
        const written = writeCounts(rhythm, options);
        expect(written.ok && times(read(written.value, options))).toEqual(times(rhythm));
      }),
      { seed: 22, numRuns: 200 },
    );
  });

  test('slows and quicks, also through counts and back', () => {
    const lengths = fc.constantFrom(['2', '1'], ['1', '1/2'], ['3', '1'], ['4', '2']);
    fc.assert(
      fc.property(fc.array(fc.constantFrom('S', 'Q'), { minLength: 1 }), lengths, (words, [slow, quick]) => {
        const options = terms({ slow: slow as string, quick: quick as string });
        const rhythm = read(words.join(''), options);
        const counts = writeCounts(rhythm, options);
        if (!counts.ok) throw new Error(counts.fault.message);
        const again = read(counts.value, { ...options, beats: rhythm.beats ?? ticks(0) });
        expect(times(again)).toEqual(times(rhythm));
        expect(writeSlowQuick(again, options)).toEqual({ ok: true, value: words.join('') });
      }),
      { seed: 23, numRuns: 300 },
    );
  });
});

test('at 120 beats a minute in bars of 4 there are 30 bars; ¼ beat lasts 125 ms', () => {
  expect(barsPerMinute(120, 4)).toBe(30);
  expect(shortestStepMs([read('1e&a2', terms({}))], 120)).toBe(125);
  expect(shortestStepMs([read('free:3', terms({}))], 120)).toBeUndefined();
});
