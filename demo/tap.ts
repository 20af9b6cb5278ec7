import type { Course, Dance, Level, Pattern, PatternMark } from '@map-step/core';
import { shownAhead } from './ahead.ts';
import { placed } from './placed.ts';

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
    { id: 'drop-toe', weight: 'stays' },
  ],
  pieces: [
    { id: 'shuffle', name: 'Shuffle', rhythm: '1&', steps: 'R brush, R spank' },
    { id: 'flap', name: 'Flap', rhythm: '&1', steps: 'R brush, R fwd ball' },
    { id: 'ball-change', name: 'Ball change', rhythm: '1&', steps: 'R back ball, L replace' },
    { id: 'riff', name: 'Riff', rhythm: '1&', steps: 'R brush toe, R scuff' },
  ],
  qualities: [
    {
      id: 'edge',
      name: 'Which edge of the shoe sounds',
      layer: 'feet',
      words: ['toe', 'ball', 'heel', 'flat'],
    },
    { id: 'volume', name: 'Loud and soft', layer: 'show', words: ['loud', 'soft'] },
  ],
};

export const tapLevels: Level[] = [{ id: 'tap-1', dance: 'tap', name: 'Tap 1', order: 1, shortest: 120 }];

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind' | 'rhythm'> &
  Partial<Pattern> & { readonly solo: string };

function figure({ solo, ...rest }: FigureText): Pattern {
  return { dance: 'tap', level: 'tap-1', parts: { solo }, ...rest };
}

const HOPS: PatternMark = {
  kind: 'caution',
  text: 'Hops: soft knees, the whole foot landing, and a floor that gives; stop when a shin or a heel aches.',
};

export const tapPatterns: Pattern[] = [
  figure({
    id: 'toe-taps',
    name: 'Toe taps',
    kind: 'basic',
    rhythm: '1 2 3 4',
    solo: 'R tap, R close, L tap, L close',
    marks: [
      {
        kind: 'fault',
        text: 'The knee lifts and the foot stamps.',
        cure: 'Let the toe fall from a loose ankle; the knee stays low.',
      },
      { kind: 'cue', text: 'Ankles loose, knees soft' },
    ],
    tracks: [{ quality: 'edge', values: ['toe', 'ball', 'toe', 'ball'] }],
  }),
  figure({
    id: 'heel-digs',
    name: 'Heel digs',
    kind: 'basic',
    rhythm: '1 2 3 4',
    solo: 'R dig, R close, L dig, L close',
    lookalikes: ['toe-taps'],
    marks: [
      {
        kind: 'fault',
        text: 'The dig takes the weight.',
        cure: 'Lift the heel again before the foot closes.',
      },
    ],
    tracks: [{ quality: 'edge', values: ['heel', 'ball', 'heel', 'ball'] }],
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
    tracks: [{ quality: 'volume', values: ['soft', 'soft', 'loud', 'soft', 'soft', 'loud'] }],
  }),
  figure({
    id: 'shuffle-ball-change',
    name: 'Shuffle ball change',
    kind: 'basic',
    rhythm: '1&2& 3&4&',
    solo: 'R brush, R spank, R back ball, L replace, R brush, R spank, R back ball, L replace',
    needs: ['shuffle-step'],
    marks: [
      {
        kind: 'fault',
        text: 'The back foot is stepped flat.',
        cure: 'Only the ball behind: the heel never comes down.',
      },
      { event: 2, kind: 'cue', text: 'The ball change is a rock: the front foot has not left' },
    ],
  }),
  figure({
    id: 'walking-flaps',
    name: 'Walking flaps',
    kind: 'basic',
    rhythm: '&1&2&3&4',
    beats: 4,
    solo: 'R brush, R fwd ball, L brush, L fwd ball, R brush, R fwd ball, L brush, L fwd ball',
    needs: ['shuffle-step'],
    marks: [
      { kind: 'cue', text: 'The step is on the beat, the brush before it' },
      { kind: 'fault', text: 'Both sounds fall together.', cure: 'Say “and-one” and let the heel stay up.' },
    ],
  }),
  figure({
    id: 'cramp-roll',
    name: 'Cramp roll',
    kind: 'pattern',
    rhythm: '1e&a 2',
    solo: 'R place ball, L place ball shared, R heel-drop shared, L heel-drop, R stamp accent',
    needs: ['heel-digs'],
    tempo: [{ min: 70, max: 100 }],
    marks: [
      { event: 2, kind: 'cue', text: 'Ball, ball, heel, heel: the weight stays on both' },
      { kind: 'fault', text: 'Four sounds become two.', cure: 'Half the speed, the same evenness.' },
    ],
    tracks: [{ quality: 'edge', values: ['ball', 'ball', 'heel', 'heel', 'flat'] }],
  }),
  figure({
    id: 'grapevine-touch',
    name: 'Grapevine and touch',
    kind: 'pattern',
    rhythm: '1 2 3 4 5 6 7 8',
    solo: 'R side, L cross-behind, R side, L touch, L side, R cross-behind, L side, R touch',
    marks: [
      { kind: 'cue', text: 'Side, behind, side: the hips look ahead' },
      {
        kind: 'fault',
        text: 'The touch takes the weight and the way back is lost.',
        cure: 'Touch and lift again before you go back.',
      },
      { event: 3, kind: 'signal', text: 'The touch on 4 turns it round' },
    ],
  }),
  figure({
    id: 'flap-heel',
    name: 'Flap heel',
    kind: 'pattern',
    rhythm: '1&2 3&4',
    solo: 'R brush, R fwd ball, R heel-drop, L brush, L fwd ball, L heel-drop',
    needs: ['walking-flaps'],
    lookalikes: ['walking-flaps'],
    marks: [
      { event: 2, kind: 'signal', text: 'The heel drops after the flap: the next foot waits for it' },
      {
        kind: 'fault',
        text: 'The heel drops with the step.',
        cure: 'Flap and freeze on the ball, then let the heel go.',
      },
    ],
    tracks: [{ quality: 'edge', values: ['ball', 'ball', 'heel', 'ball', 'ball', 'heel'] }],
  }),
  figure({
    id: 'paddle-turn',
    name: 'Paddle turn',
    kind: 'turn',
    rhythm: '1&2&3&4&',
    solo: 'R tap, L swivel +90, R tap, L swivel +90, R tap, L swivel +90, R tap, L swivel +90',
    marks: [
      {
        kind: 'fault',
        text: 'The turn runs away across the floor.',
        cure: 'Keep the standing foot on a mark.',
      },
      { kind: 'caution', text: '', code: 'spin' },
      { kind: 'cue', text: 'Push with the tapping foot; the standing foot only turns' },
    ],
  }),
  figure({
    id: 'irish',
    name: 'Shuffle hop step',
    kind: 'pattern',
    rhythm: '&1&2',
    beats: 2,
    solo: 'R brush, R spank, L hop, R cross-front',
    needs: ['shuffle-step'],
    marks: [
      {
        kind: 'fault',
        text: 'The hop is a jump forward.',
        cure: 'Hop where you are: the floor only loses your heel.',
      },
      HOPS,
      { event: 3, kind: 'cue', text: 'The step lands on the beat' },
    ],
  }),
  figure({
    id: 'single-time-step',
    name: 'Single time step',
    kind: 'pattern',
    rhythm: '8&1 2&3&',
    beats: 4,
    solo: 'R brush, R spank, L hop, R place, L brush, L fwd ball, R place',
    needs: ['irish', 'walking-flaps'],
    lookalikes: ['double-time-step'],
    marks: [
      {
        kind: 'fault',
        text: 'The hop comes late after the shuffle.',
        cure: 'Clap the rhythm first, then dance it half as fast.',
      },
      HOPS,
      { event: 0, kind: 'cue', text: 'It begins on 8' },
      { event: 3, kind: 'signal', text: 'A plain step after the hop: single' },
    ],
  }),
  figure({
    id: 'double-time-step',
    name: 'Double time step',
    kind: 'pattern',
    rhythm: '8&1&2&3&',
    beats: 4,
    solo: 'R brush, R spank, L hop, R brush, R fwd ball, L brush, L fwd ball, R place',
    needs: ['single-time-step'],
    lookalikes: ['single-time-step'],
    marks: [
      { kind: 'cue', text: 'The same song with one more note' },
      {
        kind: 'fault',
        text: 'The flap swallows the step after it.',
        cure: 'Say “flap-flap-step” while you walk it through.',
      },
      HOPS,
      { event: 3, kind: 'signal', text: 'A flap after the hop: double' },
    ],
  }),
  figure({
    id: 'break',
    name: 'Break',
    kind: 'pattern',
    rhythm: '8&1 2&3',
    beats: 4,
    solo: 'R brush, R spank, L hop, R place, L brush, L stamp accent',
    needs: ['single-time-step'],
    marks: [
      { kind: 'fault', text: 'The stamp is rushed.', cure: 'Leave the beat before it empty in your head.' },
      HOPS,
      { event: 5, kind: 'cue', text: 'The stamp is the full stop' },
    ],
  }),
  figure({
    id: 'drawbacks',
    name: 'Drawbacks',
    kind: 'pattern',
    rhythm: '1&a 2&a',
    split: 'swung',
    solo: 'R spank, L heel-drop, R back, L spank, R heel-drop, L back',
    needs: ['cramp-roll'],
    marks: [
      { kind: 'cue', text: 'Even threes: strike back, heel, step' },
      { kind: 'fault', text: 'It travels in jerks.', cure: 'Small: the heel drops where it is.' },
    ],
  }),
  figure({
    id: 'buffalo',
    name: 'Buffalo',
    kind: 'pattern',
    rhythm: '1&a2',
    solo: 'R side, L brush, L spank, L cross-behind',
    needs: ['shuffle-step', 'grapevine-touch'],
    marks: [
      HOPS,
      { event: 0, kind: 'cue', text: 'Leap to the side, shuffle, tuck behind' },
      { kind: 'fault', text: 'The shuffle swallows the landing.', cure: 'Land, wait, then shuffle.' },
    ],
  }),
  figure({
    id: 'waltz-clog',
    name: 'Waltz clog',
    kind: 'pattern',
    rhythm: '1&2&3',
    solo: 'L place accent, R brush, R spank, R back ball, L replace',
    needs: ['shuffle-ball-change'],
    lookalikes: ['shuffle-ball-change'],
    marks: [
      { kind: 'cue', text: 'Three beats over a bar of four: it starts on 1 again after three bars' },
      { event: 0, kind: 'signal', text: 'A step with a stress comes before the shuffle' },
      {
        kind: 'fault',
        text: 'The fourth beat is waited for.',
        cure: 'Count “one and two and three” over and over, without music.',
      },
    ],
  }),
  figure({
    id: 'riff-walk',
    name: 'Riff walk',
    kind: 'pattern',
    rhythm: '1&2& 3&4&',
    solo: 'R brush toe, R scuff, R fwd heel, R drop-toe, L brush toe, L scuff, L fwd heel, L drop-toe',
    needs: ['walking-flaps', 'heel-digs'],
    marks: [
      {
        kind: 'fault',
        text: 'The toe drops with the step.',
        cure: 'Stand on the heel for a breath, then let the toe fall.',
      },
      { kind: 'cue', text: 'Toe, heel, heel, flat: four sounds a walk' },
    ],
    tracks: [{ quality: 'edge', values: ['toe', 'heel', 'heel', 'flat', 'toe', 'heel', 'heel', 'flat'] }],
  }),
  figure({
    id: 'ankle-drill',
    name: 'Loose ankles',
    kind: 'drill',
    rhythm: 'free',
    solo: 'R brush, R spank, R close, L brush, L spank, L close',
    over: 'shuffle-step',
    grades: ['holding the barre', 'free, slowly', 'with music'],
    marks: [
      {
        kind: 'fault',
        text: 'The leg swings from the hip.',
        cure: 'Hold the thigh with a hand: only the shin moves.',
      },
      { kind: 'cue', text: 'The foot hangs from the shin' },
    ],
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
  ...shownAhead('tap-1'),
  lessons: Array.from({ length: 10 }, () => ({
    minutes: 45,
    fixed: { arrive: 2, warmUp: 5, recall: 4, combine: 6, dance: 7, recap: 2 },
  })),
  items: tapPatterns.map(({ id, kind }) => ({
    pattern: id,
    value: kind === 'pattern' ? 'should' : 'must',
    ...(id === 'heel-digs' && { to: 2 }),
  })),
  placed: placed(
    'heel-digs ankle-drill',
    'toe-taps grapevine-touch',
    'shuffle-step buffalo',
    'walking-flaps irish',
    'flap-heel single-time-step break',
    'double-time-step riff-walk',
    'shuffle-ball-change cramp-roll',
    'waltz-clog',
    'paddle-turn drawbacks',
  ),
};
