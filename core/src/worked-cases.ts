// Cases worked by hand. Tests and documentation read the same table.
import type { Split } from './model/document.ts';

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
  { rhythm: 'SQ', why: /last 3 beats, not 4/, position: 0, beats: '4' },
  { rhythm: '1 2 3', why: /over before "3"/, position: 4, beats: '2' },
];
