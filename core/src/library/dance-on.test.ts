import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { carriedHints, danceWay, NOT_OFF, offAfter } from '../couple/carry.ts';
import { holdLines, readCouple } from '../couple/couple-time.ts';
import { readFigure } from '../couple/read-figure.ts';
import { dancePoses } from '../couple/together.ts';
import type { Dance, Pattern } from '../model/document.ts';
import { createFigureChecker } from './check-figures.ts';
import { findJoins, findJoinsOf } from './dance-on.ts';
import { openLibrary } from './library.ts';
import { findJoinMend } from './mend-join.ts';

const dance: Dance = {
  ...{ id: 'quay', name: 'Quay', roles: 'pair', beatsPerBar: 4, countCycle: 8, slow: 2, quick: 1 },
  ...{ split: 'straight', phrase: 8, tempo: [], floor: 'free' },
  holds: [
    { id: 'hand', name: 'One hand', contact: 'hand', rel: 180 },
    { id: 'two', name: 'Two hands', contact: 'hand', rel: 180 },
    { id: 'near', name: 'Near', contact: 'body', rel: 180 },
  ],
};
const figure = (id: string, lead: string, follow: string, more: Partial<Pattern> = {}): Pattern => ({
  ...{ id, name: id, dance: 'quay', kind: 'pattern', rhythm: '1 2 3 4' },
  ...{ parts: { lead, follow }, entry: ['hand'], exit: 'same', ...more },
});
const STILL = 'L place, R place, L place, R place';
const IN_PLACE = 'R place, L place, R place, L place';
const found = (patterns: readonly Pattern[], first: string, second: string) =>
  findJoinsOf(openLibrary({ dances: [dance], patterns }), first, second).map(
    ({ code, figure: at, step, times, metres }) => ({
      ...{ code, at, step, metres: Number(metres.toFixed(2)) },
      ...(times !== undefined && { times }),
    }),
  );
const walk = figure('walk', STILL, 'R fwd, L fwd, R place, L place');

describe('a figure over and over', () => {
  test('what comes nearer each time creeps: 0.9 less the 0.09 that its steps give is 0.81 m off', () => {
    // The hold is 0.85 m: from the middle she ends 0.05 m behind the leader’s middle, which is told of the figure itself.
    expect(found([walk], 'walk', 'walk')).toMatchObject([
      { code: 'creeps', at: 'walk', times: 2, metres: 0.81 },
    ]);
  });

  test('what goes back what it came does not', () => {
    const back = figure('back', STILL, 'R fwd, L place, R back, L place');
    expect(found([back], 'back', 'back')).toEqual([]);
  });

  test('two small steps nearer creep at the time that is out of reach: 0.225 less 0.0225 a time', () => {
    const small = figure('small', STILL, 'R fwd small, L place, R place, L place');
    // 0.2025 m nearer each time: 0.85, 0.65, 0.47 …; the fourth time is under 0.35 m, where no hand hold opens.
    expect(found([small], 'small', 'small')).toMatchObject([{ code: 'creeps', metres: 0.2 }]);
  });

  test('what cannot follow itself is danced by turns with what leads to and from it', () => {
    const open = figure('open', STILL, 'R back small, L place, R place, L place', {
      entry: ['hand'],
      exit: 'two',
    });
    const home = figure('home', STILL, 'R back small, L place, R place, L place', {
      entry: ['two'],
      exit: 'hand',
    });
    expect(found([open, home], 'open', 'home')).toMatchObject([{ code: 'creeps', times: 2 }]);
    expect(
      found(
        [open, { ...home, parts: { lead: STILL, follow: 'R fwd small, L place, R place, L place' } }],
        'open',
        'home',
      ),
    ).toEqual([]);
  });
});

describe('a figure after another', () => {
  const reach = figure('reach', STILL, 'R back, L place, R place, L place', { entry: ['hand'], exit: 'two' });
  const away = figure('away', STILL, 'R back, L place, R place, L place', { entry: ['two'], exit: 'two' });
  const still = figure('still', STILL, IN_PLACE, { entry: ['two'], exit: 'two' });

  test('fails where the hands no longer reach: 0.45 less 0.045 carried in, and 0.45 more', () => {
    expect(found([reach, away], 'reach', 'away')).toMatchObject([
      { code: 'join-apart', at: 'away', step: 0, metres: 0.4 },
    ]);
  });

  test('is sound where the second gives the place back, or stands still within reach', () => {
    expect(found([reach, still], 'reach', 'still')).toEqual([]);
  });

  test('is told once a code at the figure it leaves, with three that it leads into and how many more', () => {
    const others = ['b', 'c', 'd', 'e'].map(id => ({ ...away, id, name: id.toUpperCase() }));
    const library = openLibrary({ dances: [dance], patterns: [reach, ...others] });
    const reading = library.readings.get('reach');
    if (!reading) throw new Error('there is no reach');
    const told = createFigureChecker(library)(reading).filter(({ code }) => code === 'join-apart');
    expect(told).toMatchObject([{ path: ['exit'], severity: 'hint' }]);
    expect(told[0]?.message).toContain(
      'into B, C, D and 1 more: reach leaves the follower 0.4 m too far away',
    );
  });
});

describe('carrying a place', () => {
  const STEPS = ['fwd', 'back', 'side', 'place', 'fwd small', 'back small', 'side small'] as const;
  const feet = ['L', 'R', 'L', 'R'];
  const part = fc
    .array(fc.constantFrom(...STEPS), { minLength: 4, maxLength: 4 })
    .map(steps => steps.map((step, index) => `${feet[index]} ${step}`).join(', '));
  const mirrored = (text: string) => text.replace(/\b[LR]\b/g, foot => (foot === 'L' ? 'R' : 'L'));
  const wayOf = (pattern: Pattern) => {
    const couple = readCouple(readFigure(pattern, dance).figure);
    const line = couple && holdLines(couple)[0]?.[0];
    if (!couple || !line) throw new Error('no couple');
    return danceWay(dance, line, dancePoses(couple, line));
  };

  test('property: a figure that nobody moves in keeps what it was entered with, and joins whatever is within reach', () => {
    const way = wayOf(figure('still', STILL, IN_PLACE));
    fc.assert(
      fc.property(fc.double({ min: -0.4, max: 0.4, noNaN: true }), ahead => {
        expect(offAfter(way, { ahead, side: 0 }).ahead).toBeCloseTo(ahead, 9);
        expect(carriedHints(way, { ahead, side: 0 })).toEqual([]);
      }),
    );
  });

  test('property: mirrored figures leave mirrored places', () => {
    fc.assert(
      fc.property(part, part, (lead, other) => {
        const follow = mirrored(other);
        const [one, two] = [
          wayOf(figure('a', lead, follow)),
          wayOf(figure('b', mirrored(lead), mirrored(follow))),
        ].map(way => offAfter(way, NOT_OFF));
        expect(two?.ahead).toBeCloseTo(one?.ahead ?? 0, 9);
        expect(two?.side).toBeCloseTo(-(one?.side ?? 0), 9);
      }),
    );
  });

  test('property: a figure that keeps its place joins itself', () => {
    fc.assert(
      fc.property(part, lead => {
        const back = lead.replace(/fwd|back/g, word => (word === 'fwd' ? 'back' : 'fwd'));
        const pattern = figure('kept', lead, mirrored(back));
        expect(findJoins(openLibrary({ dances: [dance], patterns: [pattern] }))).toEqual([]);
      }),
    );
  });

  test('property: a place carried through A then B is that of the figure made of A and B, where nobody adapts', () => {
    fc.assert(
      fc.property(part, part, part, part, (leadA, followA, leadB, followB) => {
        const follow = [followA, followB].map(mirrored);
        const first = wayOf(figure('a', leadA, follow[0] ?? ''));
        const second = wayOf(figure('b', leadB, follow[1] ?? ''));
        const both = wayOf(
          figure('ab', `${leadA}, ${leadB}`, follow.join(', '), { rhythm: '1 2 3 4 5 6 7 8' }),
        );
        const [carried, made] = [
          offAfter(second, offAfter(first, NOT_OFF, false), false),
          offAfter(both, NOT_OFF, false),
        ];
        expect(carried.ahead).toBeCloseTo(made.ahead, 9);
        expect(carried.side).toBeCloseTo(made.side, 9);
      }),
    );
  });

  test('property: what does not come back by what is given is left: a place carried through A then B is what both leave, less what both give', () => {
    fc.assert(
      fc.property(part, part, (a, b) => {
        const [first, second] = [
          wayOf(figure('a', STILL, mirrored(a))),
          wayOf(figure('b', STILL, mirrored(b))),
        ];
        const [left, through] = [offAfter(first, NOT_OFF), offAfter(second, offAfter(first, NOT_OFF))];
        const alone = offAfter(second, NOT_OFF);
        const most = second.given * 2 + 1e-9;
        expect(Math.abs(through.ahead - left.ahead - alone.ahead)).toBeLessThanOrEqual(most);
        expect(Math.abs(through.side - left.side - alone.side)).toBeLessThanOrEqual(most);
      }),
    );
  });
});

describe('a mend of what follows', () => {
  const mendOf = (id: string, patterns: readonly Pattern[], code: 'creeps' | 'join-apart') => {
    const library = openLibrary({ dances: [dance], patterns });
    const figureOf = library.readings.get(id)?.figure;
    return figureOf && findJoinMend(library, figureOf, { code });
  };

  test('one step whole instead of small gives back what was lost, and nothing fails any more', () => {
    const small = figure('small', STILL, 'R fwd, L place, R back small, L place');
    expect(found([small], 'small', 'small')).toMatchObject([{ code: 'creeps' }]);
    const mend = mendOf('small', [small], 'creeps');
    expect(mend?.words).toBe('let the follower take a whole step at 3');
    expect(mend && found([mend.pattern], 'small', 'small')).toEqual([]);
  });

  test('where no single step does there is none', () => {
    expect(mendOf('walk', [walk], 'creeps')).toBeUndefined();
  });
});
