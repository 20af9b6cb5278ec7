import {
  type Combination,
  type CombineRequest,
  type Dance,
  type EveningFigures,
  greatestCommonDivisor,
  halvesOf,
  homeStart,
  type Library,
  standOf,
  TICKS_PER_BEAT,
  ticks,
} from '@map-step/core';
import { useMemo, useState } from 'react';
import { useCourse } from '../course/course-context.ts';

/** Whether a figure may be danced, must be, or is left out. */
export type Wish = 'may' | 'must' | 'not';

export interface Asking {
  readonly beats: number;
  setBeats(beats: number): void;
  readonly end: 'same' | 'opposite';
  setEnd(end: 'same' | 'opposite'): void;
  readonly maxInRow: number;
  setMaxInRow(most: number): void;
  wishFor(id: string): Wish;
  setWish(id: string, wish: Wish): void;
  readonly start: Combination['start'] | undefined;
  /** Undefined where nothing may be danced. */
  readonly request: CombineRequest | undefined;
}

const ANSWERS = 5;
/** About as long as a song holds still for. */
const USUAL_BEATS = 64;
const USUAL_IN_ROW = 2;

/** What is asked for: at first what the class has had, with tonight's figures in it. */
export function useAsking({ dance, known, lessons }: EveningFigures): Asking {
  const { library } = useCourse();
  const [asked, setBeats] = useState<number>();
  const [end, setEnd] = useState<Asking['end']>('same');
  const [maxInRow, setMaxInRow] = useState(USUAL_IN_ROW);
  const [wishes, setWishes] = useState<Readonly<Record<string, Wish>>>({});
  const tonight = lessons.at(-1) ?? [];
  const had = new Set([...known, ...lessons.flat()]);
  const hadKey = [...had].join(' ');
  const tonightKey = tonight.join(' ');
  const reached = useMemo(
    () => new Set(homeStart(library, wordsOf(hadKey), wordsOf(tonightKey))?.reached),
    [library, hadKey, tonightKey],
  );
  const wishFor = (id: string): Wish =>
    wishes[id] ?? (reached.has(id) ? 'must' : had.has(id) ? 'may' : 'not');
  const ids = useMemo(() => dancedIds(library, dance.id), [library, dance.id]);
  const use = ids.filter(id => wishFor(id) !== 'not');
  const must = use.filter(id => wishFor(id) === 'must');
  const [useKey, mustKey] = [use.join(' '), must.join(' ')];
  const start = useMemo(
    () => homeStart(library, wordsOf(useKey), wordsOf(mustKey))?.start,
    [library, useKey, mustKey],
  );
  const beats = asked ?? usualBeats(library, dance, use);
  const request: CombineRequest | undefined = start && {
    ...{ dance: dance.id, use, must, start: standOf(start), end, choices: [], maxInRow, count: ANSWERS },
    beats: ticks(Math.round(beats * TICKS_PER_BEAT)),
  };
  return {
    ...{ beats, setBeats, end, setEnd, maxInRow, setMaxInRow, wishFor, start, request },
    setWish: (id, wish) => setWishes(now => ({ ...now, [id]: wish })),
  };
}

/** All figures of a dance, each with its halves after it. */
function dancedIds(library: Library, dance: string): readonly string[] {
  return [...library.readings.values()].flatMap(({ figure }) =>
    figure.dance.id === dance ? [figure.pattern.id, ...halvesOf(figure)] : [],
  );
}

/** Whole phrases that the beats of the figures can fill. */
function usualBeats(library: Library, { phrase }: Dance, use: readonly string[]): number {
  const lengths = use.flatMap(id => library.readings.get(id)?.figure.beats ?? []);
  const grain = lengths.reduce<number>(greatestCommonDivisor, 0) / TICKS_PER_BEAT;
  if (grain === 0 || !Number.isInteger(grain)) return USUAL_BEATS;
  const whole = (grain * phrase) / greatestCommonDivisor(grain, phrase);
  return Math.max(1, Math.floor(USUAL_BEATS / whole)) * whole;
}

function wordsOf(text: string): readonly string[] {
  return text === '' ? [] : text.split(' ');
}
