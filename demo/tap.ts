import type { Course, Dance, Level, Pattern } from '@map-step/core';

export const tap: Dance = {
  id: 'tap',
  name: 'Tap',
  roles: 'solo',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 8,
  tempo: [{ min: 70, max: 120 }],
  floor: 'free',
  holds: [],
  actions: [
    { id: 'stamp', weight: 'takes' },
    { id: 'stomp', weight: 'none' },
    { id: 'spank', weight: 'none' },
    { id: 'dig', weight: 'none' },
  ],
  pieces: [
    { id: 'shuffle', name: 'Shuffle', rhythm: '1&', steps: 'R brush, R spank' },
    { id: 'flap', name: 'Flap', rhythm: '1&', steps: 'R brush, R fwd' },
    { id: 'ball-change', name: 'Ball change', rhythm: '1&', steps: 'R back ball, L place' },
  ],
};

export const tapLevels: Level[] = [{ id: 'tap-1', dance: 'tap', name: 'Tap 1', order: 1, shortest: 120 }];

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind' | 'rhythm'> &
  Partial<Pattern> & { readonly solo: string };

function figure({ solo, ...rest }: FigureText): Pattern {
  return { dance: 'tap', level: 'tap-1', parts: { solo }, ...rest };
}

export const tapPatterns: Pattern[] = [
  figure({
    id: 'toe-taps',
    name: 'Toe taps',
    kind: 'basic',
    rhythm: '1 2 3 4',
    solo: 'R tap, R close, L tap, L close',
    marks: [{ kind: 'cue', text: 'Ankles loose, knees soft' }],
  }),
  figure({
    id: 'heel-digs',
    name: 'Heel digs',
    kind: 'basic',
    rhythm: '1 2 3 4',
    solo: 'R dig, R close, L dig, L close',
    lookalikes: ['toe-taps'],
  }),
  figure({
    id: 'shuffle-step',
    name: 'Shuffle step',
    kind: 'basic',
    rhythm: '1&2 3&4',
    solo: 'R brush, R spank, R close, L brush, L spank, L close',
    needs: ['toe-taps'],
    marks: [
      {
        event: 0,
        kind: 'fault',
        text: 'The brush lands heavy.',
        cure: 'Swing from the knee, two sounds only.',
      },
    ],
  }),
  figure({
    id: 'shuffle-ball-change',
    name: 'Shuffle ball change',
    kind: 'basic',
    rhythm: '1&2& 3&4&',
    solo: 'R brush, R spank, R back ball, L place, R brush, R spank, R back ball, L place',
    needs: ['shuffle-step'],
  }),
  figure({
    id: 'walking-flaps',
    name: 'Walking flaps',
    kind: 'basic',
    rhythm: '&1&2&3&4',
    beats: 4,
    solo: 'R brush, R fwd, L brush, L fwd, R brush, R fwd, L brush, L fwd',
    needs: ['shuffle-step'],
  }),
  figure({
    id: 'cramp-roll',
    name: 'Cramp roll',
    kind: 'pattern',
    rhythm: '1e&a 2',
    solo: 'R place ball, L place ball, R heel, L heel-drop, R stamp',
    needs: ['heel-digs'],
  }),
  figure({
    id: 'grapevine-touch',
    name: 'Grapevine and touch',
    kind: 'pattern',
    rhythm: '1 2 3 4 5 6 7 8',
    solo: 'R side, L cross-behind, R side, L touch, L side, R cross-behind, L side, R touch',
    needs: ['toe-taps'],
  }),
  figure({
    id: 'clog-three',
    name: 'Clog in three',
    kind: 'pattern',
    rhythm: '1&2&3',
    solo: 'L fwd, R brush, R spank, R close ball, L place',
    needs: ['shuffle-ball-change'],
  }),
  figure({
    id: 'paddle-turn',
    name: 'Paddle turn',
    kind: 'turn',
    rhythm: '1&2&3&4&',
    solo: 'R tap, L swivel +90, R tap, L swivel +90, R tap, L swivel +90, R tap, L swivel +90',
    needs: ['toe-taps'],
    marks: [{ kind: 'caution', text: '', code: 'spin' }],
  }),
  figure({
    id: 'irish',
    name: 'Shuffle hop step',
    kind: 'pattern',
    rhythm: '1&2&',
    solo: 'R brush, R spank, L hop, R cross-front',
    needs: ['shuffle-step'],
  }),
  figure({
    id: 'single-time-step',
    name: 'Single time step',
    kind: 'pattern',
    rhythm: '8&1 2&3',
    beats: 4,
    solo: 'R brush, R spank, L hop, R place, L brush, L close',
    needs: ['irish', 'walking-flaps'],
    marks: [{ event: 0, kind: 'cue', text: 'It begins on 8' }],
  }),
  figure({
    id: 'drawbacks',
    name: 'Drawbacks',
    kind: 'pattern',
    rhythm: '1&a2&a',
    solo: 'R spank, L heel-drop, R back, L spank, R heel-drop, L back',
    needs: ['cramp-roll'],
  }),
  figure({
    id: 'ankle-drill',
    name: 'Loose ankles',
    kind: 'drill',
    rhythm: 'free',
    solo: 'R brush, R spank, R close, L brush, L spank',
    over: 'shuffle-step',
    grades: ['holding the barre', 'free, slowly', 'with music'],
  }),
];

export const tapCourse: Course = {
  id: 'tap-1',
  dances: ['tap'],
  level: 'tap-1',
  name: 'Tap 1',
  format: 'series',
  approach: 'steps-first',
  lookalikes: 'apart',
  lessons: Array.from({ length: 10 }, () => ({
    minutes: 45,
    fixed: { arrive: 2, warmUp: 5, recall: 4, combine: 6, dance: 7, recap: 2 },
  })),
  items: tapPatterns.map(({ id, kind }) => ({ pattern: id, value: kind === 'pattern' ? 'should' : 'must' })),
};
