import type { Library } from '../library/library.ts';
import type { Figure } from '../steps/figure.ts';
import { noveltyBetween } from './compare.ts';
import { figureDifficulty } from './difficulty.ts';

/** A number for each figure; those without steps have none. */
export type Ranks = { readonly [figure: string]: number };

/** How hard each of these figures is. */
export function rankByDifficulty(library: Library, ids: readonly string[]): Ranks {
  return rank(library, ids, figure => figureDifficulty(figure, library).total);
}

/** How much of each figure is new to who knows some others: the least novelty against any of them, 1 for none. */
export function rankByNovelty(library: Library, ids: readonly string[], known: readonly string[]): Ranks {
  const others = known
    .flatMap(id => library.readings.get(id)?.figure ?? [])
    .filter(({ parts }) => parts.length > 0);
  return rank(library, ids, figure =>
    others
      .filter(({ dance }) => dance.id === figure.dance.id)
      .reduce((least, other) => Math.min(least, noveltyBetween(figure, other)), 1),
  );
}

function rank(library: Library, ids: readonly string[], rate: (figure: Figure) => number): Ranks {
  return Object.fromEntries(
    ids.flatMap(id => {
      const figure = library.readings.get(id)?.figure;
      return figure && figure.parts.length > 0 ? [[id, rate(figure)] as const] : [];
    }),
  );
}
