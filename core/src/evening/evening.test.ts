import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  beginEvening,
  type Evening,
  leftInBlock,
  lengthen,
  minutesAsItStands,
  nextBlock,
  pause,
  presentBlock,
  resume,
  takenIn,
} from './evening.ts';
import type { BlockKind, RunningOrder } from './lesson-blocks.ts';

const M = 60_000;
const order = (...blocks: readonly [BlockKind, number][]): RunningOrder => ({
  lesson: 1,
  of: 5,
  minutes: blocks.reduce((sum, [, minutes]) => sum + minutes, 0),
  over: 0,
  noTimeFor: [],
  spare: 0,
  offered: [],
  blocks: blocks.map(([kind, minutes]) => ({
    kind,
    minutes,
    title: kind,
    from: '',
    to: '',
    patterns: [],
    within: {},
    layers: [],
  })),
});
const evening = order(['warm-up', 10], ['new', 20], ['combine', 10], ['dance', 15], ['recap', 5]);

describe('an evening that runs', () => {
  test('as planned stands as planned', () => {
    const now = beginEvening(0);
    expect(minutesAsItStands(now, evening, 0)).toEqual([10, 20, 10, 15, 5]);
    expect(minutesAsItStands(nextBlock(now, 10 * M), evening, 12 * M)).toEqual([10, 20, 10, 15, 5]);
  });

  test('five minutes more are taken from combining and dancing', () => {
    const longer = lengthen(nextBlock(beginEvening(0), 10 * M), 5);
    expect(leftInBlock(longer, evening, 12 * M)).toBe(23 * M);
    expect(minutesAsItStands(longer, evening, 12 * M)).toEqual([10, 25, 8, 12, 5]);
  });

  test('what is saved goes to combining and dancing', () => {
    expect(minutesAsItStands(nextBlock(beginEvening(0), 5 * M), evening, 5 * M)).toEqual([5, 20, 12, 18, 5]);
  });

  test('a pause stops the block’s clock and not the one on the wall', () => {
    const paused = pause(beginEvening(0), 4 * M);
    expect(leftInBlock(paused, evening, 9 * M)).toBe(6 * M);
    const on = resume(paused, 9 * M);
    expect(takenIn(on, 0, 10 * M)).toBe(5 * M);
    expect(minutesAsItStands(on, evening, 10 * M)).toEqual([15, 20, 8, 12, 5]);
  });

  test('where it runs over nothing is left of the rest', () => {
    expect(minutesAsItStands(nextBlock(beginEvening(0), 70 * M), evening, 75 * M)).toEqual([70, 5, 0, 0, 0]);
  });

  test('whatever is tapped, it adds up to the lesson until it is over, and clocks never run backwards', () => {
    const tap = fc.record({
      what: fc.constantFrom('next', 'pause', 'resume', 'longer'),
      wait: fc.integer({ min: 0, max: 9 * M }),
    });
    fc.assert(
      fc.property(fc.array(tap, { maxLength: 25 }), taps => {
        let at = 0;
        let state: Evening = beginEvening(0);
        for (const { what, wait } of taps) {
          at += wait;
          const isLast = presentBlock(state) === evening.blocks.length - 1;
          if (what === 'next' && !isLast) state = nextBlock(state, at);
          if (what === 'pause') state = pause(state, at);
          if (what === 'resume') state = resume(state, at);
          if (what === 'longer') state = lengthen(state, 1);
          const minutes = minutesAsItStands(state, evening, at);
          expect(minutes).toHaveLength(evening.blocks.length);
          expect(Math.min(...minutes)).toBeGreaterThanOrEqual(0);
          const sum = minutes.reduce((all, one) => all + one, 0);
          const isEnd = presentBlock(state) === evening.blocks.length - 1;
          if (!isEnd) expect(sum).toBe(Math.max(60, Math.round(at / M)));
          expect(takenIn(state, presentBlock(state), at)).toBeGreaterThanOrEqual(0);
        }
      }),
      { seed: 18, numRuns: 500 },
    );
  });
});
