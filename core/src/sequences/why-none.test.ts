import { expect, test } from 'vitest';
import type { Floor } from '../model/document.ts';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { combineFigures } from './combine.ts';
import type { CombineRequest } from './request.ts';

type Figures = Readonly<Record<string, string>>;

const CASES: readonly [
  name: string,
  figures: Figures,
  beats: number,
  asked: Partial<CombineRequest> & { floor?: Floor },
  rule: string,
  message: RegExp,
  opens?: readonly string[],
][] = [
  [
    'two beats and four never make seven',
    { two: 'a>a L place, R place', four: 'a>a L place, R place, L place, R place' },
    ...([7, {}, 'lengths', /never add up to 7 .*; 6 or 8 would do/] as const),
  ],
  [
    'hold b has no way back; out opens one',
    { base: 'a>a L place, R place', into: 'a>b L place, R place', out: 'b>a L place, R place' },
    ...([
      8,
      { use: ['base', 'into'], must: ['into'] },
      'hold',
      /INTO has no way back: .* leads on from B/,
    ] as const),
    ['out'],
  ],
  [
    'nothing begins in hold a; into does and back leads home',
    { base: 'b>b L place, R place', there: 'a>a L place, R place' },
    ...([4, { use: ['base'] }, 'hold', /no figure of these begins in A/, ['there']] as const),
  ],
  [
    'a figure that ends on the other foot, and none that goes on from it',
    { odd: 'a>a L place, R place, L place', other: 'a>a R place' },
    ...([6, { use: ['odd'] }, 'foot', /leads from this hold on these feet/, ['other']] as const),
  ],
  [
    'a half turn three times over faces the other way',
    { half: 'a>a L +180 place, R place' },
    ...([6, { floor: 'spot' }, 'facing', /always ends turned away .*: half left/] as const),
  ],
  [
    'on the line of dance the second would begin with the couple turned',
    { half: 'a>a L +90 place, R place', walk: 'a>a L fwd, R fwd' },
    ...([8, { floor: 'line', must: ['half'] }, 'must', /HALF cannot be danced in 8 beats/] as const),
  ],
  [
    'on the line every figure turns it away',
    { quarter: 'a>a L +90 place, R place' },
    ...([8, { floor: 'line' }, 'facing', /line of dance/] as const),
  ],
  [
    'one figure alone, at most once in a row',
    { base: 'a>a L place, R place' },
    ...([4, { maxInRow: 1 }, 'row', /more often in a row than 1; with 2 there is a way/] as const),
  ],
  [
    'one figure alone, over and over: the seam has no end',
    { base: 'a>a L place, R place' },
    ...([4, { maxInRow: 3 }, 'row', /where the end meets the beginning/] as const),
  ],
  [
    'each of two musts fits, both do not',
    {
      base: 'a>a L place, R place',
      x: 'a>a L place, R place, L place, R place',
      y: 'a>a L place, R place, L fwd small, R back small',
    },
    ...([6, { must: ['x', 'y'] }, 'must', /X and Y last 8 beats by themselves, more than 6/] as const),
  ],
  [
    'each of two musts leads to where the other is not',
    {
      x: 'a>b L place, R place',
      y: 'a>c L place, R place',
      home: 'b>a L place, R place',
      back: 'c>a L place, R place',
    },
    ...([4, { must: ['x', 'y'] }, 'must', /X and Y cannot all be danced in 4 beats/] as const),
  ],
  [
    'a choice that is never come to',
    { base: 'a>a L place, R place', x: 'a>b L place, R place', home: 'b>a L place, R place' },
    ...([
      4,
      { choices: [{ after: 'x', before: 'base', of: ['x'] }] },
      'must',
      /the choice between X and BASE/,
    ] as const),
  ],
  [
    'the leader goes back and never comes on: told before the seam',
    { away: 'a>a L back, R close|R place, L place' },
    ...([8, { maxInRow: 99 }, 'place', /the follower is .* too far/] as const),
  ],
  [
    'two that both lead away: wherever one begins the couple is apart',
    { away: 'a>a L back, R close|R place, L place', off: 'a>a L place, R back|R place, L place' },
    ...([
      8,
      {},
      'place',
      /cannot be danced on; at best after \S+ \S+ fails: the follower is .* too far/,
    ] as const),
  ],
];

test.each(CASES)('%s', (_, figures, beats, { floor, ...asked }, rule, message, opens) => {
  const library = jettyLibrary(figures, floor ? { floor } : {});
  const { sequences, why } = combineFigures(library, jettyRequest(library, beats, asked));
  expect(sequences).toEqual([]);
  expect(why?.rule).toBe(rule);
  expect(why?.message).toMatch(message);
  expect(why?.opens).toEqual(opens);
});

test('figures without beats are left out and said; a must among them is the reason', () => {
  const library = jettyLibrary({ base: 'a>a L place, R place', other: 'a>a L fwd, R back' });
  const reading = library.readings.get('other');
  if (!reading) throw new Error('no reading');
  const other = { ...reading, figure: { ...reading.figure, beats: null } };
  const untimed = { ...library, readings: new Map(library.readings).set('other', other) };
  const request = jettyRequest(library, 8, { maxInRow: 99 });
  expect(combineFigures(untimed, { ...request, must: ['other'] }).why?.rule).toBe('untimed');
  expect(combineFigures(untimed, { ...request, use: ['other'] }).why?.rule).toBe('untimed');
});
