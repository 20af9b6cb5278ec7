// Where the exact search has no end: the best trails of every beat, so many of them, taken on together.
import { type SearchTerms, startTrail, type Trail, trailsAfter } from './best-first.ts';

const WIDE = 400;

/** Whole sequences that a beam comes to, the best first; none is no proof that there is none. */
export function beamSearch(terms: SearchTerms, width = WIDE): readonly Trail[] {
  const start = startTrail(terms);
  const byBeat: Trail[][] = Array.from({ length: terms.table.length + 1 }, () => []);
  if (start) byBeat[0] = [start];
  const found: Trail[] = [];
  for (const trails of byBeat)
    for (const trail of best(trails, width))
      for (const next of trailsAfter(trail, terms))
        if (next.isWhole) found.push(next);
        else byBeat[next.at]?.push(next);
  return found.sort((a, b) => a.least - b.least);
}

function best(trails: readonly Trail[], width: number): readonly Trail[] {
  if (trails.length <= width) return trails;
  return [...trails].sort((a, b) => a.least - b.least).slice(0, width);
}
