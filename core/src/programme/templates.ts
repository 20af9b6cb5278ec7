// Neutral beginnings for a dance and its courses: everything in them is there to be changed.
import type { Course, CourseLesson, Dance, FixedBlocks, Hold } from '../model/document.ts';

const PAIR_HOLDS: readonly Hold[] = [
  { id: 'two-hand', name: 'Two hands', contact: 'hand', rel: 180 },
  { id: 'one-hand', name: 'One hand', contact: 'hand', rel: 180 },
  { id: 'close', name: 'Close', contact: 'body', rel: 180 },
  { id: 'apart', name: 'Apart', contact: 'none', rel: 180 },
];

const PAIR = {
  roles: 'pair',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 8,
  tempo: [],
  floor: 'spot',
  holds: PAIR_HOLDS,
} as const satisfies Omit<Dance, 'id' | 'name'>;

export interface RhythmTemplate {
  readonly id: string;
  readonly words: string;
  /** A rhythm of this kind, as it is typed. */
  readonly example: string;
  readonly dance: Omit<Dance, 'id' | 'name'>;
}

/** Kinds of rhythm that a dance may begin from. */
export const RHYTHM_TEMPLATES: readonly RhythmTemplate[] = [
  {
    id: 'six-triples',
    words: 'Six beats with triple steps',
    example: '1 2 3&4 5&6',
    dance: { ...PAIR, countCycle: 6, split: 'swung' },
  },
  {
    id: 'six-singles',
    words: 'Six beats with single steps',
    example: '1 2 3 (4) 5 (6)',
    dance: { ...PAIR, countCycle: 6 },
  },
  { id: 'eight-rests', words: 'Eight beats with rests', example: '1 2 3 (4) 5 6 7 (8)', dance: PAIR },
  {
    id: 'slow-quick-line',
    words: 'Slows and quicks around the room',
    example: 'SSQQ',
    dance: { ...PAIR, floor: 'line', phrase: 16 },
  },
  {
    id: 'three-four',
    words: 'Three-four time',
    example: '1 2 3',
    dance: { ...PAIR, beatsPerBar: 3, countCycle: 6, floor: 'line' },
  },
  {
    id: 'solo-eights',
    words: 'Alone, in eights',
    example: '1 2 3 4 5 6 7 8',
    dance: { ...PAIR, roles: 'solo', floor: 'free', holds: [] },
  },
  {
    id: 'no-timing',
    words: 'Without set timing',
    example: 'free:4',
    dance: { ...PAIR, floor: 'free' },
  },
];

/** The blocks of an hour; other lengths in proportion, in whole minutes. */
const HOUR = { arrive: 3, warmUp: 5, recall: 6, combine: 6, dance: 7, recap: 3 } as const;
/** The last lesson puts together and checks. */
const LAST_HOUR = { ...HOUR, recall: 8, combine: 12, dance: 8, check: 12 } as const;

/** So many lessons of a length with their usual blocks; in a series the last one checks. */
export function usualLessons(count: number, minutes: number, format: Course['format']): CourseLesson[] {
  return Array.from({ length: count }, (_, index) => {
    const isLast = format === 'series' && index === count - 1;
    return { minutes, fixed: inProportion(isLast ? LAST_HOUR : HOUR, minutes) };
  });
}

function inProportion(hour: FixedBlocks, minutes: number): FixedBlocks {
  const part = (block: number) => Math.round((block * minutes) / 60);
  const { arrive, warmUp, recall, combine, dance, check, recap } = hour;
  return {
    arrive: part(arrive),
    ...(warmUp !== undefined && { warmUp: part(warmUp) }),
    ...(recall !== undefined && { recall: part(recall) }),
    combine: part(combine),
    dance: part(dance),
    ...(check !== undefined && { check: part(check) }),
    recap: part(recap),
  };
}
