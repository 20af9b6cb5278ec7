// Cases worked by hand. Tests and documentation read the same table.
import type { Floor, NaturalPart, Split } from './model/document.ts';
import type { FreeFoot } from './steps/weight.ts';

export interface RhythmCase {
  readonly rhythm: string;
  readonly why: string;
  readonly beats?: string;
  readonly split?: Split;
  readonly cycle?: number;
  readonly slow?: string;
  readonly quick?: string;
  readonly total: string | null;
  readonly onsets: readonly (string | null)[];
  readonly lengths: readonly (string | null)[];
}

export const RHYTHM_CASES: readonly RhythmCase[] = [
  {
    rhythm: 'SSQQ',
    why: '2+2+1+1 = 6',
    total: '6',
    onsets: ['0', '2', '4', '5'],
    lengths: ['2', '2', '1', '1'],
  },
  {
    rhythm: 'slow quick quick',
    why: '2+1+1 = 4',
    total: '4',
    onsets: ['0', '2', '3'],
    lengths: ['2', '1', '1'],
  },
  {
    rhythm: 'SQQ',
    why: 'slow 1, quick ½: 1+½+½ = 2',
    slow: '1',
    quick: '1/2',
    total: '2',
    onsets: ['0', '1', '3/2'],
    lengths: ['1', '1/2', '1/2'],
  },
  {
    rhythm: '1 2 3',
    why: 'floor(2) − 0 + 1 = 3',
    total: '3',
    onsets: ['0', '1', '2'],
    lengths: ['1', '1', '1'],
  },
  {
    rhythm: '&1 2 3',
    why: 'from −½ to 2½',
    beats: '3',
    total: '3',
    onsets: ['-1/2', '0', '1', '2'],
    lengths: ['1/2', '1', '1', '1/2'],
  },
  {
    rhythm: '1 2 3 5 6 7',
    why: 'the gaps at 4 and 8 lengthen 3 and 7',
    beats: '8',
    total: '8',
    onsets: ['0', '1', '2', '4', '5', '6'],
    lengths: ['1', '1', '2', '1', '1', '2'],
  },
  {
    rhythm: '1 2 3 (4)',
    why: 'a rest of 1',
    total: '4',
    onsets: ['0', '1', '2', '3'],
    lengths: ['1', '1', '1', '1'],
  },
  {
    rhythm: '2 3 4&1',
    why: '1 begins a new cycle of 4',
    cycle: 4,
    total: '4',
    onsets: ['1', '2', '3', '7/2', '4'],
    lengths: ['1', '1', '1/2', '1/2', '1'],
  },
  { rhythm: '1&2', why: '½ ½ 1', total: '2', onsets: ['0', '1/2', '1'], lengths: ['1/2', '1/2', '1'] },
  {
    rhythm: '1&2',
    why: '⅔ ⅓ 1 swung',
    split: 'swung',
    total: '2',
    onsets: ['0', '2/3', '1'],
    lengths: ['2/3', '1/3', '1'],
  },
  {
    rhythm: '1&a2',
    why: '⅓ ⅓ ⅓ 1 swung',
    split: 'swung',
    total: '2',
    onsets: ['0', '1/3', '2/3', '1'],
    lengths: ['1/3', '1/3', '1/3', '1'],
  },
  { rhythm: '1a2', why: '¾ ¼ 1', total: '2', onsets: ['0', '3/4', '1'], lengths: ['3/4', '1/4', '1'] },
  {
    rhythm: '1e&a2',
    why: 'four quarters, then 1',
    total: '2',
    onsets: ['0', '1/4', '1/2', '3/4', '1'],
    lengths: ['1/4', '1/4', '1/4', '1/4', '1'],
  },
  {
    rhythm: 'a1',
    why: 'a lone a lies ¼ before 1',
    total: '1',
    onsets: ['-1/4', '0'],
    lengths: ['1/4', '3/4'],
  },
  {
    rhythm: '1 2 (&) 3',
    why: 'a rest of ½',
    total: '3',
    onsets: ['0', '1', '3/2', '2'],
    lengths: ['1', '1/2', '1/2', '1'],
  },
  {
    rhythm: 'S (Q) Q',
    why: 'a rest among slows and quicks',
    total: '4',
    onsets: ['0', '2', '3'],
    lengths: ['2', '1', '1'],
  },
  {
    rhythm: 'free:3',
    why: 'three steps without timing',
    total: null,
    onsets: [null, null, null],
    lengths: [null, null, null],
  },
];

export interface RefusedRhythm {
  readonly rhythm: string;
  readonly why: RegExp;
  readonly position: number;
  readonly beats?: string;
  readonly split?: Split;
}

export const REFUSED_RHYTHMS: readonly RefusedRhythm[] = [
  { rhythm: '34', why: /not a count from 1 to 8/, position: 0 },
  { rhythm: '1 0', why: /not a count/, position: 2 },
  { rhythm: '1 & & 2', why: /does not come after/, position: 4 },
  { rhythm: '1 a e 2', why: /does not come after/, position: 4 },
  { rhythm: '& a', why: /at least one number/, position: 3 },
  { rhythm: '', why: /at least one number/, position: 0 },
  { rhythm: '1e2', why: /no place in a swung beat/, position: 1, split: 'swung' },
  { rhythm: '1 (2 3) 4', why: /one event/, position: 2 },
  { rhythm: '1 (2', why: /never closed/, position: 2 },
  { rhythm: '1 ()', why: /exactly one event/, position: 3 },
  { rhythm: 'S 1', why: /count among slows/, position: 2 },
  { rhythm: '1 x 2', why: /not part of a rhythm/, position: 2 },
  { rhythm: '1 2 / 3', why: /not part of a rhythm/, position: 4 },
  { rhythm: 'free:0', why: /no step at all/, position: 5 },
  { rhythm: 'SQ', why: /last 3 beats, not 4/, position: 0, beats: '4' },
  { rhythm: '1 2 3', why: /over before "3"/, position: 4, beats: '2' },
];

export interface RenderingCase {
  readonly rhythm: string;
  readonly counts: string | null;
  readonly slowQuick: string | null;
  readonly split?: Split;
  readonly cycle?: number;
  readonly slow?: string;
  readonly quick?: string;
  readonly beats?: string;
}

/** How a rhythm is written in the other notations; null where an event has no place there. */
export const RENDERING_CASES: readonly RenderingCase[] = [
  { rhythm: 'SSQQ', counts: '1 3 5 6', slowQuick: 'SSQQ' },
  { rhythm: '1 2 3 (4)', counts: '1 2 3 (4)', slowQuick: 'QQS' },
  { rhythm: '(1) 2 3', counts: '(1) 2 3', slowQuick: '(Q)QQ' },
  { rhythm: '&1 2 3', counts: '&1 2 3', slowQuick: null },
  { rhythm: '1e&a2', counts: '1e&a2', slowQuick: null },
  { rhythm: '1&a2', split: 'swung', counts: '1&a2', slowQuick: null },
  { rhythm: 'SQQ', slow: '1', quick: '1/2', counts: '1 2&', slowQuick: 'SQQ' },
  { rhythm: 'QSQ', slow: '1', quick: '1/2', counts: '1&(2)&', slowQuick: 'QSQ' },
  { rhythm: 'SQ', slow: '3/2', quick: '1/2', split: 'swung', counts: null, slowQuick: 'SQ' },
  { rhythm: '2 3 4&1', cycle: 4, counts: '2 3 4&1', slowQuick: null },
  { rhythm: 'SSSSQQ', slow: '3', quick: '1', cycle: 4, counts: '1 4 3 2 1 2', slowQuick: 'SSSSQQ' },
  { rhythm: 'SQ', slow: '6', quick: '1', cycle: 4, counts: '1 (1) 3', slowQuick: 'SQ' },
  { rhythm: 'free:4', counts: 'free:4', slowQuick: 'free:4' },
];

export interface NaturalCase {
  readonly lead: string;
  readonly follow: string;
  readonly by: NaturalPart | 'own';
}

/** How a follower's step comes from the leader's; tried as opposite, then image, then alike. */
export const NATURAL_CASES: readonly NaturalCase[] = [
  { lead: 'L fwd', follow: 'R back', by: 'opposite' },
  { lead: 'L side', follow: 'R side', by: 'opposite' },
  { lead: 'L cross-front', follow: 'R cross-behind', by: 'opposite' },
  { lead: 'L lock-behind', follow: 'R lock-front', by: 'opposite' },
  { lead: 'L diag-fwd +45', follow: 'R diag-back +45', by: 'opposite' },
  { lead: 'B land', follow: 'B land', by: 'opposite' },
  { lead: 'L back', follow: 'R back', by: 'image' },
  { lead: 'L +90 fwd', follow: 'R -90 fwd', by: 'image' },
  { lead: 'L +90 back', follow: 'R +90 back', by: 'alike' },
  { lead: 'L fwd', follow: 'R side', by: 'own' },
  { lead: 'L fwd', follow: 'L back', by: 'own' },
];

export interface WeightCase {
  readonly part: string;
  readonly start: FreeFoot;
  readonly end: FreeFoot;
}

/** Which foot a part starts on and which it leaves free: every class of weight. */
export const WEIGHT_CASES: readonly WeightCase[] = [
  { part: 'L fwd, R fwd, L close', start: 'L', end: 'R' },
  { part: 'L fwd, R tap, R back', start: 'L', end: 'L' },
  { part: 'R tap', start: 'R', end: 'R' },
  { part: 'L swivel, R fwd', start: 'R', end: 'L' },
  { part: 'B land, L fwd', start: 'any', end: 'R' },
  { part: 'B land, R tap', start: 'any', end: 'R' },
  { part: 'B land, L hop', start: 'any', end: 'R' },
  { part: 'L fwd, R wait, R fwd', start: 'L', end: 'L' },
  { part: 'L fwd, B place', start: 'L', end: 'both' },
  { part: '', start: 'any', end: 'any' },
];

export interface ClosureCase {
  readonly why: string;
  readonly floor: Floor;
  readonly part: string;
  readonly rhythm: string;
  readonly roles?: 'solo';
  readonly turn?: number;
  readonly exit?: string;
  /** foot, facing, phrase of 8, hold, all; beats of all. */
  readonly repeats: readonly [number | null, number | null, number | null, number | null, number | null];
  readonly beats: string | null;
}

export const CLOSURE_CASES: readonly ClosureCase[] = [
  {
    why: '3 over 8 is 8 times, three steps end on the other foot: lcm(2, 1, 8) = 8, 24 beats',
    floor: 'spot',
    part: 'L fwd, R fwd, L close',
    rhythm: '1 2 3',
    repeats: [2, 1, 8, 1, 8],
    beats: '24',
  },
  {
    why: 'a quarter on the line: 4 times; 4 beats fit twice: lcm(1, 4, 2) = 4',
    floor: 'line',
    part: 'L fwd, R fwd',
    rhythm: 'SS',
    turn: 90,
    repeats: [1, 4, 2, 1, 4],
    beats: '16',
  },
  {
    why: 'a half in the slot is no turn at all',
    floor: 'slot',
    part: 'L fwd, R fwd',
    rhythm: 'SS',
    turn: 180,
    repeats: [1, 1, 2, 1, 2],
    beats: '8',
  },
  {
    why: 'pairs keep their turns on the other foot: four eighths of three steps are half round, eight are round',
    floor: 'line',
    part: 'L fwd, R fwd, L close',
    rhythm: '1 2 3 (4)',
    turn: 45,
    repeats: [2, 8, 2, 1, 8],
    beats: '32',
  },
  {
    why: 'a soloist turns back on the other foot: +90 and −90',
    floor: 'walls',
    roles: 'solo',
    part: 'L fwd, R fwd, L close +90',
    rhythm: '1 2 3 (4)',
    repeats: [2, 2, 2, 1, 2],
    beats: '8',
  },
  {
    why: 'a soloist who keeps the foot faces each wall in turn',
    floor: 'walls',
    roles: 'solo',
    part: 'L fwd, R close +90',
    rhythm: 'SS',
    repeats: [1, 4, 2, 1, 4],
    beats: '16',
  },
  {
    why: 'out of a hold that is no entry nothing closes',
    floor: 'spot',
    part: 'L fwd, R fwd',
    rhythm: 'SS',
    exit: 'near',
    repeats: [1, 1, 2, null, null],
    beats: null,
  },
  {
    why: 'without timing there is no phrase',
    floor: 'spot',
    part: 'L fwd, R fwd',
    rhythm: 'free',
    repeats: [1, 1, null, 1, null],
    beats: null,
  },
  {
    why: 'both feet at the end go with either',
    floor: 'spot',
    part: 'L fwd, R fwd, L fwd, B land',
    rhythm: '1 2 3 4',
    repeats: [1, 1, 2, 1, 2],
    beats: '8',
  },
];
