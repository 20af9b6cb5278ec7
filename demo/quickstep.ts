import type { Course, Dance, Level, Pattern, PatternMark } from '@map-step/core';
import { shownAhead } from './ahead.ts';
import { placed } from './placed.ts';

export const quickstep: Dance = {
  id: 'quickstep',
  name: 'Quickstep',
  roles: 'pair',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 16,
  tempo: [
    { min: 152, max: 176 },
    { min: 192, max: 208 },
  ],
  floor: 'line',
  holds: [
    {
      ...{ id: 'practice', name: 'Practice hold', contact: 'hand', rel: 180 },
      touch: [
        { lead: 'right-hand', follow: 'upper-arm' },
        { lead: 'left-hand', follow: 'upper-arm' },
      ],
      place: { ahead: [0.1, 0.6], side: [-0.25, 0.25] },
    },
    { id: 'closed', name: 'Closed hold', contact: 'body', rel: 180, like: 'close' },
  ],
  qualities: [
    { id: 'footfall', name: 'Heel or ball', layer: 'feet', words: ['heel', 'ball', 'ball heel'] },
    { id: 'rise', name: 'Rise and fall', layer: 'knees', words: ['down', 'up', 'lower'] },
    { id: 'sway', name: 'Sway', layer: 'body', words: ['left', 'right', 'none'] },
  ],
  pieces: [
    { id: 'chasse', name: 'Chassé', rhythm: 'QQS', steps: 'L side, R close, L side' },
    { id: 'lock', name: 'Lock', rhythm: 'QQS', steps: 'L fwd, R lock-behind, L fwd' },
  ],
};

export const quickstepLevels: Level[] = [
  { id: 'quickstep-1', dance: 'quickstep', name: 'Quickstep 1', order: 1 },
  { id: 'quickstep-2', dance: 'quickstep', name: 'Quickstep 2', order: 2 },
];

/** Degrees to the line of dance: the wall is on the right, the centre on the left. */
const TO_WALL = -45;
const ALONG_LINE = 0;
const TO_CENTRE = 45;
const BACK_TO_LINE = 180;
const BACK_TO_CENTRE = -135;

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind' | 'rhythm'> &
  Partial<Pattern> & { readonly lead: string; readonly follow?: string };

function figure({ lead, follow = 'opposite', marks = [], ...rest }: FigureText): Pattern {
  return {
    dance: 'quickstep',
    level: 'quickstep-1',
    parts: { lead, follow },
    entry: ['practice', 'closed'],
    exit: 'same',
    marks: [...marks, ...['close-hold', 'space'].map(caution)],
    ...rest,
  };
}

function caution(code: string): PatternMark {
  return { kind: 'caution', text: '', code };
}

export const quickstepPatterns: Pattern[] = [
  figure({
    id: 'walks-to-wall',
    name: 'Walks to the wall',
    kind: 'basic',
    rhythm: 'SSSS',
    lead: 'R fwd, L fwd, R fwd, L fwd',
    align: [TO_WALL, ALONG_LINE],
    turn: 0,
    marks: [
      { kind: 'cue', text: 'Walk past each other’s knees, not into them' },
      {
        kind: 'fault',
        text: 'The steps are reached for and the heel bangs',
        cure: 'Move the body first; the leg swings under it',
      },
    ],
    tracks: [{ quality: 'footfall', role: 'lead', values: ['heel', 'heel', 'heel', 'heel'] }],
  }),
  figure({
    id: 'quarter-turn',
    name: 'Quarter turn',
    kind: 'basic',
    rhythm: 'SQQS',
    lead: 'R fwd, L -45 side, R -45 close, L diag-back',
    align: [TO_WALL],
    turn: -90,
    overTwoLessons: true,
    needs: ['walks-to-wall'],
    lookalikes: ['natural-turn'],
    marks: [
      { event: 1, kind: 'cue', text: 'An eighth, another eighth, and out' },
      {
        event: 0,
        kind: 'fault',
        text: 'The turn comes up an eighth short.',
        cure: 'Start the turn in the body; the feet follow.',
        rescue: 'Turn an eighth less in the chassé.',
      },
      { event: 1, kind: 'signal', text: 'The chassé stays low and goes sideways: no heel pulls in' },
    ],
    tracks: [
      { quality: 'rise', values: ['down', 'up', 'up', 'lower'] },
      { quality: 'footfall', role: 'lead', values: ['heel', 'ball', 'ball', 'ball heel'] },
    ],
  }),
  figure({
    id: 'progressive-chasse',
    name: 'Progressive chassé',
    kind: 'basic',
    rhythm: 'SQQS',
    lead: 'R back, L +90 side, R close, L diag-fwd',
    align: [BACK_TO_CENTRE],
    turn: 90,
    needs: ['quarter-turn'],
    marks: [
      { event: 0, role: 'follow', kind: 'cue', text: 'Straight at your partner, then beside' },
      {
        kind: 'fault',
        text: 'The last step goes straight and the next one has no way past.',
        cure: 'Let the last step go forward beside the partner.',
      },
    ],
    tracks: [{ quality: 'rise', values: ['down', 'up', 'up', 'lower'] }],
  }),
  figure({
    id: 'chasse-from-line',
    name: 'Chassé from the line',
    kind: 'basic',
    rhythm: 'SQQS',
    lead: 'R back, L +90 side, R +45 close, L diag-fwd',
    follow: 'L fwd, R +90 side, L +45 close, R diag-back',
    align: [BACK_TO_LINE],
    turn: 135,
    needs: ['progressive-chasse'],
    lookalikes: ['progressive-chasse'],
    variantOf: 'progressive-chasse',
    variantWhy: 'harder',
    marks: [
      { kind: 'cue', text: 'Square behind you first; then more turn than you think' },
      {
        kind: 'fault',
        text: 'The third step goes into the centre.',
        cure: 'Finish the turn before the last step leaves.',
      },
      { event: 0, kind: 'signal', text: 'The back is square to the line: there is more to turn' },
    ],
  }),
  figure({
    id: 'walk-from-line',
    name: 'Walk from the line',
    kind: 'basic',
    level: 'quickstep-2',
    rhythm: 'SSSS',
    lead: 'R fwd -45, L fwd, R fwd, L fwd',
    align: [ALONG_LINE],
    turn: -45,
    needs: ['walks-to-wall', 'running-finish'],
    lookalikes: ['walks-to-wall'],
    marks: [{ event: 0, kind: 'cue', text: 'A link: turn to the wall on the first step, then walk on' }],
  }),
  figure({
    id: 'half-natural',
    name: 'Half natural turn',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQ',
    lead: 'R fwd, L -90 side, R -45 close',
    follow: 'L back, R -90 side, L -45 close',
    align: [TO_WALL],
    turn: -135,
    needs: ['quarter-turn'],
    lookalikes: ['natural-turn'],
    marks: [
      { event: 2, kind: 'signal', text: 'The body stays low after 3: another figure begins' },
      {
        kind: 'fault',
        text: 'The follower is left on the outside.',
        cure: 'Leaders, step between the feet.',
      },
    ],
  }),
  figure({
    id: 'natural-turn',
    name: 'Natural turn',
    kind: 'turn',
    rhythm: 'SQQSS',
    lead: 'R fwd, L -90 side, R -45 close, L back, R -135 side small heel',
    follow: 'L back, R -90 side, L -45 close, R fwd, L -135 side',
    align: [TO_WALL],
    turn: -270,
    overTwoLessons: true,
    needs: ['quarter-turn'],
    lookalikes: ['natural-spin-turn', 'hesitation'],
    cuts: [{ event: 3, hold: 'closed' }],
    marks: [
      { event: 4, kind: 'signal', text: 'The leader’s heel pulls in: no travel on the last slow' },
      {
        kind: 'fault',
        text: 'The heel pull travels.',
        cure: 'Turn on the left heel and draw the right foot to it.',
        rescue: 'Take a plain side step and go on.',
      },
    ],
    tracks: [
      { quality: 'footfall', role: 'lead', values: ['heel', 'ball', 'ball heel', 'ball heel', 'heel'] },
      { quality: 'sway', role: 'lead', values: ['none', 'right', 'right', 'none', 'left'] },
      { quality: 'rise', values: ['down', 'up', 'lower', 'down', 'down'] },
    ],
  }),
  figure({
    id: 'chasse-reverse-turn',
    name: 'Chassé reverse turn',
    kind: 'turn',
    rhythm: 'SQQ',
    lead: 'L fwd, R +90 side, L +45 close',
    follow: 'R back, L +90 side, R +45 close',
    align: [TO_CENTRE],
    turn: 135,
    needs: ['progressive-chasse'],
    marks: [
      { event: 0, kind: 'cue', text: 'Left turns begin on the left foot' },
      { kind: 'fault', text: 'The chassé overtakes the partner.', cure: 'Small side step, then close.' },
    ],
  }),
  figure({
    id: 'forward-lock',
    name: 'Forward lock',
    kind: 'pattern',
    rhythm: 'SQQS',
    lead: 'R fwd outside, L fwd, R lock-behind, L fwd',
    align: [TO_WALL, ALONG_LINE],
    turn: 0,
    needs: ['progressive-chasse'],
    marks: [
      {
        kind: 'fault',
        text: 'The feet lock late and the step limps.',
        cure: 'Say “slow, quick, quick, slow” and close the thighs on the second quick.',
      },
      { event: 0, kind: 'signal', text: 'The first slow passes outside: the lock follows' },
    ],
    tracks: [{ quality: 'rise', values: ['down', 'up', 'up', 'lower'] }],
  }),
  figure({
    id: 'outside-step',
    name: 'Outside step',
    kind: 'pattern',
    rhythm: 'S',
    lead: 'R fwd outside',
    align: [TO_WALL],
    turn: 0,
    needs: ['forward-lock'],
    marks: [
      {
        event: 0,
        kind: 'cue',
        text: 'A link, one step past the partner: it frees the left foot for what comes next',
      },
    ],
  }),
  figure({
    id: 'cross-chasse',
    name: 'Cross chassé',
    kind: 'pattern',
    rhythm: 'SQQ',
    lead: 'L fwd, R side, L close',
    align: [TO_WALL],
    turn: 0,
    needs: ['progressive-chasse', 'outside-step'],
    marks: [
      { event: 0, kind: 'signal', text: 'The left foot goes straight: the chassé moves to the right' },
      { kind: 'fault', text: 'It turns.', cure: 'Keep the chest where it was; only the feet go.' },
    ],
  }),
  figure({
    id: 'change-of-direction',
    name: 'Change of direction',
    kind: 'pattern',
    level: 'quickstep-2',
    rhythm: 'SSS',
    lead: 'L fwd, R diag-fwd +90, L touch',
    follow: 'R back, L diag-back +90, R touch',
    align: [TO_WALL],
    turn: 90,
    needs: ['cross-chasse'],
    marks: [
      { event: 1, kind: 'signal', text: 'The second slow has no hurry: the body turns over the foot' },
      { kind: 'fault', text: 'The free foot closes with weight.', cure: 'Brush it in, and wait.' },
    ],
  }),
  figure({
    id: 'backward-lock',
    name: 'Backward lock',
    kind: 'pattern',
    level: 'quickstep-2',
    rhythm: 'SQQS',
    lead: 'L back, R back, L lock-front, R back',
    follow: 'R fwd outside, L fwd, R lock-behind, L fwd',
    align: [BACK_TO_LINE],
    turn: 0,
    needs: ['forward-lock', 'half-natural'],
    marks: [
      { event: 0, role: 'follow', kind: 'cue', text: 'The first step passes outside' },
      {
        kind: 'fault',
        text: 'The leader falls into the lock.',
        cure: 'Keep the weight forward of the heels.',
      },
    ],
  }),
  figure({
    id: 'running-finish',
    name: 'Running finish',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQ',
    lead: 'L back, R -90 side, L -90 fwd',
    follow: 'R fwd, L -90 side, R -90 back',
    align: [BACK_TO_LINE],
    turn: -180,
    needs: ['backward-lock'],
    lookalikes: ['tipple-chasse'],
    marks: [
      { event: 1, kind: 'signal', text: 'The second step runs on: no close' },
      { kind: 'fault', text: 'It stops half way round.', cure: 'Look along the line before you turn.' },
    ],
  }),
  figure({
    id: 'tipple-chasse',
    name: 'Tipple chassé',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQS',
    lead: 'L back, R -90 side, L close, R -45 diag-fwd',
    follow: 'R fwd, L -90 side, R close, L -45 diag-back',
    align: [BACK_TO_LINE],
    turn: -135,
    needs: ['half-natural'],
    lookalikes: ['running-finish'],
    marks: [
      { event: 2, kind: 'signal', text: 'The feet close on the second quick' },
      { kind: 'cue', text: 'Tip to the right, close, and out on the slant' },
      {
        kind: 'fault',
        text: 'The tip bends the waist',
        cure: 'Lean the whole side, from the ankle to the ear',
      },
    ],
  }),
  figure({
    id: 'natural-spin-turn',
    name: 'Natural spin turn',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQSSS',
    lead: 'R fwd, L -90 side, R -45 close, L back small -180, R fwd, L -135 side',
    follow: 'L back, R -90 side, L -45 close, R fwd small -180, L back, R -135 side',
    align: [TO_WALL],
    turn: -450,
    needs: ['natural-turn'],
    lookalikes: ['hesitation'],
    marks: [
      caution('spin'),
      { event: 3, kind: 'signal', text: 'The fourth step turns at once: the knees stay bent' },
      {
        kind: 'fault',
        text: 'The spin drifts outward.',
        cure: 'Turn over one spot; the follower walks between the feet.',
      },
    ],
  }),
  figure({
    id: 'hesitation',
    name: 'Hesitation',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQSSS',
    lead: 'R fwd, L -90 side, R -45 close, L back, R -135 side, L touch',
    follow: 'L back, R -90 side, L -45 close, R fwd, L -135 side, R touch',
    align: [TO_WALL],
    turn: -270,
    needs: ['natural-turn'],
    marks: [
      { event: 5, kind: 'signal', text: 'The last slow waits: the foot comes in without weight' },
      { kind: 'fault', text: 'The waiting foot takes the weight.', cure: 'Say “and wait” on the last slow.' },
    ],
  }),
  figure({
    id: 'natural-pivot-turn',
    name: 'Natural pivot turn at the corner',
    kind: 'turn',
    rhythm: 'SQQS',
    lead: 'R fwd, L -90 side, R -45 close, L back small -135',
    follow: 'L back, R -90 side, L -45 close, R fwd small -135',
    align: [TO_WALL],
    turn: -270,
    needs: ['natural-turn'],
    lookalikes: ['natural-turn'],
    marks: [
      {
        kind: 'fault',
        text: 'The pivot is stepped, not turned.',
        cure: 'Leave the thighs together and let the floor turn under you.',
      },
      { kind: 'cue', text: 'The corner turns the line for you' },
      { event: 3, kind: 'signal', text: 'The fourth step pivots: the new long side is in front' },
    ],
  }),
  figure({
    id: 'four-quick-run',
    name: 'Four quick run',
    kind: 'pattern',
    level: 'quickstep-2',
    rhythm: 'SQQQQS',
    lead: 'R back, L +90 side, R fwd outside, L diag-fwd, R lock-behind, L diag-fwd',
    align: [BACK_TO_CENTRE],
    turn: 90,
    needs: ['forward-lock'],
    lookalikes: ['forward-lock'],
    marks: [
      { event: 3, kind: 'signal', text: 'The knees stay high after the lock: the run goes on' },
      { kind: 'fault', text: 'The run bounces.', cure: 'Run on the balls of the feet, shoulders level.' },
    ],
  }),
];

const QUICKSTEP_1 = quickstepPatterns.filter(({ level }) => level === 'quickstep-1');

export const quickstepCourse: Course = {
  id: 'quickstep-1',
  dances: ['quickstep'],
  level: 'quickstep-1',
  name: 'Quickstep 1',
  format: 'series',
  approach: 'rhythm-first',
  lookalikes: 'apart',
  ...shownAhead('quickstep-1'),
  lessons: Array.from({ length: 8 }, () => ({
    minutes: 60,
    fixed: { arrive: 3, warmUp: 5, recall: 5, combine: 8, dance: 12, recap: 3 },
  })),
  items: QUICKSTEP_1.map(({ id, kind }) => ({ pattern: id, value: kind === 'pattern' ? 'should' : 'must' })),
  placed: placed(
    'walks-to-wall',
    'quarter-turn',
    'progressive-chasse',
    'forward-lock',
    'natural-turn',
    'chasse-from-line chasse-reverse-turn',
    'natural-pivot-turn outside-step cross-chasse',
  ),
};
