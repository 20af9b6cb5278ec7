import { describe, expect, test } from 'vitest';
import type { Dance, Hold, Pattern, StudioDocument } from '../model/document.ts';
import { CHECK_CODES } from '../model/issue.ts';
import { figure as bareFigure, dance, studio } from '../test/studio.ts';
import { checkDocument } from './check-document.ts';

const cautions = (...codes: string[]) =>
  codes.map(code => ({ kind: 'caution' as const, code, text: 'Take care.' }));
/** With the cautions of a walk along the line in a hold that may be near. */
const figure = (id: string, more: Partial<Pattern> = {}) =>
  bareFigure(id, { marks: cautions('space', 'close-hold'), ...more });
const found = (document: StudioDocument) =>
  checkDocument(document).problems.map(({ code, at }) => [code, at]);
const basic = figure('walk', { kind: 'basic' });
const inDance = (more: Partial<Dance>, patterns: Pattern[]) =>
  studio(patterns, { dances: [{ ...dance, ...more }] });

test('a sound library has no problems', () => {
  expect(checkDocument(studio([basic, figure('other', { needs: ['walk'] })]))).toEqual({
    patterns: 2,
    problems: [],
  });
});

const TWO_HANDS: Hold = {
  ...{ id: 'two', name: 'Two hands', contact: 'hand', rel: 180 },
  touch: [
    { lead: 'left-hand', follow: 'right-hand' },
    { lead: 'right-hand', follow: 'left-hand' },
  ],
};
const LOW: Hold = {
  ...{ id: 'low', name: 'Low', contact: 'hand', rel: 180 },
  touch: [{ lead: 'left-hand', follow: 'right-hand', height: 'low' }],
};
/** Two figures, the second of which may follow the first alone. */
const joined = (first: string, second: string, contact: Hold['contact'] = 'hand') =>
  inDance(
    {
      floor: 'free',
      holds: [
        { id: 'open', name: 'Open', contact, rel: 180 },
        { id: 'two', name: 'Two', contact, rel: 180 },
        { id: 'end', name: 'End', contact, rel: 180 },
      ],
    },
    [
      figure('a', {
        parts: { lead: 'L place, R place, L place, R close', follow: first },
        ...{ entry: ['open'], exit: 'two' },
      }),
      figure('b', {
        parts: { lead: 'L place, R place, L place, R close', follow: second },
        ...{ entry: ['two'], exit: 'end' },
      }),
    ],
  );
/** The leader stands, the follower turns; then both are as before. */
const standing = (follow: string) => ({
  rhythm: '1 2',
  beats: 4,
  parts: { lead: 'L place, R close', follow },
  marks: cautions('arm-turn', 'wrap', 'spin'),
});
/** Both turn a quarter to the left. */
const QUARTER = {
  rhythm: '1 2',
  parts: { lead: 'L fwd +90, R close', follow: 'R back +90, L close' },
  entry: ['near'],
};
const INTO_NEAR = {
  parts: { lead: 'L fwd, R fwd, L fwd, R close', follow: 'R back small, L back, R back small, L close' },
};

const OUT_OF_NEAR = {
  parts: { lead: 'L back, R back, L back, R close', follow: 'R fwd small, L fwd, R fwd small, L close' },
};

const CASES: readonly [string, StudioDocument, [string, string][]][] = [
  [
    'a rhythm that cannot be read',
    studio([figure('a', { rhythm: '1 9' })]),
    [['rhythm', '/patterns/0/rhythm']],
  ],
  [
    'more steps than the rhythm has',
    studio([figure('a', { rhythm: '1 2 3' })]),
    [['step-count', '/patterns/0/parts/lead']],
  ],
  [
    'an action nobody knows',
    studio([figure('a', { rhythm: '1', parts: { lead: 'L glide', follow: 'R back' } })]),
    [['unknown-action', '/patterns/0/parts/lead/0']],
  ],
  [
    'a step that is not one',
    studio([figure('a', { rhythm: '1', parts: { lead: 'fwd', follow: 'R back' } })]),
    [['bad-step', '/patterns/0/parts/lead/0']],
  ],
  ['an id that stands twice', studio([basic, basic]), [['duplicate-id', '/patterns/1/id']]],
  [
    'a solo part in a pair dance',
    studio([figure('a', { parts: { solo: 'L fwd' } })]),
    [['wrong-roles', '/patterns/0/parts']],
  ],
  [
    'a step on the foot that carries the weight, told once at the written part',
    studio([figure('a', { rhythm: '1 2', parts: { lead: 'L fwd, L fwd', follow: 'opposite' } })]),
    [['foot-carries-weight', '/patterns/0/parts/lead/1']],
  ],
  [
    'a hop on the free foot',
    studio([figure('a', { rhythm: '1 2', parts: { lead: 'L fwd, R hop', follow: 'opposite' } })]),
    [['foot-is-free', '/patterns/0/parts/lead/1']],
  ],
  [
    'turns that do not suit the exit hold',
    studio([figure('a', { rhythm: '1', parts: { lead: 'L fwd', follow: 'R +180 fwd' } })]),
    [['turn-against-hold', '/patterns/0/exit']],
  ],
  [
    'a need that is not there',
    studio([figure('a', { needs: ['b'] })]),
    [['unknown-id', '/patterns/0/needs/0']],
  ],
  [
    'a hold that is not of the dance',
    studio([figure('a', { entry: ['grip'] })]),
    [['unknown-hold', '/patterns/0/entry/0']],
  ],
  [
    'figures that need each other',
    studio([figure('a', { needs: ['b'] }), figure('b', { needs: ['a'] })]),
    [['needs-cycle', '/patterns/0/needs']],
  ],
  [
    'numbers that nobody means',
    studio([
      figure('a', {
        tempo: [
          { min: 120, max: 100 },
          { min: 100, max: 999 },
        ],
        rank: -3,
        minutes: 0,
      }),
      figure('b', { beats: 999_999 }),
    ]),
    [
      ['out-of-range', '/patterns/0/tempo/0'],
      ['out-of-range', '/patterns/0/tempo/1'],
      ['out-of-range', '/patterns/0/rank'],
      ['out-of-range', '/patterns/0/minutes'],
      ['out-of-range', '/patterns/1/beats'],
    ],
  ],
  [
    'figures that are made of each other',
    studio([
      figure('a', { made: [{ pattern: 'c' }, { pattern: 'b' }] }),
      figure('b', { made: [{ pattern: 'c', last: 'a' }] }),
      figure('c'),
    ]),
    [['made-cycle', '/patterns/0/made']],
  ],
  [
    'a circle that a need and a piece close together',
    studio([figure('a', { made: [{ pattern: 'b' }] }), figure('b', { needs: ['a'] })]),
    [['needs-cycle', '/patterns/0/made']],
  ],
  [
    'variants of each other',
    studio([
      figure('a', { variantOf: 'b' }),
      figure('b', { variantOf: 'c' }),
      figure('c', { variantOf: 'a' }),
    ]),
    [['variant-cycle', '/patterns/0/variantOf']],
  ],
  [
    'a need of a higher level',
    studio([figure('a', { level: 'one', needs: ['b'] }), figure('b', { level: 'two' })]),
    [['needs-level', '/patterns/0/needs/0']],
  ],
  [
    'a figure off the bar where basics are whole bars',
    studio([
      basic,
      figure('a', { rhythm: '1 2 3', parts: { lead: 'L fwd, R fwd, L tap', follow: 'opposite' } }),
    ]),
    [['beats-off-bar', '/patterns/1/rhythm']],
  ],
  [
    'a quarter turn on the line',
    studio([figure('a', { turn: 90, ...QUARTER })]),
    [['turn-against-line', '/patterns/0/turn']],
  ],
  [
    'a turn that the steps do not make',
    inDance({ floor: 'free' }, [figure('a', { turn: 90 })]),
    [['turn-differs', '/patterns/0/turn']],
  ],
  [
    'a turn of nothing where both turn half, to different sides: face to face again, the other way round',
    inDance({ floor: 'free', holds: [{ id: 'open', name: 'Apart', contact: 'none', rel: 180 }] }, [
      figure('a', {
        rhythm: '1 2',
        parts: { lead: 'L +180 place, R place', follow: 'R -180 place, L place' },
        turn: 0,
      }),
    ]),
    [['turn-differs', '/patterns/0/turn']],
  ],
  [
    'another school’s count with other lengths, and one with fewer events',
    studio([
      figure('a', {
        otherCounts: [
          { school: 'Pier', rhythm: '1 & 2 3', beats: 4 },
          { school: 'Mill', rhythm: '1 2', beats: 4 },
        ],
      }),
    ]),
    [
      ['counts-differ', '/patterns/0/otherCounts/0'],
      ['counts-differ', '/patterns/0/otherCounts/1'],
    ],
  ],
  [
    'a heel that drops after a step on the heel',
    studio([figure('a', { parts: { lead: 'L fwd heel, L heel-drop, R fwd, L close', follow: 'opposite' } })]),
    [['toe-not-heel', '/patterns/0/parts/lead/1']],
  ],
  [
    'a mark beyond the last count, and a track with too few values',
    studio(
      [
        figure('a', {
          marks: [...cautions('space', 'close-hold'), { event: 4, kind: 'cue', text: 'Out.' }],
          tracks: [{ quality: 'rise', values: ['up', 'down'] }],
        }),
      ],
      { dances: [{ ...dance, qualities: [{ id: 'rise', name: 'Rise', layer: 'knees' }] }] },
    ),
    [
      ['mark-beyond', '/patterns/0/marks/2/event'],
      ['mark-beyond', '/patterns/0/tracks/0/values'],
    ],
  ],
  [
    'the same caution twice',
    studio([figure('a', { marks: cautions('space', 'close-hold', 'space') })]),
    [['caution-twice', '/patterns/0/marks/2']],
  ],
  [
    'steps quicker than the level can: ¼ beat at 100 is 150 ms',
    studio([figure('a', { level: 'one', rhythm: '1 e & a' })]),
    [['too-fast', '/patterns/0/rhythm']],
  ],
  [
    'an end from which nothing leads back',
    studio([basic, figure('a', { entry: ['open'], exit: 'near', ...INTO_NEAR })]),
    [['no-way-back', '/patterns/1']],
  ],
  [
    'a start that nothing leads to',
    studio([basic, figure('a', { entry: ['near'] })]),
    [['never-reached', '/patterns/1']],
  ],
  [
    'both hands kept through a whole turn of the follower',
    inDance({ floor: 'free', holds: [TWO_HANDS] }, [
      figure('a', { ...standing('R -180 place, L -180 close'), entry: ['two'] }),
    ]),
    [['arms-wound', '/patterns/0/exit']],
  ],
  [
    'a follower who is left behind: 0.45 m twice',
    studio([figure('a', { rhythm: '1 2', parts: { lead: 'L back, R back', follow: 'R place, L place' } })]),
    [['apart', '/patterns/0/parts/follow/1']],
  ],
  [
    'a follower who walks past the leader, and ends a step of it within 0.2 m',
    inDance({ floor: 'free' }, [
      figure('a', {
        rhythm: '1 2 3 4',
        parts: {
          lead: 'L place, R place, L place, R close',
          follow: 'R fwd outside, L fwd outside, R fwd outside, L fwd',
        },
      }),
    ]),
    [
      ['collide', '/patterns/0/parts/follow/1'],
      ['wrong-side', '/patterns/0/parts/follow/3'],
    ],
  ],
  [
    'two who walk into each other',
    inDance({ floor: 'free', holds: [{ id: 'open', name: 'Apart', contact: 'none', rel: 180 }] }, [
      figure('a', {
        parts: { lead: 'L fwd, R fwd, L close, R close', follow: 'R fwd, L fwd, R close, L close' },
      }),
    ]),
    [
      ['collide', '/patterns/0/parts/follow/1'],
      ['creeps', '/patterns/0/parts'],
    ],
  ],
  [
    'hands that no longer reach in the figure after it',
    joined('R back, L place, R place, L close', 'R back, L place, R place, L close'),
    [['join-apart', '/patterns/0/exit']],
  ],
  [
    'one who comes too near and walks into the leader in the figure after it',
    joined('R fwd, L place, R place, L close', 'R fwd, L place, R back, L close'),
    [['join-collide', '/patterns/0/exit']],
  ],
  [
    'one who passes the leader in the figure after it',
    joined('R fwd small, L place, R place, L close', 'R fwd small, L place, R back small, L close', 'body'),
    [['join-wrong-side', '/patterns/0/exit']],
  ],
  [
    'a basic that leaves its spot: 0.45 m a bar, two bars to the phrase',
    inDance({ floor: 'spot' }, [
      figure('a', { kind: 'basic', parts: { lead: 'L fwd, R close, L place, R place', follow: 'opposite' } }),
    ]),
    [['drifts', '/patterns/0/parts']],
  ],
  [
    'a low hand that its owner turns away from',
    inDance({ floor: 'free', holds: [LOW] }, [
      figure('a', {
        ...standing('R +180 place, L +180 close'),
        ...{ entry: ['low'], marks: cautions('arm-turn') },
      }),
    ]),
    [['arm-behind', '/patterns/0/parts/follow']],
  ],
  [
    'an arm turn without its caution',
    inDance({ floor: 'free' }, [figure('a', { ...standing('R +180 place, L +180 close'), marks: [] })]),
    [['caution-missing', '/patterns/0/marks']],
  ],
];

test.each(CASES)('%s', (_, document, problems) => {
  expect(found(document)).toEqual(problems);
});

test('every code of the table is proved by a case', () => {
  const proved = new Set(CASES.flatMap(([, , problems]) => problems.map(([code]) => code)));
  expect([...proved].sort()).toEqual(Object.keys(CHECK_CODES).sort());
});

describe('what is not a problem', () => {
  test('off the bar where the basics are not whole bars either', () => {
    const three = { rhythm: '1 2 3', parts: { lead: 'L fwd, R fwd, L tap', follow: 'opposite' } };
    expect(found(studio([figure('a', { kind: 'basic', ...three }), figure('b', three)]))).toEqual([]);
  });

  test('a half turn in a slot, or any turn on a spot', () => {
    const turning = (by: string) => ({
      parts: { lead: `L ${by} place, R close`, follow: `R ${by} place, L close` },
      rhythm: '1 2',
    });
    const close = [{ id: 'open', name: 'Close', contact: 'body' as const, rel: 180 }];
    const ofFloor = (floor: Dance['floor'], by: string, turn: number) =>
      found(inDance({ floor, holds: close }, [figure('a', { ...turning(by), turn })]));
    expect(ofFloor('slot', '+180', 180)).toEqual([]);
    expect(ofFloor('spot', '+90', 90)).toEqual([]);
  });

  test('a turn on the line that says how it is set to it, or that another figure turns back', () => {
    const back = { ...QUARTER, parts: { lead: 'L fwd -90, R close', follow: 'R back -90, L close' } };
    expect(found(studio([figure('a', { turn: 90, align: [0], ...QUARTER })]))).toEqual([]);
    const home = [
      figure('walk', { kind: 'basic', entry: ['near'] }),
      figure('a', { ...QUARTER, turn: 90 }),
      figure('b', { ...back, turn: -90, align: [90] }),
    ];
    expect(found(studio(home))).toEqual([]);
  });

  test.each<[string, Partial<Pattern>]>([
    ['a turn of whole rounds more', { turn: 360 }],
    ['another school’s names for the same times', { otherCounts: [{ school: 'Pier', rhythm: '5 6 7 8' }] }],
    [
      'a heel that drops after the ball, or after the toe has dropped',
      {
        parts: {
          lead: 'L fwd ball, L heel-drop, R fwd heel, R wait',
          follow: 'R back, R wait, L back, L wait',
        },
      },
    ],
    [
      'a mark on the last count',
      { marks: [...cautions('space', 'close-hold'), { event: 3, kind: 'cue', text: 'Out.' }] },
    ],
    [
      'one caution at two places in other words',
      {
        marks: [
          ...cautions('space', 'close-hold'),
          { kind: 'caution', code: 'heels', event: 1, text: 'Mind the first step.' },
          { kind: 'caution', code: 'heels', event: 3, text: 'And the last.' },
        ],
      },
    ],
    [
      'half a bar where basics are whole bars',
      { rhythm: '1 2', parts: { lead: 'L fwd, R fwd', follow: 'opposite' } },
    ],
  ])('%s', (_, more) => {
    expect(found(studio([basic, figure('a', more)]))).toEqual([]);
  });

  test('an exit that another figure leads back from', () => {
    expect(
      found(
        studio([
          basic,
          figure('a', { exit: 'near', ...INTO_NEAR }),
          figure('b', { entry: ['near'], exit: 'open', ...OUT_OF_NEAR }),
        ]),
      ),
    ).toEqual([]);
  });

  test('turns where a hold says no facing', () => {
    const holds = dance.holds.map(({ rel: _, ...hold }) => hold);
    expect(
      found(
        inDance({ holds }, [
          figure('a', {
            rhythm: '1',
            parts: { lead: 'L fwd', follow: 'R +180 fwd' },
            marks: cautions('arm-turn'),
          }),
        ]),
      ),
    ).toEqual([]);
  });

  test('roles with rhythms of their own and the same beats', () => {
    const parts = { lead: 'L fwd, R close', follow: 'R back, L back, R close' };
    expect(found(studio([figure('a', { rhythm: { lead: 'S S', follow: 'Q Q S' }, parts })]))).toEqual([]);
    expect(found(studio([figure('a', { rhythm: { lead: 'S S', follow: 'Q Q Q' }, parts })]))).toEqual([
      ['rhythm', '/patterns/0/rhythm/follow'],
    ]);
  });
});
