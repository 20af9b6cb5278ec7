// Joins worked out by hand: each fault with its sound twin. She stands 0.85 m ahead in a hand hold, 0.3 m in a body hold,
// 1.2 m with nothing touching; a step is 0.45 m (side 0.4), half when small, and gives a tenth; what is carried is cut to 0.05 m.
import { expect, test } from 'vitest';
import type { Dance, Hold } from '../model/document.ts';
import { findJoinsOf } from './dance-on.ts';
import { openLibrary } from './library.ts';

const FRAME: Pick<Hold, 'touch' | 'place'> = {
  touch: [
    { lead: 'right-hand', follow: 'upper-arm' },
    { lead: 'left-hand', follow: 'upper-arm' },
  ],
  place: { ahead: [0.1, 0.6], side: [-0.25, 0.25] },
};
const CONTACTS = {
  hand: { contact: 'hand' },
  body: { contact: 'body' },
  none: { contact: 'none' },
  frame: { contact: 'hand', ...FRAME },
  beside: { contact: 'hand', rel: 0, place: { ahead: [-0.1, 0.3], side: [-0.6, -0.2] } },
} satisfies Record<string, Partial<Hold>>;

const danceIn = (contact: keyof typeof CONTACTS): Dance => ({
  ...{ id: 'quay', name: 'Quay', roles: 'pair', beatsPerBar: 4, countCycle: 8, slow: 2, quick: 1 },
  ...{ split: 'straight', phrase: 8, tempo: [], floor: 'free' },
  holds: ['first', 'second', 'third'].map(
    (id): Hold => ({ id, name: id, rel: 180, ...(CONTACTS[contact] as Pick<Hold, 'contact'>) }),
  ),
});

/** `leader | follower`, in four beats; what is left out is danced in place. */
type Steps = string;
const FEET = { lead: 'LRLR', follow: 'RLRL' };

function partsOf(steps: Steps) {
  const [lead = '', follow = ''] = steps.split('|');
  return { lead: inFull(lead, FEET.lead), follow: inFull(follow, FEET.follow) };
}

function inFull(text: string, feet: string): string {
  const steps = text.trim() === '' ? [] : text.split(',').map(step => step.trim());
  return [...feet].map((foot, index) => `${foot} ${steps[index] || 'place'}`).join(', ');
}

type Case = readonly [
  name: string,
  contact: keyof typeof CONTACTS,
  first: Steps,
  /** Null: the first over and over. */
  second: Steps | null,
  expected: readonly [code: string, step: number] | null,
];

const CASES: readonly Case[] = [
  // 0.675 less 0.0675 is carried as 0.60; 0.85 + 0.6 + 0.45 is 1.9, more than 1.3 and 0.3.
  ['back, and back again', 'hand', '| back, back small', '| back', ['join-apart', 0]],
  ['back, and home again', 'hand', '| back, back small', '| fwd', null],
  ['the leader goes back twice', 'hand', 'back |', 'back |', ['join-apart', 0]],
  ['the leader goes back and comes on', 'hand', 'back |', 'fwd |', null],
  // 0.4 less 0.04 is carried as 0.35; 0.35 + 0.4 is more than 0.3 and 0.3.
  ['aside, and aside again', 'hand', '| side', '| side', ['join-apart', 0]],
  ['aside, and back with the other foot', 'hand', '| side', '| place, side', null],
  // 0.85 - 0.4 - 0.45 is nothing.
  ['nearer, and into each other', 'hand', '| fwd', '| fwd', ['join-collide', 0]],
  ['nearer, and off again', 'hand', '| fwd', '| back', null],
  ['the leader comes nearer, the follower walks in', 'hand', 'fwd |', '| fwd', ['join-collide', 0]],
  ['the leader comes nearer, the follower goes', 'hand', 'fwd |', '| back small', null],
  [
    'a pass with too little room ends on the leader',
    'hand',
    'fwd small | fwd small',
    '| fwd outside',
    ['join-collide', 0],
  ],
  ['a pass with room', 'hand', 'fwd small | fwd small', '| fwd small outside, place, back small', null],
  // A rock gives nothing, and one step out of reach that comes back passes: it is the walk after it that fails.
  ['away, a rock, and away', 'hand', '| back, back small', '| back ball, replace, back', ['join-apart', 2]],
  ['away, and a rock of the leader’s', 'hand', '| back small', 'back ball, replace |', null],
  // 0.3 + 0.2 + 0.225 is more than 0.5 and 0.15.
  ['in each other’s arms, back and back', 'body', '| back small', '| back small', ['join-apart', 0]],
  ['in each other’s arms, back and on', 'body', '| back small', '| fwd small', null],
  // 0.3 - 0.2 - 0.225 is 0.125 behind the leader’s middle.
  ['in each other’s arms, through the partner', 'body', '| fwd small', '| fwd small', ['join-wrong-side', 0]],
  ['in each other’s arms, on and off', 'body', '| fwd small', '| back small', null],
  ['in a frame, aside and aside', 'frame', '| side', '| side', ['join-apart', 0]],
  ['in a frame, aside and back', 'frame', '| side', '| place, side', null],
  [
    'with nothing touching, far and farther',
    'none',
    '| back, back, back',
    '| back, back, back',
    ['join-apart', 2],
  ],
  ['with nothing touching, far and home', 'none', '| back, back', '| fwd, fwd', null],
  // A frame turns about one point: what was off turns with it.
  [
    'in a frame, back, and turning back again',
    'frame',
    '| back',
    '+90 back small | +90 back',
    ['join-apart', 0],
  ],
  ['in a frame, back, and turning home', 'frame', '| back small', '+90 place | +90 fwd small', null],
  // Side by side both look the same way: a step on of one alone tears the wrap.
  ['side by side, one walks on twice', 'beside', '| fwd', '| fwd small', ['join-apart', 0]],
  ['side by side, one walks on, the other after', 'beside', '| fwd', 'fwd |', null],
  // 0.2025 m a time; the fourth time 0.6 m is carried in.
  ['a small step back each time', 'hand', '| back small', null, ['creeps', 0]],
  ['a small step back and on each time', 'hand', '| back small, place, fwd small', null, null],
  ['the leader drifts off in each other’s arms', 'body', 'back small |', null, ['creeps', 0]],
  ['both drift the same way', 'body', 'back small | fwd small', null, null],
];

test.each(CASES)('%s', (_, contact, first, second, expected) => {
  const dance = danceIn(contact);
  const figure = (id: string, steps: Steps, entry: string, exit: string) => ({
    ...{ id, name: id, dance: 'quay', kind: 'pattern' as const, rhythm: '1 2 3 4' },
    ...{ parts: partsOf(steps), entry: [entry], exit },
  });
  const patterns =
    second === null
      ? [figure('a', first, 'first', 'same')]
      : [figure('a', first, 'first', 'second'), figure('b', second, 'second', 'third')];
  const found = findJoinsOf(openLibrary({ dances: [dance], patterns }), 'a', second === null ? 'a' : 'b');
  expect(found.map(({ code, step }) => [code, step])).toEqual(expected ? [expected] : []);
});
