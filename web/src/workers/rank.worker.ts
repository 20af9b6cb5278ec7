import {
  isOffered,
  type Library,
  type Material,
  nearestFigures,
  openLibrary,
  type Pattern,
  type Ranks,
  rankByDifficulty,
  rankByNovelty,
  readFigure,
} from '@map-step/core';
import { expose } from 'comlink';

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
