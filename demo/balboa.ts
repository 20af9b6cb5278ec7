import type { Course, Dance, Level, Pattern } from '@map-step/core';

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
  tempo: [{ min: 170, max: 240 }],
  floor: 'spot',
  holds: [
    { id: 'close', name: 'Close', contact: 'body', rel: 180 },
    { id: 'open', name: 'One hand', contact: 'hand', rel: 180, like: 'one-hand' },
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

const closeHold = { kind: 'caution', text: '', code: 'close-hold' } as const;

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
    marks: [closeHold],
  }),
  figure({
    id: 'side-basic-close',
    name: 'Side to side',
    kind: 'basic',
    lead: 'L side small, R close, L side small, R side small, L close, R side small',
    needs: ['held-basic'],
  }),
  figure({
    id: 'walking-basic',
    name: 'Walking basic',
    kind: 'basic',
    lead: 'L fwd small, R fwd small, L fwd small, R fwd small, L fwd small, R fwd small',
    needs: ['held-basic'],
  }),
  figure({
    id: 'turning-basic',
    name: 'Turning basic',
    kind: 'turn',
    lead: 'L back small, R -90 place, L close, R fwd small, L -90 place, R close',
    needs: ['side-basic-close'],
    turn: -180,
  }),
  figure({
    id: 'come-around',
    name: 'Come around',
    kind: 'turn',
    lead: 'L back, R -90 side, L -90 fwd, R fwd, L -90 side, R -90 close',
    needs: ['turning-basic'],
    lookalikes: ['turning-basic'],
    turn: -360,
    marks: [closeHold, { kind: 'caution', text: '', code: 'space' }],
  }),
  figure({
    id: 'crab-walk',
    name: 'Crab walk',
    kind: 'pattern',
    lead: 'L side, R cross-behind, L side, R cross-behind, L side, R close',
    follow: 'R side, L cross-front, R side, L cross-front, R side, L close',
    needs: ['side-basic-close'],
  }),
  figure({
    id: 'harbour-gate',
    name: 'Harbour gate',
    kind: 'pattern',
    lead: 'L back, R place, L fwd, R fwd, L side small, R close',
    entry: ['close'],
    exit: 'open',
    needs: ['walking-basic'],
    marks: [{ event: 4, kind: 'signal', text: 'The right arm opens on 5' }],
  }),
  figure({
    id: 'walk-in',
    name: 'Walk in',
    kind: 'pattern',
    lead: 'L back, R place, L fwd small, R fwd small, L close, R place',
    entry: ['open'],
    exit: 'close',
    needs: ['harbour-gate'],
    marks: [closeHold],
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
  }),
];

export const balboaCourse: Course = {
  id: 'balboa-1',
  dances: ['balboa'],
  level: 'balboa-1',
  name: 'Balboa 1',
  format: 'series',
  approach: 'rhythm-first',
  lookalikes: 'apart',
  lessons: Array.from({ length: 5 }, () => ({
    minutes: 75,
    fixed: { arrive: 4, warmUp: 6, recall: 6, combine: 8, dance: 14, recap: 3 },
  })),
  items: balboaPatterns.map(({ id, kind }) => ({
    pattern: id,
    value: kind === 'pattern' ? 'should' : 'must',
  })),
};
