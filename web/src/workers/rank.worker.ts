import {
  type Figure,
  isOffered,
  type Library,
  type Material,
  nearestFigures,
  openLibrary,
  type Pattern,
  pairsWithoutSignal,
  proposeLookAlikes,
  type Ranks,
  rankByDifficulty,
  rankByNovelty,
  readFigure,
} from '@map-step/core';
import { expose } from 'comlink';

/** Two figures of a level by their ids, and what is said of them. */
export interface BlurringPair {
  readonly a: string;
  readonly b: string;
  readonly novelty: number;
}
export interface UnsignalledNames {
  readonly a: string;
  readonly b: string;
  readonly shared: number;
  readonly by: string;
}

/** The pairs of a level that are to be looked at: the first of them, and how many there are. */
export interface LevelPairs {
  readonly blurring: { readonly first: readonly BlurringPair[]; readonly count: number };
  readonly unsignalled: { readonly first: readonly UnsignalledNames[]; readonly count: number };
}

/** More pairs than this nobody reads. */
const MOST_PAIRS = 200;

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

  /** Every figure of a level compared with every other. */
  pairs(ids: readonly string[]): LevelPairs {
    const figures = ids.flatMap(id => library.readings.get(id)?.figure ?? []);
    const blurring = proposeLookAlikes(figures);
    const unsignalled = pairsWithoutSignal(figures);
    const idsOf = ({ a, b }: { a: Figure; b: Figure }) => ({ a: a.pattern.id, b: b.pattern.id });
    return {
      blurring: {
        first: blurring.slice(0, MOST_PAIRS).map(pair => ({ ...idsOf(pair), novelty: pair.novelty })),
        count: blurring.length,
      },
      unsignalled: {
        first: unsignalled
          .slice(0, MOST_PAIRS)
          .map(pair => ({ ...idsOf(pair), shared: pair.shared, by: pair.by })),
        count: unsignalled.length,
      },
    };
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
