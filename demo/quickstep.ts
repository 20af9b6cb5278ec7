import type { Course, Dance, Level, Pattern } from '@map-step/core';

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
  tempo: [{ min: 192, max: 208 }],
  floor: 'line',
  holds: [
    { id: 'practice', name: 'Practice hold', contact: 'hand', rel: 180 },
    { id: 'closed', name: 'Closed hold', contact: 'body', rel: 180, like: 'close' },
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
const TO_CENTRE = 45;
const BACK_TO_LINE = -180;
const BACK_TO_CENTRE = -135;

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind' | 'rhythm'> &
  Partial<Pattern> & { readonly lead: string; readonly follow?: string };

function figure({ lead, follow = 'opposite', ...rest }: FigureText): Pattern {
  return {
    dance: 'quickstep',
    level: 'quickstep-1',
    parts: { lead, follow },
    entry: ['practice', 'closed'],
    exit: 'same',
    ...rest,
  };
}

const closeHold = { kind: 'caution', text: '', code: 'close-hold' } as const;
const lookFirst = { kind: 'caution', text: '', code: 'space' } as const;

export const quickstepPatterns: Pattern[] = [
  figure({
    id: 'walks-to-wall',
    name: 'Walks to the wall',
    kind: 'basic',
    rhythm: 'SSSS',
    lead: 'R fwd, L fwd, R fwd, L fwd',
    align: [TO_WALL, 0],
    turn: 0,
    marks: [closeHold, { kind: 'cue', text: 'Walk past each other’s knees, not into them' }],
  }),
  figure({
    id: 'quarter-turn',
    name: 'Quarter turn',
    kind: 'basic',
    rhythm: 'SQQS',
    lead: 'R fwd, L -90 side, R close, L side',
    align: [TO_WALL],
    turn: -90,
    needs: ['walks-to-wall'],
    lookalikes: ['natural-turn'],
    marks: [
      { event: 1, kind: 'cue', text: 'Turn, then stay: the chassé has no turn left' },
      {
        event: 0,
        kind: 'fault',
        text: 'The turn comes up an eighth short.',
        cure: 'Look over the right shoulder first.',
        rescue: 'Make it up in the progressive chassé.',
      },
      lookFirst,
    ],
  }),
  figure({
    id: 'progressive-chasse',
    name: 'Progressive chassé',
    kind: 'basic',
    rhythm: 'SQQS',
    lead: 'R back, L +90 side, R close, L side',
    align: [BACK_TO_CENTRE, BACK_TO_LINE],
    turn: 90,
    needs: ['quarter-turn'],
    marks: [{ event: 0, role: 'follow', kind: 'cue', text: 'Straight at your partner, then beside' }],
  }),
  figure({
    id: 'half-natural',
    name: 'Half natural turn',
    kind: 'turn',
    rhythm: 'SQQ',
    lead: 'R fwd, L -90 side, R -45 close',
    align: [TO_WALL],
    turn: -135,
    needs: ['quarter-turn'],
  }),
  figure({
    id: 'natural-turn',
    name: 'Natural turn',
    kind: 'turn',
    rhythm: 'SQQSS',
    lead: 'R fwd, L -90 side, R -45 close, L back, R -135 close',
    align: [TO_WALL],
    turn: -270,
    needs: ['half-natural'],
    lookalikes: ['natural-spin-turn', 'hesitation'],
    cuts: [{ event: 3, hold: 'closed' }],
    marks: [{ event: 4, kind: 'signal', text: 'The leader’s heel pulls in: no travel on the last slow' }],
  }),
  figure({
    id: 'chasse-reverse-turn',
    name: 'Chassé reverse turn',
    kind: 'turn',
    rhythm: 'SQQ',
    lead: 'L fwd, R +90 side, L +45 close',
    align: [TO_CENTRE],
    turn: 135,
    needs: ['progressive-chasse'],
  }),
  figure({
    id: 'forward-lock',
    name: 'Forward lock',
    kind: 'pattern',
    rhythm: 'SQQS',
    lead: 'R fwd outside, L fwd, R lock-behind, L fwd',
    align: [TO_WALL, 0],
    turn: 0,
    needs: ['progressive-chasse'],
    marks: [{ event: 0, kind: 'signal', text: 'The first slow passes outside: the lock follows' }],
  }),
  figure({
    id: 'cross-chasse',
    name: 'Cross chassé',
    kind: 'pattern',
    rhythm: 'SQQ',
    lead: 'L fwd, R side, L close',
    align: [TO_WALL, TO_CENTRE],
    turn: 0,
    needs: ['progressive-chasse'],
  }),
  figure({
    id: 'change-of-direction',
    name: 'Change of direction',
    kind: 'pattern',
    rhythm: 'SSS',
    lead: 'L fwd, R diag-fwd +90, L touch',
    align: [TO_WALL],
    turn: 90,
    needs: ['cross-chasse'],
  }),
  figure({
    id: 'backward-lock',
    name: 'Backward lock',
    kind: 'pattern',
    level: 'quickstep-2',
    rhythm: 'SQQS',
    lead: 'L back, R back, L lock-front, R back',
    align: [BACK_TO_LINE],
    turn: 0,
    needs: ['forward-lock', 'half-natural'],
  }),
  figure({
    id: 'running-finish',
    name: 'Running finish',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQ',
    lead: 'L back, R -90 side, L -90 fwd outside',
    align: [BACK_TO_LINE],
    turn: -180,
    needs: ['backward-lock'],
  }),
  figure({
    id: 'tipple-chasse',
    name: 'Tipple chassé',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQS',
    lead: 'L back, R -90 side, L close, R -45 side',
    align: [BACK_TO_LINE],
    turn: -135,
    needs: ['half-natural'],
    lookalikes: ['running-finish'],
  }),
  figure({
    id: 'natural-spin-turn',
    name: 'Natural spin turn',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQSSS',
    lead: 'R fwd, L -90 side, R -45 close, L back -180, R fwd, L -135 side',
    align: [TO_WALL],
    turn: -450,
    needs: ['natural-turn'],
    marks: [{ kind: 'caution', text: '', code: 'spin' }],
  }),
  figure({
    id: 'hesitation',
    name: 'Hesitation',
    kind: 'turn',
    level: 'quickstep-2',
    rhythm: 'SQQSSS',
    lead: 'R fwd, L -90 side, R -45 close, L back, R -135 side, L touch',
    align: [TO_WALL],
    turn: -270,
    needs: ['natural-turn'],
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
  lessons: Array.from({ length: 8 }, () => ({
    minutes: 60,
    fixed: { arrive: 3, warmUp: 5, recall: 5, combine: 8, dance: 12, recap: 3 },
  })),
  items: QUICKSTEP_1.map(({ id, kind }) => ({ pattern: id, value: kind === 'pattern' ? 'should' : 'must' })),
};
