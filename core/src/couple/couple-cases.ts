// Worked cases of two bodies: sound figures, and each with a fault planted in it.
import type { Hold, HoldAt } from '../model/document.ts';
import type { CheckCode } from '../model/issue.ts';

export interface CoupleCase {
  readonly id: string;
  /** What was planted; sound without. */
  readonly fault?: string;
  readonly holds: readonly Hold[];
  readonly rhythm: string;
  readonly beats?: number;
  readonly lead: string;
  readonly follow: string;
  readonly entry: readonly string[];
  readonly between?: readonly HoldAt[];
  readonly exit: string;
  readonly expect: readonly CheckCode[];
  /** What may be found beside it. */
  readonly may?: readonly CheckCode[];
}

const open: Hold = {
  id: 'open',
  name: 'One hand',
  contact: 'hand',
  rel: 180,
  touch: [{ lead: 'left-hand', follow: 'right-hand' }],
};
const closed: Hold = { id: 'closed', name: 'Closed', contact: 'body', rel: 180 };
const two: Hold = {
  id: 'two',
  name: 'Two hands',
  contact: 'hand',
  rel: 180,
  touch: [
    { lead: 'left-hand', follow: 'right-hand' },
    { lead: 'right-hand', follow: 'left-hand' },
  ],
};
const wrap: Hold = {
  id: 'wrap',
  name: 'Wrap',
  contact: 'hand',
  rel: 360,
  touch: [
    { lead: 'left-hand', follow: 'right-hand' },
    { lead: 'right-hand', follow: 'left-hand' },
  ],
  place: { ahead: [-0.1, 0.3], side: [-0.6, -0.2] },
};
const hammer: Hold = {
  id: 'hammer',
  name: 'Hammerlock',
  contact: 'hand',
  rel: -180,
  touch: [
    { lead: 'left-hand', follow: 'right-hand', height: 'high' },
    { lead: 'right-hand', follow: 'left-hand', height: 'low' },
  ],
};
const backs: Hold = {
  id: 'backs',
  name: 'Back to back',
  contact: 'hand',
  rel: -180,
  touch: [
    { lead: 'left-hand', follow: 'right-hand' },
    { lead: 'right-hand', follow: 'left-hand' },
  ],
  place: { ahead: [-0.9, -0.3], side: [-0.3, 0.3] },
};
const cross_r: Hold = {
  id: 'cross-r',
  name: 'Crossed, right over left',
  contact: 'hand',
  rel: 180,
  touch: [
    { lead: 'left-hand', follow: 'left-hand' },
    { lead: 'right-hand', follow: 'right-hand' },
  ],
};
const cross_l: Hold = {
  id: 'cross-l',
  name: 'Crossed, left over right',
  contact: 'hand',
  rel: -180,
  touch: [
    { lead: 'left-hand', follow: 'left-hand' },
    { lead: 'right-hand', follow: 'right-hand' },
  ],
};

export const COUPLE_CASES: readonly CoupleCase[] = [
  {
    id: 'six-basic',
    holds: [open],
    rhythm: '1&2 3&4 5 6',
    beats: 6,
    lead: 'L side small, R close, L side small, R side small, L close, R side small, L back, R replace',
    follow: 'R side small, L close, R side small, L side small, R close, L side small, R back, L replace',
    entry: ['open'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'throwing-out',
    holds: [closed, open],
    rhythm: '1&2 3&4 5 6',
    beats: 6,
    lead: 'L side small, R close, L side small, R fwd small, L close, R place, L back, R replace',
    follow: 'R side small, L close, R side small, L back, R back, L back, R back, L replace',
    entry: ['closed'],
    exit: 'open',
    expect: [],
  },
  {
    id: 'throwing-out-x1',
    fault: 'follower walks in instead of out',
    holds: [closed, open],
    rhythm: '1&2 3&4 5 6',
    beats: 6,
    lead: 'L side small, R close, L side small, R fwd small, L close, R place, L back, R replace',
    follow: 'R side small, L close, R side small, L fwd, R fwd, L fwd, R back, L replace',
    entry: ['closed'],
    exit: 'open',
    expect: ['wrong-side'],
  },
  {
    id: 'two-step',
    holds: [closed],
    rhythm: 'QQSS',
    lead: 'L fwd, R fwd, L fwd, R fwd',
    follow: 'R back, L back, R back, L back',
    entry: ['closed'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'two-step-x1',
    fault: 'one step the wrong way',
    holds: [closed],
    rhythm: 'QQSS',
    lead: 'L fwd, R fwd, L fwd, R fwd',
    follow: 'R back, L back, R fwd, L back',
    entry: ['closed'],
    exit: 'same',
    expect: ['wrong-side'],
  },
  {
    id: 'cross-body',
    holds: [open, two],
    rhythm: '1 2 3 5 6 7',
    beats: 8,
    lead: 'L fwd, R replace, L +90 close, R back, L +90 place, R close',
    follow: 'R back, L replace, R fwd small, L fwd, R fwd +90, L +90 back',
    entry: ['open', 'two'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'cross-body-x1',
    fault: 'turn before the walk',
    holds: [open, two],
    rhythm: '1 2 3 5 6 7',
    beats: 8,
    lead: 'L fwd, R replace, L +90 close, R back, L +90 place, R close',
    follow: 'R back, L replace, R fwd small, L +90 fwd, R +90 fwd, L back',
    entry: ['open', 'two'],
    exit: 'same',
    expect: ['apart', 'wrong-side'],
  },
  {
    id: 'right-turn-under',
    holds: [open],
    rhythm: '1 2 3 5 6 7',
    beats: 8,
    lead: 'L fwd, R replace, L close, R back, L replace, R close',
    follow: 'R back, L replace, R close, L fwd -180, R fwd -180, L close',
    entry: ['open'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'right-turn-under-x1',
    fault: 'walks through after the half turn',
    holds: [open],
    rhythm: '1 2 3 5 6 7',
    beats: 8,
    lead: 'L fwd, R replace, L close, R back, L replace, R close',
    follow: 'R back, L replace, R close, L fwd -180, R back -180, L close',
    entry: ['open'],
    exit: 'same',
    expect: ['apart', 'collide'],
  },
  {
    id: 'box',
    holds: [closed],
    rhythm: '1 2 3 4 5 6',
    lead: 'L fwd, R side, L close, R back, L side, R close',
    follow: 'R back, L side, R close, L fwd, R side, L close',
    entry: ['closed'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'box-x1',
    fault: 'second half back',
    holds: [closed],
    rhythm: '1 2 3 4 5 6',
    lead: 'L fwd, R side, L close, R back, L side, R close',
    follow: 'R back, L side, R close, L back, R side, L close',
    entry: ['closed'],
    exit: 'same',
    expect: ['apart'],
  },
  {
    id: 'half-right',
    holds: [closed],
    rhythm: 'SQQ',
    lead: 'R fwd, L -90 side, R -45 close',
    follow: 'L back, R -90 side, L -45 close',
    entry: ['closed'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'chasse-right',
    holds: [closed],
    rhythm: 'SQQS',
    lead: 'R back, L side, R close, L side',
    follow: 'L fwd, R side, L close, R side',
    entry: ['closed'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'chasse-right-x1',
    fault: 'follower chass\u00e9s away',
    holds: [closed],
    rhythm: 'SQQS',
    lead: 'R back, L side, R close, L side',
    follow: 'L fwd, R cross-front, L side, R cross-front',
    entry: ['closed'],
    exit: 'same',
    expect: ['apart'],
  },
  {
    id: 'wrap-in',
    holds: [two, wrap],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R +45 fwd, L +135 back',
    entry: ['two'],
    exit: 'wrap',
    expect: [],
  },
  {
    id: 'wrap-in-x1',
    fault: 'straight in, then back past him',
    holds: [two, wrap],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R fwd +90, L +90 back',
    entry: ['two'],
    exit: 'wrap',
    expect: ['collide'],
  },
  {
    id: 'hammer-in',
    holds: [two, hammer],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R -180 place, L -180 close',
    entry: ['two'],
    exit: 'hammer',
    expect: [],
  },
  {
    id: 'hammer-in-x1',
    fault: 'claims parallel hands',
    holds: [two],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R -180 place, L -180 close',
    entry: ['two'],
    exit: 'two',
    expect: ['arms-wound'],
    may: ['apart', 'wrong-side', 'collide'],
  },
  {
    id: 'roll-together',
    holds: [two, backs],
    rhythm: 'QQ',
    lead: 'L +180 place, R +180 close',
    follow: 'R -180 place, L -180 close',
    entry: ['two'],
    between: [
      { event: 0, hold: 'backs' },
      { event: 1, hold: 'two' },
    ],
    exit: 'same',
    expect: [],
  },
  {
    id: 'crossed-turn',
    holds: [cross_r, cross_l],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R -180 place, L -180 close',
    entry: ['cross-r'],
    exit: 'cross-l',
    expect: [],
  },
  {
    id: 'crossed-turn-x1',
    fault: 'left turn from right over left',
    holds: [cross_r, cross_l],
    rhythm: 'QQ',
    lead: 'L place, R close',
    follow: 'R +180 place, L +180 close',
    entry: ['cross-r'],
    exit: 'cross-l',
    expect: ['arms-wound'],
    may: ['apart', 'wrong-side', 'collide'],
  },
  {
    id: 'slot-whip',
    holds: [open],
    rhythm: '1 2 3&4 5 6 7&8',
    lead: 'L back small, R side small, L -90 fwd small, R -90 close, L place, R -90 place, L -90 place, R place, L place, R place',
    follow:
      'R fwd, L fwd, R -180 back small, L back small, R fwd, L fwd, R fwd -180, L place, R place, L place',
    entry: ['open'],
    exit: 'same',
    expect: [],
  },
  {
    id: 'slot-whip-x1',
    fault: 'she stays at the far end',
    holds: [open],
    rhythm: '1 2 3&4 5 6 7&8',
    lead: 'L back small, R side small, L -90 fwd small, R -90 close, L place, R -90 place, L -90 place, R place, L place, R place',
    follow: 'R fwd, L fwd, R fwd -180, L back small, R back, L back, R back -180, L place, R place, L place',
    entry: ['open'],
    exit: 'same',
    expect: ['wrong-side'],
  },
];
