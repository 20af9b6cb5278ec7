import type { Course, Dance, Level, Pattern, PatternMark } from '@map-step/core';
import { shownAhead } from './ahead.ts';
import { placed } from './placed.ts';

export const balboa: Dance = {
  id: 'balboa',
  name: 'Balboa',
  roles: 'pair',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'swung',
  phrase: 8,
  tempo: [
    { min: 170, max: 240 },
    { min: 240, max: 300 },
  ],
  floor: 'spot',
  holds: [
    { id: 'close', name: 'Close', contact: 'body', rel: 180 },
    { id: 'open', name: 'One hand', contact: 'hand', rel: 180, like: 'one-hand' },
  ],
  qualities: [
    { id: 'heel', name: 'How the foot meets the floor', layer: 'feet', words: ['flat', 'ball flat'] },
    { id: 'bounce', name: 'The small bounce', layer: 'body', words: ['down', 'up'] },
  ],
};

export const balboaLevels: Level[] = [
  { id: 'balboa-1', dance: 'balboa', name: 'Balboa 1', order: 1, shortest: 220 },
];

type FigureText = Pick<Pattern, 'id' | 'name' | 'kind'> &
  Partial<Pattern> & { readonly lead: string; readonly follow?: string };

function figure({ lead, follow = 'opposite', ...rest }: FigureText): Pattern {
  return {
    dance: 'balboa',
    level: 'balboa-1',
    rhythm: '1 2 3 (4) 5 6 7 (8)',
    parts: { lead, follow },
    entry: ['close'],
    exit: 'same',
    turn: 0,
    ...rest,
  };
}

const caution = (code: string): PatternMark => ({ kind: 'caution', text: '', code });
const closeHold = caution('close-hold');

export const balboaPatterns: Pattern[] = [
  figure({
    id: 'held-basic',
    name: 'Basic with a hold',
    kind: 'basic',
    lead: 'L back small, R place, L close, R fwd small, L place, R close',
    marks: [
      closeHold,
      { event: 3, kind: 'cue', text: 'Wait on 4: the music goes on without you' },
      { kind: 'fault', text: 'The hold on 4 and 8 is stepped over.', cure: 'Say the held counts aloud.' },
    ],
    tracks: [
      { quality: 'heel', values: ['ball flat', 'flat', 'flat', null, 'ball flat', 'flat', 'flat', null] },
    ],
  }),
  figure({
    id: 'tapped-basic',
    name: 'Basic with taps',
    kind: 'basic',
    rhythm: '1 2 3 4 5 6 7 8',
    lead: 'L back small, R place, L close, R tap, R fwd small, L place, R close, L tap',
    variantOf: 'held-basic',
    variantWhy: 'school',
    needs: ['held-basic'],
    lookalikes: ['held-basic'],
    marks: [
      { kind: 'cue', text: 'The tap is a breath: nothing changes but the foot' },
      { kind: 'fault', text: 'The tap takes the weight.', cure: 'Tap and hold the knee up for a beat.' },
      closeHold,
      { event: 3, kind: 'signal', text: 'The breath stays low: a tap, not a hold' },
    ],
  }),
  figure({
    id: 'side-basic-close',
    name: 'Side to side',
    kind: 'basic',
    lead: 'L side small, R close, L side small, R side small, L close, R side small',
    needs: ['held-basic'],
    marks: [
      closeHold,
      { kind: 'fault', text: 'The steps grow wider than the hips.', cure: 'Dance it inside one floorboard.' },
    ],
  }),
  figure({
    id: 'walking-basic',
    name: 'Walking basic',
    kind: 'basic',
    lead: 'L fwd small, R fwd small, L fwd small, R back small, L back small, R back small',
    needs: ['held-basic'],
    marks: [
      closeHold,
      { kind: 'cue', text: 'Three on, three home' },
      {
        kind: 'fault',
        text: 'The chests part on the way back',
        cure: 'Whoever goes forward brings the chest along before the foot',
      },
    ],
  }),
  figure({
    id: 'turning-basic',
    name: 'Turning basic',
    kind: 'turn',
    lead: 'L back small, R -45 place, L -45 close, R fwd small, L -45 side small, R -45 close',
    needs: ['side-basic-close'],
    turn: -180,
    marks: [
      closeHold,
      { event: 1, kind: 'signal', text: 'The leader’s back opens to the right on 2' },
      {
        kind: 'fault',
        text: 'One pulls the other round.',
        cure: 'Whoever walks goes round; whoever stands turns.',
      },
    ],
  }),
  figure({
    id: 'come-around',
    name: 'Come around',
    kind: 'turn',
    lead: 'L back small, R -45 place, L -90 close, R -45 fwd small, L -90 place, R -90 close',
    needs: ['turning-basic'],
    lookalikes: ['turning-basic'],
    turn: -360,
    marks: [
      { kind: 'cue', text: 'Twice as much turn in the same feet' },
      {
        kind: 'fault',
        text: 'The couple walks a circle.',
        cure: 'Turn over one floorboard; the feet stay under the hips.',
      },
      closeHold,
      caution('space'),
      { event: 2, kind: 'signal', text: 'The turn does not stop on 3' },
    ],
  }),
  figure({
    id: 'crab-walk',
    name: 'Crab walk',
    kind: 'pattern',
    lead: 'L side, R cross-behind, L side small, R side, L cross-front, R side small',
    needs: ['side-basic-close'],
    marks: [
      closeHold,
      { event: 1, kind: 'cue', text: 'Leader behind, follower in front' },
      {
        kind: 'fault',
        text: 'The hips turn with the cross.',
        cure: 'Keep the chests parallel; only the feet cross.',
      },
    ],
  }),
  figure({
    id: 'harbour-gate',
    name: 'Harbour gate',
    kind: 'pattern',
    lead: 'L back small, R place, L close, R place, L place, R close',
    follow: 'R fwd small, L place, R close, L back, R place, L close',
    entry: ['close'],
    exit: 'open',
    needs: ['walking-basic'],
    marks: [
      { kind: 'cue', text: 'The arm is a gate: it opens, nobody pushes' },
      {
        kind: 'fault',
        text: 'The follower runs out to the end of the arm.',
        cure: 'One step, then stand and breathe.',
      },
      closeHold,
      { event: 4, kind: 'signal', text: 'The right arm opens on 5' },
    ],
  }),
  figure({
    id: 'walk-in',
    name: 'Walk in',
    kind: 'pattern',
    lead: 'L back small, R replace, L close, R place, L place, R close',
    follow: 'R back small, L replace, R close, L fwd, R place, L close',
    entry: ['open'],
    exit: 'close',
    needs: ['harbour-gate'],
    marks: [
      { kind: 'cue', text: 'Come home on 5, as if through a door' },
      {
        kind: 'fault',
        text: 'The two meet chest first.',
        cure: 'The follower steps small; the arm closes last.',
      },
      closeHold,
      { event: 4, kind: 'signal', text: 'The left hand draws in, the right arm is ready' },
    ],
  }),
  figure({
    id: 'half-time-basic',
    name: 'Half-time basic',
    kind: 'basic',
    rhythm: 'S S S S',
    lead: 'L back small, R place, L fwd small, R close',
    needs: ['held-basic'],
    variantOf: 'held-basic',
    variantWhy: 'tempo',
    tempo: [{ min: 240, max: 300 }],
    marks: [
      closeHold,
      { kind: 'cue', text: 'When the band races, take every other beat' },
      {
        kind: 'fault',
        text: 'The beat between is bounced',
        cure: 'Let the weight sink once, and stand in it',
      },
    ],
  }),
  figure({
    id: 'paddles',
    name: 'Paddle round',
    kind: 'turn',
    lead: 'L side small -45, R -45 close, L side small, R side small -45, L -45 close, R side small',
    needs: ['turning-basic'],
    lookalikes: ['side-basic-close'],
    turn: -180,
    marks: [
      closeHold,
      { event: 0, kind: 'signal', text: 'The side step already turns' },
      { kind: 'cue', text: 'Push the floor sideways; the room goes round' },
    ],
  }),
  figure({
    id: 'toss-out',
    name: 'Toss-out',
    kind: 'pattern',
    lead: 'L back small, R place, L close, R place, L place, R close',
    follow: 'R fwd small, L place, R close, L back, R -180 place, L -180 close',
    entry: ['close'],
    exit: 'open',
    needs: ['harbour-gate'],
    lookalikes: ['harbour-gate'],
    marks: [
      closeHold,
      caution('arm-turn'),
      { event: 4, kind: 'signal', text: 'The arm opens and the left hand rises' },
      {
        kind: 'fault',
        text: 'The follower is thrown off balance.',
        cure: 'Half the strength: the music does the rest.',
        rescue: 'Leave the turn out: it is a harbour gate.',
      },
    ],
  }),
  figure({
    id: 'open-return',
    name: 'Turn home',
    kind: 'turn',
    lead: 'L back small, R replace, L close, R place, L place, R close',
    follow: 'R back small, L replace, R close, L fwd, R +180 place, L +180 close',
    entry: ['open'],
    exit: 'close',
    needs: ['walk-in', 'toss-out'],
    lookalikes: ['walk-in'],
    marks: [
      { kind: 'cue', text: 'Step in, then turn on the spot, arms in' },
      {
        kind: 'fault',
        text: 'The turn comes before the step.',
        cure: 'Hand up on the hold, step on 5, turn on 6 and 7.',
      },
      closeHold,
      caution('arm-turn'),
      { event: 3, kind: 'signal', text: 'The hand lifts on the hold before 5' },
    ],
  }),
  figure({
    id: 'lolly-kicks',
    name: 'Lolly kicks',
    kind: 'pattern',
    rhythm: '1 2 3 4 5 6 7 8',
    lead: 'L side small, R kick, R side small, L kick, L back small, R tap, R fwd small, L touch',
    needs: ['tapped-basic'],
    marks: [
      closeHold,
      { kind: 'cue', text: 'Kick from the knee, down, not out' },
      { kind: 'fault', text: 'The kicks hit the partner.', cure: 'Both kick beside, on the same side.' },
    ],
  }),
];

/** Five evenings are full without these. */
const KEPT_FOR_MORE = ['come-around', 'paddles'];

export const balboaCourse: Course = {
  id: 'balboa-1',
  dances: ['balboa'],
  level: 'balboa-1',
  name: 'Balboa 1',
  format: 'series',
  approach: 'rhythm-first',
  lookalikes: 'apart',
  ...shownAhead('balboa-1'),
  lessons: Array.from({ length: 5 }, () => ({
    minutes: 75,
    fixed: { arrive: 4, warmUp: 6, recall: 6, combine: 8, dance: 14, recap: 3 },
  })),
  items: balboaPatterns
    .filter(({ id }) => !KEPT_FOR_MORE.includes(id))
    .map(({ id, kind }) => ({ pattern: id, value: kind === 'pattern' ? 'should' : 'must' })),
  placed: placed(
    'held-basic side-basic-close turning-basic',
    'tapped-basic half-time-basic crab-walk',
    'walking-basic harbour-gate walk-in',
    'toss-out open-return lolly-kicks',
  ),
};
