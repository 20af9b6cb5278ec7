import { type Course, type Dance, FORMAT, type Pattern, type StudioDocument } from '../model/document.ts';

/** A small made-up dance for tests: four-beat bars on a line, three holds. */
export const dance: Dance = {
  id: 'quay',
  name: 'Quay',
  roles: 'pair',
  beatsPerBar: 4,
  countCycle: 8,
  slow: 2,
  quick: 1,
  split: 'straight',
  phrase: 8,
  tempo: [{ min: 100, max: 120 }],
  floor: 'line',
  holds: [
    { id: 'open', name: 'Open', contact: 'hand', rel: 180 },
    { id: 'near', name: 'Near', contact: 'body', rel: 180 },
    { id: 'beside', name: 'Beside', contact: 'hand', rel: 0 },
  ],
};

export function figure(id: string, more: Partial<Pattern> = {}): Pattern {
  return {
    id,
    dance: 'quay',
    name: id,
    kind: 'pattern',
    rhythm: '1 2 3 4',
    parts: { lead: 'L fwd, R fwd, L fwd, R close', follow: 'opposite' },
    entry: ['open'],
    exit: 'same',
    ...more,
  };
}

export function studio(patterns: readonly Pattern[], more: Partial<StudioDocument> = {}): StudioDocument {
  return {
    format: FORMAT,
    studio: { name: 'Test rooms', timezone: 'UTC' },
    dances: [dance],
    levels: [
      { id: 'one', dance: 'quay', name: 'One', order: 1 },
      { id: 'two', dance: 'quay', name: 'Two', order: 2 },
    ],
    patterns,
    ...more,
  };
}

export function course(items: Course['items'], more: Partial<Course> = {}): Course {
  return {
    id: 'quay-1',
    dances: ['quay'],
    level: 'one',
    name: 'Quay 1',
    format: 'series',
    approach: 'steps-first',
    lookalikes: 'apart',
    lessons: Array.from({ length: 5 }, () => ({
      minutes: 60,
      fixed: { arrive: 3, warmUp: 5, recall: 6, combine: 8, dance: 10, recap: 4 },
    })),
    items,
    ...more,
  };
}
