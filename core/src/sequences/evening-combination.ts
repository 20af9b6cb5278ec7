// What an evening puts together: tonight's figures twice, those of the evenings before once, in whole phrases, as many as are needed.
import type { Library } from '../library/library.ts';
import type { Combination, Dance } from '../model/document.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { TICKS_PER_BEAT, ticks } from '../model/units.ts';
import { combineFigures, type FoundSequence } from './combine.ts';
import { homeStart } from './home-start.ts';
import { type CombineRequest, standOf } from './request.ts';
import { usableFigure } from './usable-figures.ts';

/** Which figures a class has had by an evening: those of each lesson, the newest evening last. */
export interface EveningFigures {
  readonly dance: Dance;
  /** Ids of what is known from before: basics and levels below. */
  readonly known: readonly string[];
  /** Ids of what each lesson up to this one introduced. */
  readonly lessons: readonly (readonly string[])[];
}

export interface EveningCombination {
  readonly start: Combination['start'];
  readonly found: FoundSequence;
  /** Figures that were asked for; one that no way leads to and back is left out. */
  readonly must: readonly string[];
}

/** Musts that one search holds well. */
const MOST_ASKED = 8;
/** Shares of the whole that the musts may fill. */
const ROOM_FOR_MUSTS = 0.7;
const MOST_PHRASES = 16;
const TRIES = 8;
const MOST_IN_ROW = 2;

/** The combination of an evening; undefined where nothing can be danced round. Repeats exactly. */
export function eveningCombination(
  library: Library,
  { dance, known, lessons }: EveningFigures,
): EveningCombination | undefined {
  const use = [...new Set([...known, ...lessons.flat()])].filter(id => isDanced(library, dance, id));
  const home = homeStart(
    library,
    use,
    askedFor(lessons).filter(id => use.includes(id)),
  );
  if (!home) return undefined;
  const { start } = home;
  let asked = home.reached.slice(0, Math.max(MOST_ASKED, 2 * (lessons.at(-1)?.length ?? 0)));
  for (let count = 0; count < TRIES; count += 1) {
    for (const beats of lengthsFor(library, dance, asked)) {
      const { sequences, why } = combineFigures(
        library,
        requestOf({ dance, use, start, must: asked, beats }),
        {
          ...{ first: 8_000, others: 0 },
        },
      );
      const [found] = sequences;
      if (found) return { start, found, must: asked };
      if (why && why.rule !== 'lengths' && why.rule !== 'must') break;
    }
    if (asked.length === 0) return undefined;
    asked = asked.slice(0, -1);
  }
  return undefined;
}

type Asking = Pick<EveningCombination, 'start'> & {
  readonly dance: Dance;
  readonly use: readonly string[];
  readonly must: readonly string[];
  readonly beats: number;
};

function requestOf({ dance, use, start, must, beats }: Asking): CombineRequest {
  return {
    ...{ dance: dance.id, use, must, start: standOf(start), end: 'same', choices: [] },
    ...{ beats: ticks(beats * TICKS_PER_BEAT), maxInRow: MOST_IN_ROW, count: 1 },
  };
}

/** Tonight's twice, then the evenings before, the newest first. */
function askedFor(lessons: readonly (readonly string[])[]): readonly string[] {
  const [tonight = [], ...before] = [...lessons].reverse();
  return [...tonight, ...tonight, ...before.flat()];
}

function isDanced(library: Library, dance: Dance, id: string): boolean {
  const reading = library.readings.get(id);
  if (!reading || reading.faults.length > 0 || reading.figure.dance.id !== dance.id) return false;
  return !isOnlyPractised(reading.figure.pattern) && usableFigure(reading.figure) !== undefined;
}

/** Whole phrases with room for what is asked, shortest first; where its beats never fill one, as many as they do. */
function lengthsFor(library: Library, dance: Dance, asked: readonly string[]): readonly number[] {
  const beatsOf = (id: string) => (library.readings.get(id)?.figure.beats ?? 0) / TICKS_PER_BEAT;
  const least = asked.reduce((sum, id) => sum + beatsOf(id), 0) / ROOM_FOR_MUSTS;
  const { phrase } = dance;
  const first = Math.max(2, Math.ceil(least / phrase));
  return Array.from({ length: Math.max(1, MOST_PHRASES - first) }, (_, index) => (first + index) * phrase);
}
