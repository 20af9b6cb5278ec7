import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Dance, Hold, Pattern } from '../model/document.ts';
import { ACTIONS } from '../model/step-words.ts';
import { readWrittenFigure } from '../steps/figure.ts';
import { naturalStep } from '../steps/mirror.ts';
import { parseStep, printStep, splitPart } from '../steps/step.ts';
import { armStretches, checkArms } from './arms.ts';
import { armsBehind } from './cautions-needed.ts';
import { COUPLE_CASES, type CoupleCase } from './couple-cases.ts';
import { type Couple, holdLines, readCouple } from './couple-time.ts';
import { findDrift } from './drift.ts';
import { readFigure } from './read-figure.ts';
import { checkTogether, dancePoses } from './together.ts';
import { turnsByEvent } from './turns.ts';

const danceWith = (holds: readonly Hold[]): Dance => ({
  ...{ id: 'any', name: 'Any', roles: 'pair', beatsPerBar: 4, countCycle: 8, slow: 2, quick: 1 },
  ...{ split: 'straight', phrase: 8, tempo: [], floor: 'free', holds },
});
const patternOf = ({ id, rhythm, beats, lead, follow, entry, between, exit }: CoupleCase): Pattern => ({
  ...{ id, dance: 'any', name: id, kind: 'pattern', rhythm, parts: { lead, follow }, entry, exit },
  ...(beats !== undefined && { beats }),
  ...(between && { holds: between }),
});
const coupleOf = (pattern: Pattern, dance: Dance): Couple => {
  const { figure, faults } = readFigure(pattern, dance);
  expect(faults).toEqual([]);
  const couple = readCouple(figure);
  if (!couple) throw new Error('nobody dances it');
  return couple;
};
const coupleIn = (given: CoupleCase) => coupleOf(patternOf(given), danceWith(given.holds));
const codesOf = (couple: Couple) => [
  ...new Set([...checkArms(couple), ...checkTogether(couple)].map(({ code }) => code)),
];

describe('worked cases', () => {
  test.each(COUPLE_CASES)('$id $fault', given => {
    const found = codesOf(coupleIn(given)).filter(code => !given.may?.includes(code));
    expect(found.toSorted()).toEqual(given.expect.toSorted());
  });
});

const touch = [
  { lead: 'left-hand', follow: 'right-hand' },
  { lead: 'right-hand', follow: 'left-hand' },
] as const;
const TWO: Hold = { id: 'two', name: 'Two hands', contact: 'hand', rel: 180, touch };
const CLOSED: Hold = { id: 'closed', name: 'Closed', contact: 'body', rel: 180 };
const ONE: Hold = { id: 'one', name: 'One hand', contact: 'hand', rel: 180 };

test('winding is additive over a sequence: two turns wind by the sum of both', () => {
  const turns = fc.constantFrom(-360, -180, 0, 180, 360);
  const turned = (degrees: number) => (degrees === 0 ? '' : ` ${degrees > 0 ? '+' : ''}${degrees}`);
  const dance = danceWith([TWO]);
  const wound = (rhythm: string, follow: string, lead: string) => {
    const couple = coupleOf(
      {
        ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm },
        parts: { lead, follow },
        entry: ['two'],
        exit: 'two',
      },
      dance,
    );
    const line = holdLines(couple)[0]?.[0];
    return line && armStretches(line, turnsByEvent(couple)).at(-1)?.wound;
  };
  fc.assert(
    fc.property(turns, turns, (one, other) => {
      const first = wound('QQ', `R${turned(one)} place, L place`, 'L place, R place');
      const second = wound('QQ', `R${turned(other)} place, L place`, 'L place, R place');
      const both = wound(
        'QQQQ',
        `R${turned(one)} place, L place, R${turned(other)} place, L place`,
        'L place, R place, L place, R place',
      );
      expect(both).toBe((first ?? 0) + (second ?? 0));
    }),
    { seed: 7, numRuns: 60 },
  );
});

test('±720 is clean only where both rolled, one to each side', () => {
  const rolled = (lead: string, follow: string) =>
    codesOf(
      coupleOf(
        {
          ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: 'QQ' },
          parts: { lead, follow },
          entry: ['two'],
          exit: 'two',
        },
        danceWith([TWO]),
      ),
    ).includes('arms-wound');
  expect(rolled('L +180 place, R +180 place', 'R -180 place, L -180 place')).toBe(false);
  expect(rolled('L place, R place', 'R -360 place, L -360 place')).toBe(true);
});

test('a hand that is let go only after the arms are wound whole is let go too late', () => {
  const letGoAt = (event: number) =>
    checkArms(
      coupleOf(
        {
          ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: 'QQQ' },
          parts: { lead: 'L place, R place, L place', follow: 'R -180 place, L -180 place, R place' },
          ...{ entry: ['two'], holds: [{ event, hold: 'one' }], exit: 'one' },
        },
        danceWith([TWO, ONE]),
      ),
    ).map(({ path, message }) => [path.join('/'), message]);
  expect(letGoAt(1)).toEqual([]);
  expect(letGoAt(2)).toEqual([
    ['holds/0', expect.stringMatching(/^the hands are let go at 3, after the arms were wound full right/)],
  ]);
});

describe('in each other’s arms nobody turns out', () => {
  const PROMENADE: Hold = { id: 'promenade', name: 'Promenade', contact: 'body', rel: 270 };
  const woundAt = (lead: string, follow: string, exit = 'closed') =>
    checkArms(
      coupleOf(
        {
          ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: 'QQQQ' },
          ...{ parts: { lead, follow }, entry: ['closed'], exit },
        },
        danceWith([CLOSED, ONE, PROMENADE]),
      ),
    ).map(({ path }) => path.join('/'));
  const STILL = 'L place, R place, L place, R place';

  test.each([
    [
      'half each, to different sides',
      'L -90 place, R -90 place, L place, R place',
      'R +90 place, L +90 place, R place, L place',
    ],
    ['the follower whole, alone', STILL, 'R -180 place, L -180 place, R place, L place'],
    ['there and back by more than a half', STILL, 'R -180 place, L -45 place, R +45 place, L +180 place'],
  ])('%s', (_, lead, follow) => {
    expect(woundAt(lead, follow)).toEqual(['exit']);
  });

  test.each([
    [
      'both round together',
      'L -90 place, R -90 place, L place, R place',
      'R -90 place, L -90 place, R place, L place',
      'closed',
    ],
    ['there and back by a half', STILL, 'R -180 place, L place, R +180 place, L place', 'closed'],
    ['into promenade the short way', STILL, 'R +90 place, L place, R place, L place', 'promenade'],
    ['out of each other’s arms', STILL, 'R -180 place, L -180 place, R place, L place', 'one'],
  ])('%s is sound', (_, lead, follow, exit) => {
    expect(woundAt(lead, follow, exit)).toEqual([]);
  });

  test('into promenade the long way is not', () => {
    expect(woundAt(STILL, 'R -180 place, L -90 place, R place, L place', 'promenade')).toEqual(['exit']);
  });
});

describe('a hand that goes behind its owner’s back', () => {
  const ones = (['low', 'middle', 'high'] as const).map(
    (height): Hold => ({
      ...{ id: height, name: height, contact: 'hand', rel: 180 },
      touch: [{ lead: 'left-hand', follow: 'right-hand', height }],
    }),
  );
  const behind = (holds: readonly string[], turnAt: number) => {
    const [entry = '', ...later] = holds;
    const exit = later.at(-1) ?? 'same';
    const steps = ['R place', 'L place', 'R place', 'L place', 'R place', 'L place'];
    const follow = steps.map((step, at) =>
      at === turnAt || at === turnAt + 1 ? `${step.slice(0, 1)} +180 place` : step,
    );
    return armsBehind(
      coupleOf(
        {
          ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: 'QQQQQQ' },
          parts: { lead: 'L place, R place, L place, R place, L place, R place', follow: follow.join(', ') },
          ...{ entry: [entry], exit },
          ...(later.length > 1 && {
            holds: later.slice(0, -1).map((hold, at) => ({ event: 2 * at + 1, hold })),
          }),
        },
        danceWith(ones),
      ),
    );
  };

  test('where it is low at the end, at the beginning, or only inside the figure', () => {
    const right = [{ role: 'follow', hand: 'right' }];
    expect(behind(['middle', 'low'], 0)).toEqual(right);
    expect(behind(['low', 'middle'], 0)).toEqual(right);
    expect(behind(['middle', 'low', 'middle'], 2)).toEqual(right);
  });

  test('not where it is lifted before the turn, or lowered after it', () => {
    expect(behind(['middle', 'high'], 0)).toEqual([]);
    expect(behind(['low', 'high', 'high'], 2)).toEqual([]);
    expect(behind(['high', 'high', 'low'], 0)).toEqual([]);
  });
});

describe('a follower’s part that keeps the hold', () => {
  const ways = fc.constantFrom(
    'fwd',
    'back',
    'side',
    'diag-fwd',
    'diag-back',
    'close',
    'place',
    'cross-front',
    'cross-behind',
  );
  const small = fc.constantFrom('', ' small');
  const walk = fc.array(fc.tuple(ways, small), { minLength: 1, maxLength: 10 });
  const leadOf = (steps: readonly (readonly [string, string])[]) =>
    steps.map(([action, size], index) => `${index % 2 === 0 ? 'L' : 'R'} ${action}${size}`).join(', ');

  test.each([CLOSED, ONE, TWO])('is never apart nor on the wrong side, in $name', hold => {
    fc.assert(
      fc.property(walk, steps => {
        const couple = coupleOf(
          {
            ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: `free:${steps.length}` },
            ...{ parts: { lead: leadOf(steps), follow: 'keep' }, entry: [hold.id], exit: hold.id },
          },
          danceWith([hold]),
        );
        expect(codesOf(couple)).toEqual([]);
      }),
      { seed: 3, numRuns: 200 },
    );
  });

  test.each([
    [
      'face to face the leader’s way backward',
      'closed',
      'closed',
      'L fwd, R side, L close',
      'R back, L side, R close',
    ],
    ['both rock back outside a frame', 'one', 'one', 'L back, R replace', 'R back, L replace'],
    ['she follows the rock in a frame', 'closed', 'closed', 'L back, R replace', 'R fwd, L replace'],
    [
      'the leader’s turns are hers in a frame',
      'closed',
      'closed',
      'L +45 fwd, R close',
      'R +45 back, L close',
    ],
    ['steps that take no weight are the leader’s', 'closed', 'closed', 'L fwd, R tap', 'R back, L tap'],
    ['an opening is shared over the steps', 'closed', 'one', 'L place, R place', 'R back, L back'],
  ])('%s', (_, entry, exit, lead, follow) => {
    const dance = danceWith([CLOSED, ONE]);
    const rhythm = `free:${splitPart(lead).length}`;
    const { figure, faults } = readFigure(
      {
        ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm },
        parts: { lead, follow: 'keep' },
        entry: [entry],
        exit,
      },
      dance,
    );
    expect(faults).toEqual([]);
    expect(figure.parts[1]?.steps.map(({ step }) => step && printStep(step)).join(', ')).toBe(follow);
    expect(figure.parts[1]?.derived).toBe('keep');
  });

  test('is refused where no step is long enough', () => {
    const { faults } = readFigure(
      {
        ...{ id: 'a', dance: 'any', name: 'A', kind: 'pattern', rhythm: 'free:1' },
        ...{ parts: { lead: 'L +180 place', follow: 'keep' }, entry: ['one'], exit: 'one' },
      },
      danceWith([ONE]),
    );
    expect(faults).toMatchObject([
      { code: 'bad-step', path: ['parts', 'follow', 0], message: expect.stringContaining('m round') },
    ]);
  });
});

test('mirroring a figure mirrors its couple picture', () => {
  const mirrored = (part: string) =>
    splitPart(part)
      .map(text => {
        const step = parseStep(text, ACTIONS);
        if (!step.ok) throw new Error(text);
        return printStep(naturalStep(step.value, 'image'));
      })
      .join(', ');
  const symmetric: readonly Hold[] = [
    { ...CLOSED, touch: [{ lead: 'right-hand', follow: 'back' }] },
    { ...TWO, id: 'one' },
  ];
  const sound = COUPLE_CASES.filter(({ holds }) => holds.every(({ rel, place }) => rel === 180 && !place));
  expect(sound.length).toBeGreaterThan(8);
  for (const given of sound) {
    const holds = given.holds.map(hold => ({
      ...(symmetric.find(one => one.contact === hold.contact) ?? hold),
      id: hold.id,
    }));
    const posesOf = (one: CoupleCase) => {
      const couple = coupleIn({ ...one, holds });
      const line = holdLines(couple)[0]?.[0];
      return line ? dancePoses(couple, line) : [];
    };
    const poses = posesOf(given);
    const image = posesOf({ ...given, lead: mirrored(given.lead), follow: mirrored(given.follow) });
    for (const [index, { place }] of poses.entries()) {
      expect(image[index]?.place.ahead).toBeCloseTo(place.ahead, 9);
      expect(image[index]?.place.side).toBeCloseTo(-place.side, 9);
    }
  }
});

test('roles with rhythms of their own are held against each other in time', () => {
  const couple = coupleOf(
    {
      ...{
        id: 'a',
        dance: 'any',
        name: 'A',
        kind: 'pattern',
        rhythm: { lead: '1 2 3', follow: '1 (2) 3' },
        beats: 4,
      },
      ...{
        parts: { lead: 'L fwd, R close, L fwd', follow: 'R back, L back' },
        entry: ['closed'],
        exit: 'closed',
      },
    },
    danceWith([CLOSED]),
  );
  expect(couple.moments.map(({ lead, follow }) => [lead !== null, follow !== null])).toEqual([
    [true, true],
    [true, false],
    [true, true],
  ]);
  expect(codesOf(couple)).toEqual([]);
});

test('a figure without a part to dance has no couple', () => {
  const { figure } = readWrittenFigure(
    { id: 'a', dance: 'any', name: 'A', kind: 'quality' },
    danceWith([CLOSED]),
  );
  expect(readCouple(figure)).toBeUndefined();
});

test('a figure and its repeats agree: the drift of two is where two danced in a row end', () => {
  const spot: Dance = { ...danceWith([CLOSED]), floor: 'spot', phrase: 8 };
  const action = fc.constantFrom('fwd', 'back', 'side', 'diag-fwd', 'close');
  const turn = fc.constantFrom('', '+45 ', '-90 ');
  const step = fc.tuple(turn, action);
  const walk = (rhythm: string, lead: string) =>
    coupleOf(
      {
        ...{ id: 'a', dance: 'any', name: 'A', kind: 'basic', rhythm },
        ...{ parts: { lead, follow: 'keep' }, entry: ['closed'], exit: 'closed' },
      },
      spot,
    );
  fc.assert(
    fc.property(fc.tuple(step, step, step, step), steps => {
      const lead = steps
        .map(([turned, to], index) => `${index % 2 === 0 ? 'L' : 'R'} ${turned}${to}`)
        .join(', ');
      const drift = findDrift(walk('1 2 3 4', lead));
      const twice = walk('1 2 3 4 5 6 7 8', `${lead}, ${lead}`);
      const end = dancePoses(twice, holdLines(twice)[0]?.[0] ?? raise()).at(-1) ?? raise();
      const middle = {
        x: (end.lead.middle.x + end.follow.middle.x) / 2,
        y: (end.lead.middle.y + end.follow.middle.y) / 2 - 0.15,
      };
      if (drift) {
        expect(drift.times).toBe(2);
        expect(middle.x).toBeCloseTo(-drift.left, 1);
        expect(middle.y).toBeCloseTo(drift.ahead, 1);
      } else expect(Math.hypot(middle.x, middle.y)).toBeLessThan(0.7);
    }),
    { seed: 23, numRuns: 150 },
  );
});

function raise(): never {
  throw new Error('nobody dances it');
}
