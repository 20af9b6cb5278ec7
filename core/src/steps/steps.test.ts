import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { NaturalPart } from '../model/document.ts';
import { ACTIONS } from '../model/step-words.ts';
import { NATURAL_CASES, WEIGHT_CASES } from '../worked-cases.ts';
import { naturalness, naturalStep } from './mirror.ts';
import { parseStep, printStep, type Step, splitPart } from './step.ts';
import { readWeight } from './weight.ts';
import { stepInWords, turnInWords } from './words.ts';

const weightOf = (step: Step) => ACTIONS.get(step.action) ?? 'takes';

function steps(part: string): Step[] {
  return splitPart(part).map(text => {
    const parsed = parseStep(text, ACTIONS);
    if (!parsed.ok) throw new Error(parsed.fault.message);
    return parsed.value;
  });
}

const weigh = (part: string) => readWeight(steps(part), weightOf);

describe('a step is written FOOT [TURN] ACTION [QUALIFIER…] [TURN]', () => {
  test('a turn before the action and one after are kept apart', () => {
    expect(steps('R +90 side small heel -180')[0]).toEqual({
      foot: 'R',
      turnBefore: 90,
      action: 'side',
      qualifiers: ['small', 'heel'],
      turnAfter: -180,
    });
  });

  test.each([
    ['X fwd', 'bad-step', /begin with a foot/],
    ['L', 'bad-step', /no action/],
    ['L +90', 'bad-step', /no action/],
    ['L +90 -90 fwd', 'bad-step', /turns twice/],
    ['L glide', 'unknown-action', /not an action/],
    ['B fwd', 'bad-step', /both feet cannot/],
    ['L fwd quickly', 'bad-step', /"quickly" is not understood/],
    ['L fwd +90 small', 'bad-step', /"small" is not understood/],
    ['L glide', 'unknown-action', /it has fwd, back, side/],
    ['L fwd quickly', 'bad-step', /after the action stand small, outside/],
    ['L fwd +100', 'bad-step', /write \+90 or \+135, not \+100/],
    ['L -10 fwd', 'bad-step', /write -45 or 0, not -10/],
    ['L +405 fwd -360', 'bad-step', /more than 720, two whole turns/],
    ['L fwd small small', 'bad-step', /"small" stands twice/],
  ])('"%s" is refused as %s', (text, code, message) => {
    const parsed = parseStep(text, ACTIONS);
    expect(parsed).toMatchObject({ ok: false, fault: { code } });
    expect(parsed.ok ? '' : parsed.fault.message).toMatch(message);
  });

  const anyStep = fc.record({
    foot: fc.constantFrom('L' as const, 'R' as const),
    turnBefore: fc.constantFrom(0, 90, -180, 360),
    action: fc.constantFrom(...ACTIONS.keys()),
    qualifiers: fc.subarray(['small', 'outside', 'ball'] as const),
    turnAfter: fc.constantFrom(0, -45, 180),
  });

  test('what is printed reads back', () => {
    fc.assert(
      fc.property(anyStep, step => {
        expect(parseStep(printStep(step as Step), ACTIONS)).toEqual({ ok: true, value: step });
      }),
      { seed: 5, numRuns: 300 },
    );
  });

  test('a natural part of a natural part is the part', () => {
    fc.assert(
      fc.property(anyStep, fc.constantFrom<NaturalPart>('opposite', 'image', 'alike'), (step, by) => {
        expect(naturalStep(naturalStep(step as Step, by), by)).toEqual(step);
      }),
      { seed: 6, numRuns: 300 },
    );
  });
});

describe('how the follower’s step comes from the leader’s', () => {
  test.each(NATURAL_CASES)('$lead and $follow: $by', ({ lead, follow, by }) => {
    expect(naturalness(steps(lead)[0] as Step, steps(follow)[0] as Step)).toBe(by);
  });
});

describe('the weight is followed from step to step', () => {
  test.each(WEIGHT_CASES)('"$part" starts on $start and leaves $end free', ({ part, start, end }) => {
    expect(weigh(part)).toEqual({ start, end, faults: [] });
  });

  test.each([
    ['L fwd, L fwd', 1, 'foot-carries-weight'],
    ['L fwd, L tap', 1, 'foot-carries-weight'],
    ['L fwd, R hop', 1, 'foot-is-free'],
    ['L swivel, L fwd', 0, 'foot-is-free'],
  ])('"%s" cannot be danced at step %d: %s', (part, step, code) => {
    expect(weigh(part).faults[0]).toMatchObject({ step, code });
  });

  test('after a fault reading goes on as if the step had been danced', () => {
    expect(weigh('L fwd, L fwd, R fwd').faults.map(({ step }) => step)).toEqual([1]);
  });

  const alternating = fc
    .tuple(
      fc.constantFrom('L', 'R'),
      fc.array(fc.constantFrom('fwd', 'back', 'side', 'close'), { minLength: 2, maxLength: 12 }),
    )
    .map(([first, actions]) =>
      actions.map((action, i) => `${(i % 2 === 0) === (first === 'L') ? 'L' : 'R'} ${action}`),
    );

  test('a part made by alternating free feet always passes; one changed foot fails there, or after the first step', () => {
    fc.assert(
      fc.property(alternating, fc.nat(), (part, pick) => {
        expect(weigh(part.join(', ')).faults).toEqual([]);
        const index = pick % part.length;
        const changed = part.map((step, i) =>
          i === index ? step.replace(/^./, foot => (foot === 'L' ? 'R' : 'L')) : step,
        );
        expect(weigh(changed.join(', ')).faults[0]?.step).toBe(index === 0 ? 1 : index);
      }),
      { seed: 7, numRuns: 300 },
    );
  });
});

test.each([
  [-180, 'half right'],
  [90, 'quarter left'],
  [450, 'full and quarter left'],
  [-720, '2 full right'],
  [30, '30° left'],
])('%d degrees are said "%s"', (degrees, words) => {
  expect(turnInWords(degrees)).toBe(words);
});

test('a step is said in words', () => {
  expect(stepInWords(steps('R -90 cross-behind ball +180')[0] as Step)).toBe(
    'right cross behind, on the ball, turning a quarter right, then half left',
  );
});
