// Every figure of the demo is sound; with one fault planted in it that fault is found at its place, and nothing else in error.
import { type CheckCode, createFigureChecker, openLibrary, type Pattern, readFigure } from '@map-step/core';
import { expect, test } from 'vitest';
import { tarnStreet } from './tarn-street.ts';

const library = openLibrary(tarnStreet);
const check = createFigureChecker(library);
const patternOf = (id: string): Pattern => {
  const pattern = library.patterns.get(id);
  if (!pattern) throw new Error(`the demo has no ${id}`);
  return pattern;
};
const found = (pattern: Pattern): readonly string[] => {
  const dance = library.dances.get(pattern.dance);
  if (!dance) throw new Error(`the demo has no ${pattern.dance}`);
  return check(readFigure(pattern, dance)).map(({ code, path }) => [code, ...path].join('/'));
};
const withPart = (pattern: Pattern, role: 'lead' | 'follow', from: string, to: string): Pattern => {
  const { parts } = pattern;
  if (!parts || !('lead' in parts)) throw new Error(`${pattern.id} is not danced in pairs`);
  const text = parts[role].replace(from, to);
  if (text === parts[role]) throw new Error(`${pattern.id} has no “${from}”`);
  return { ...pattern, parts: { ...parts, [role]: text } };
};
const withoutCaution = (pattern: Pattern, code: string): Pattern => ({
  ...pattern,
  marks: pattern.marks?.filter(mark => mark.code !== code) ?? [],
});

type Planted = readonly [
  why: string,
  figure: string,
  plant: (pattern: Pattern) => Pattern,
  place: `${CheckCode}${string}`,
];
const follow = (from: string, to: string) => (pattern: Pattern) => withPart(pattern, 'follow', from, to);
const lead = (from: string, to: string) => (pattern: Pattern) => withPart(pattern, 'lead', from, to);

const PLANTED: readonly Planted[] = [
  [
    'the follower is left at the end of the lane',
    'gather',
    follow('R fwd small, L close', 'R back small, L close'),
    'apart/parts/follow/3',
  ],
  [
    'the follower walks on towards the leader',
    'walks-to-wall',
    follow('opposite', 'L fwd, R fwd, L fwd, R fwd'),
    'wrong-side/parts/follow/0',
  ],
  [
    'the close hold never opens',
    'throw-out',
    lead('L place, R close', 'L back, R back'),
    'apart/parts/follow/3',
  ],
  [
    'the turn is made before the walk: she goes sideways',
    'left-turn',
    follow('R fwd +90', 'R +90 fwd'),
    'join-collide/exit',
  ],
  [
    'nobody changes ends in the right turn',
    'right-turn',
    follow('R fwd -90, L -90 back', 'R place -90, L -90 close'),
    'apart/parts/follow/3',
  ],
  [
    'both go straight down the lane',
    'cross-over',
    lead('L diag-fwd -90', 'L fwd -90'),
    'collide/parts/follow/2',
  ],
  [
    'the pass walks through the leader',
    'handshake-pass',
    lead('L diag-fwd -90', 'L fwd -90'),
    'collide/parts/follow/2',
  ],
  [
    'both hands are kept through a whole turn to the right',
    'both-hands-turn',
    ({ holds: _, ...p }) => ({ ...p, exit: 'two-hand' }),
    'arms-wound/exit',
  ],
  [
    'and through one to the left',
    'both-hands-turn',
    ({ holds: _, ...p }) => ({
      ...withPart(p, 'follow', 'R -180 place, L -180 close', 'R +180 place, L +180 close'),
      exit: 'two-hand',
    }),
    'arms-wound/exit',
  ],
  [
    'the hammerlock is turned the wrong way',
    'hammerlock',
    follow('R -180 back small, L -180 close', 'R +180 back small, L +180 close'),
    'arms-wound/exit',
  ],
  [
    'out of the hammerlock the wrong way',
    'hammerlock-out',
    p => ({
      ...withPart(p, 'follow', 'R +180 fwd small, L +180 close', 'R -180 fwd small, L -180 close'),
      exit: 'two-hand',
    }),
    'arms-wound/exit',
  ],
  [
    'the wrap is turned to the right',
    'wrap',
    follow('R +45 fwd, L +135 back', 'R -45 fwd, L -135 back'),
    'arms-wound/exit',
  ],
  [
    'the unwrap goes on to the left',
    'unwrap',
    follow('R cross-front -135, L -45 back', 'R cross-front +135, L +45 back'),
    'arms-wound/exit',
  ],
  [
    'the wrap stays at her end of the lane',
    'wrap',
    follow('R +45 fwd, L +135 back', 'R +90 place, L +90 close'),
    'apart/parts/follow/3',
  ],
  [
    'the wrap goes straight in and back past him',
    'wrap',
    follow('R +45 fwd, L +135 back', 'R fwd +90, L +90 back'),
    'collide/parts/follow/3',
  ],
  [
    'in the middle wrap she turns the wrong way',
    'wrap-and-unwrap',
    follow('R +45 fwd, L +135 back', 'R -45 fwd, L -135 back'),
    'arms-wound/holds/0',
  ],
  [
    'a hand is let go after the arms are wound',
    'cradle-walk',
    p => ({
      ...withPart(
        p,
        'follow',
        'image',
        'R back ball, L replace, R -180 fwd, L -180 fwd, R back ball, L replace, R back, L back',
      ),
      holds: [{ event: 5, hold: 'one-hand' }],
      exit: 'one-hand',
    }),
    'turn-against-hold/exit',
  ],
  [
    'one walks on where the other turns back',
    'cradle-walk',
    follow('image', 'R back ball, L replace, R fwd, L fwd, R back ball, L replace, R fwd, L fwd'),
    'apart/parts/follow/6',
  ],
  [
    'the side basic walks out of its place',
    'side-basic',
    lead('L side small, R replace', 'L side, R close'),
    'drifts/parts',
  ],
  [
    'the roll begins without room',
    'cuddle-roll',
    lead('L back small, R fwd small', 'L place, R close'),
    'collide/parts/follow/2',
  ],
  ['an arm turn loses its caution', 'left-turn', p => withoutCaution(p, 'arm-turn'), 'caution-missing/marks'],
  ['a wrap loses its caution', 'wrap', p => withoutCaution(p, 'wrap'), 'caution-missing/marks'],
  [
    'the double turn loses its caution',
    'double-turn',
    p => withoutCaution(p, 'spin'),
    'caution-missing/marks',
  ],
  ['the lean loses its caution', 'supported-lean', p => withoutCaution(p, 'lean'), 'caution-missing/marks'],
  [
    'a travelling figure loses its caution',
    'forward-lock',
    p => withoutCaution(p, 'space'),
    'caution-missing/marks',
  ],
  [
    'the paddle turn loses its caution',
    'paddle-turn',
    p => withoutCaution(p, 'spin'),
    'caution-missing/marks',
  ],
  [
    'the follower turns later than the leader',
    'quarter-turn',
    follow('opposite', 'L back, R side, L -45 close, R diag-fwd'),
    'turn-against-hold/exit',
  ],
  [
    'the follower chassés the other way',
    'progressive-chasse',
    follow('opposite', 'L fwd, R +90 cross-front, L side, R diag-back'),
    'apart/parts/follow/1',
  ],
  [
    'a dead end at the wall',
    'half-natural',
    p => ({
      ...withPart(withPart(p, 'lead', 'R -45 close', 'R close'), 'follow', 'L -45 close', 'L close'),
      turn: -90,
    }),
    'no-way-back',
  ],
  ['it begins where nothing leads', 'change-of-direction', p => ({ ...p, align: [90] }), 'never-reached'],
  [
    'come around walks off its spot',
    'come-around',
    p => ({
      ...p,
      parts: {
        lead: 'L back, R -90 place, L -90 place, R fwd, L side -90, R -90 close',
        follow: 'R fwd, L side -90, R -90 close, L back small, R -90 place, L -90 place',
      },
    }),
    'drifts/parts',
  ],
  ['walk in walks out', 'walk-in', follow('L fwd, R place', 'L back, R place'), 'apart/parts/follow/5'],
];

test.each(PLANTED)('%s: %s', (_, figure, plant, place) => {
  expect(found(plant(patternOf(figure)))).toContain(place);
});

test('of the sound twins none is reported', () => {
  const twins = [...new Set(PLANTED.map(([, figure]) => figure))];
  // A hammerlock is a hand behind the hip.
  const structural = /^(beats-off-bar|arm-behind)/;
  for (const twin of twins)
    expect([twin, found(patternOf(twin)).filter(code => !structural.test(code))]).toEqual([twin, []]);
});
