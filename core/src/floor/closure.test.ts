import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Dance, Floor, Pattern } from '../model/document.ts';
import { printBeats } from '../model/fraction.ts';
import { modulo, TICKS_PER_BEAT } from '../model/units.ts';
import { type Figure, figureTurn, readWrittenFigure } from '../steps/figure.ts';
import { feetAgree } from '../steps/links.ts';
import { otherFootForm } from '../steps/pieces.ts';
import { printStep, type Step } from '../steps/step.ts';
import { dance, figure } from '../test/studio.ts';
import { CLOSURE_CASES } from '../worked-cases.ts';
import { facingRepeats, figureClosure, footRepeats } from './closure.ts';

const read = (pattern: Pattern, inDance: Dance): Figure => readWrittenFigure(pattern, inDance).figure;

describe('how often a figure is danced until it is back', () => {
  test.each(CLOSURE_CASES)('$why', ({ floor, roles, part, rhythm, turn, exit = 'open', repeats, beats }) => {
    const parts = roles === 'solo' ? { solo: part } : { lead: part, follow: 'opposite' };
    const pattern = figure('a', { rhythm, parts, exit, turn: turn ?? 0 });
    const closure = figureClosure(read(pattern, { ...dance, floor, roles: roles ?? 'pair' }));
    const { foot, facing, phrase, hold, all } = closure;
    expect([foot, facing, phrase, hold, all]).toEqual(repeats);
    expect(closure.beats && printBeats(closure.beats)).toBe(beats);
  });

  test.each<[Floor, number, number]>([
    ['line', -90, 4],
    ['line', 135, 8],
    ['line', 360, 1],
    ['slot', 90, 2],
    ['slot', -45, 4],
    ['free', 45, 1],
  ])('on the floor "%s" a turn of %d faces back after %d times', (floor, turn, times) => {
    expect(facingRepeats(read(figure('a', { turn }), { ...dance, floor }))).toBe(times);
  });

  test('roles that disagree about the foot never come back together', () => {
    const parts = { lead: 'L fwd, R fwd, L fwd, R close', follow: 'R back, L back, R back, L tap' };
    expect(footRepeats(read(figure('a', { parts }), dance))).toBeNull();
  });

  test('without a turn of its own the couple turns as the leader does: 90 + 45 = 135', () => {
    const parts = { lead: 'L +90 fwd, R fwd +45, L fwd, R close', follow: 'alike' };
    expect(figureTurn(read(figure('a', { parts }), dance))).toBe(135);
  });
});

/** Whether a form of a figure danced so often, one after the other, ends as it began. */
function danceIt(first: Figure, times: number) {
  const mirrored = footRepeats(first) === 2;
  const rounds = Array.from({ length: times }, (_, round) => {
    const flip = mirrored && round % 2 === 1;
    return first.parts.map(({ steps }) => {
      const written = steps.map(({ step }) => step as Step);
      return (flip ? otherFootForm(first.dance, written) : written).map(printStep).join(', ');
    });
  });
  const partOf = (index: number) => rounds.map(round => round[index]).join(', ');
  const parts = first.dance.roles === 'solo' ? { solo: partOf(0) } : { lead: partOf(0), follow: partOf(1) };
  return readWrittenFigure({ ...first.pattern, rhythm: 'free', parts }, first.dance);
}

test('dancing a figure `all` times brings feet, facing and phrase back, and fewer do not', () => {
  const action = fc.constantFrom('fwd', 'back', 'side', 'close', 'tap', 'fwd +45', 'side -90', 'close +180');
  const shape = fc.record({
    actions: fc.array(action, { minLength: 1, maxLength: 7 }),
    beats: fc.integer({ min: 0, max: 4 }),
    floor: fc.constantFrom<Floor>('line', 'walls', 'slot', 'spot', 'free'),
    roles: fc.constantFrom('solo' as const, 'pair' as const),
  });
  fc.assert(
    fc.property(shape, ({ actions, beats, floor, roles }) => {
      let free = 'L';
      const part = actions
        .map(text => {
          const step = `${free} ${text}`;
          if (text !== 'tap') free = free === 'L' ? 'R' : 'L';
          return step;
        })
        .join(', ');
      const counts = actions.map((_, index) => (index % 8) + 1).join(' ');
      const pattern = figure('a', {
        rhythm: counts,
        beats: actions.length + beats,
        parts: roles === 'solo' ? { solo: part } : { lead: part, follow: 'alike' },
      });
      const once = read(pattern, { ...dance, floor, roles });
      const { all, foot, facing, phrase } = figureClosure(once);
      if (all === null) throw new Error('this figure always closes');
      const circle = { line: 360, walls: 360, slot: 180, spot: 1, free: 1 }[floor];
      const isBack = (times: number) => {
        const danced = danceIt(once, times).figure;
        return {
          feet: danced.parts.every(({ start, end }) => feetAgree(end, start)),
          facing: modulo(figureTurn(danced), circle) === 0,
          phrase: modulo(times * (once.beats ?? 0), dance.phrase * TICKS_PER_BEAT) === 0,
        };
      };
      expect(danceIt(once, all).faults).toEqual([]);
      expect(isBack(all)).toEqual({ feet: true, facing: true, phrase: true });
      for (const [what, least] of [
        ['feet', foot],
        ['facing', facing],
        ['phrase', phrase],
      ] as const)
        for (let times = 1; times < (least ?? 0); times += 1) expect(isBack(times)[what]).toBe(false);
    }),
    { seed: 31, numRuns: 150 },
  );
});
