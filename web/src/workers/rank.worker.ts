import {
  findMixedUp,
  isOffered,
  type Library,
  type Material,
  type MixedUpPair,
  nearestFigures,
  openLibrary,
  type Pattern,
  type Ranks,
  rankByDifficulty,
  rankByNovelty,
  readFigure,
  type SaidOf,
} from '@map-step/core';
import { expose } from 'comlink';

/** Two figures of a level by their ids that are easily mixed up. */
export interface MixedUpNames extends Omit<MixedUpPair, 'a' | 'b'> {
  readonly a: string;
  readonly b: string;
}

/** More pairs than this nobody works on. */
const MOST_PAIRS = 10;

export interface NearestName {
  readonly id: string;
  readonly novelty: number;
}

let library: Library = openLibrary({});

/** Ranks a whole library away from the page; the library is told once and kept. */
const worker = {
  load(material: Material): void {
    library = openLibrary(material);
  },

  rank(ids: readonly string[], known: readonly string[] | undefined): Ranks {
    return known ? rankByNovelty(library, ids, known) : rankByDifficulty(library, ids);
  },

  /** The figures of a level that are easily mixed up. */
  mixedUp(ids: readonly string[], said: readonly SaidOf[]): readonly MixedUpNames[] {
    const figures = ids.flatMap(id => library.readings.get(id)?.figure ?? []);
    return findMixedUp(figures, said, MOST_PAIRS).map(({ a, b, ...pair }) => ({
      ...pair,
      a: a.pattern.id,
      b: b.pattern.id,
    }));
  },

  /** The figures of the dance that are most like one, which may be as it is being written. */
  nearest(pattern: Pattern, limit: number): readonly NearestName[] {
    const dance = library.dances.get(pattern.dance);
    if (!dance) return [];
    const { figure } = readFigure(pattern, dance);
    const others = [...library.readings.values()].flatMap(reading =>
      reading.figure.dance.id === dance.id && isOffered(reading.figure.pattern) ? [reading.figure] : [],
    );
    return nearestFigures(figure, others, limit).map(({ figure: other, novelty }) => ({
      id: other.pattern.id,
      novelty,
    }));
  },
};

export type RankWorker = typeof worker;

expose(worker);
