import type { Dance, Element, Level, Pattern, PatternMark, Touch } from '@map-step/core';

const LEFT_TO_RIGHT: Touch = { lead: 'left-hand', follow: 'right-hand' };
const RIGHT_TO_LEFT: Touch = { lead: 'right-hand', follow: 'left-hand' };
const RIGHT_TO_RIGHT: Touch = { lead: 'right-hand', follow: 'right-hand' };
const PARALLEL = [LEFT_TO_RIGHT, RIGHT_TO_LEFT];
const EQUAL: readonly Touch[] = [{ lead: 'left-hand', follow: 'left-hand' }, RIGHT_TO_RIGHT];

/** Face to face with bent elbows: a pass has room, and a hand still reaches. */
const NEAR = { place: { ahead: [0.35, 0.85], side: [-0.3, 0.3] } } as const;

export const hustle: Dance = {
  id: 'hustle',
  name: 'Hustle',
  roles: 'pair',
  beatsPerBar: 4,
  countCycle: 6,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 8,
  tempo: [{ min: 100, max: 124 }],
  floor: 'slot',
  holds: [
    { ...{ id: 'two-hand', name: 'Two hands', contact: 'hand', rel: 180 }, ...NEAR, touch: PARALLEL },
    { ...{ id: 'one-hand', name: 'One hand', contact: 'hand', rel: 180 }, ...NEAR, touch: [LEFT_TO_RIGHT] },
    {
      ...{ id: 'handshake', name: 'Handshake', contact: 'hand', rel: 180 },
      ...NEAR,
      touch: [RIGHT_TO_RIGHT],
    },
    { id: 'close', name: 'Close', contact: 'body', rel: 180 },
    {
      ...{ id: 'wrap', name: 'Wrap', contact: 'hand', rel: 360, touch: PARALLEL },
      place: { ahead: [-0.1, 0.3], side: [-0.6, -0.2] },
    },
    { id: 'apart', name: 'Apart', contact: 'none', rel: 180 },
    {
      ...{ id: 'hammerlock', name: 'Hammerlock', contact: 'hand', rel: -180 },
      touch: [
        { ...LEFT_TO_RIGHT, height: 'high' },
        { ...RIGHT_TO_LEFT, height: 'low' },
      ],
      place: { ahead: [0.15, 0.55], side: [-0.35, 0.1] },
    },
    {
      ...{ id: 'shadow', name: 'Shadow', contact: 'hand', rel: 0, touch: EQUAL },
      place: { ahead: [0.3, 0.8], side: [-0.35, 0.15] },
    },
    {
      ...{ id: 'cuddle', name: 'Cuddle on the left', contact: 'hand', rel: 0, touch: PARALLEL },
      place: { ahead: [-0.1, 0.3], side: [0.2, 0.6] },
    },
    { ...{ id: 'crossed', name: 'Crossed hands', contact: 'hand', rel: 180 }, ...NEAR, touch: EQUAL },
    {
      ...{ id: 'basket', name: 'Basket', contact: 'hand', rel: 0, touch: EQUAL },
      place: { ahead: [-0.1, 0.3], side: [0.2, 0.6] },
    },
  ],
  qualities: [
    {
      ...{ id: 'foot-pressure', name: 'How the foot meets the floor', layer: 'feet' },
      words: ['ball', 'ball flat', 'flat'],
    },
    { id: 'knee-depth', name: 'How deep the knees go', layer: 'knees', words: ['soft', 'deeper', 'rise'] },
    { id: 'hand-tone', name: 'Tone in the hands', layer: 'arms', words: ['quiet', 'reach', 'give'] },
    { id: 'gaze', name: 'Where the head looks', layer: 'head', words: ['partner', 'the way I go'] },
  ],
  actions: [{ id: 'lean', weight: 'stays' }],
};

export const hustleLevels: Level[] = [
  { id: 'hustle-1', dance: 'hustle', name: 'Hustle 1', order: 1 },
  { id: 'hustle-2', dance: 'hustle', name: 'Hustle 2', order: 2 },
  { id: 'hustle-3', dance: 'hustle', name: 'Hustle 3', order: 3 },
];

export const hustleElements: Element[] = [
  { id: 'slot-lanes', dance: 'hustle', name: 'Keeping to the slot', strand: 'floor', minutes: 3 },
  { id: 'raised-hand', dance: 'hustle', name: 'Leading with a raised hand', strand: 'lead', minutes: 3 },
  ...learnedWithTheTurn([
    ['turn-follow-l45', 'An eighth left, follower', 1],
    ['turn-follow-l135', 'Three eighths left, follower', 2],
    ['turn-follow-r45', 'An eighth right, follower', 1],
    ['turn-follow-r135', 'Three eighths right, follower', 2],
    ['turn-follow-r180', 'Two quarters right in one, follower', 0],
    ['action-lead-diag-fwd', 'A step out of the lane, leader', 0],
    ['action-follow-diag-back', 'A step back into the lane, follower', 0],
    ['action-follow-cross-front', 'A step across the lane, follower', 0],
  ]),
];

/** What takes less than usual here, because the turns of the first evenings bring it along. */
function learnedWithTheTurn(
  of: readonly (readonly [id: string, name: string, minutes: number])[],
): Element[] {
  return of.map(([id, name, minutes]) => ({ id, dance: 'hustle', name, strand: 'turn', minutes }));
}

export const LEAD_ROCK = 'L back ball, R replace';
export const FOLLOW_ROCK = 'R back ball, L replace';

/** The follower who walks on instead of coming back from the rock. */
export const FOLLOW_WALKS_ON = 'R back ball, L fwd';

/** The same steps where three is said on the rock. */
const OTHER_SCHOOL = [{ school: 'Harbour hall', rhythm: '&3 1 2', beats: 3 }];

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind' | 'entry' | 'exit'> &
  Partial<Pattern> & { readonly lead: string; readonly follow: string };

/** Three beats: two steps after the usual rock, or a rock of its own with them. */
export function figure({ lead, follow, ...rest }: FigureText): Pattern {
  const isNatural = follow === 'image' || follow === 'opposite';
  return {
    dance: 'hustle',
    level: 'hustle-1',
    rhythm: '&1 2 3',
    beats: 3,
    cycle: 3,
    otherCounts: OTHER_SCHOOL,
    parts: { lead: rocked(lead, LEAD_ROCK), follow: isNatural ? follow : rocked(follow, FOLLOW_ROCK) },
    ...rest,
  };
}

const AFTER_ROCK = 2;

function rocked(steps: string, rock: string): string {
  return steps.split(',').length === AFTER_ROCK ? `${rock}, ${steps}` : steps;
}

/** Several times three beats, counted on to the end. */
export function longFigure({
  lead,
  follow,
  ...rest
}: FigureText & Required<Pick<Pattern, 'rhythm' | 'beats'>>): Pattern {
  return { dance: 'hustle', level: 'hustle-1', parts: { lead, follow }, ...rest };
}

export function caution(code: string): PatternMark {
  return { kind: 'caution', text: '', code };
}
