import { isOffered, type Library } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { entryHolds, exitHolds } from '../steps/holds.ts';

/** What a level's figures use that is taught in no level up to it. */
export interface Granted {
  /** Figures that are needed, in turn, and stand in no level or in a higher one. */
  readonly figures: readonly string[];
  /** Holds that figures start from and that no way leads to from a basic. */
  readonly holds: readonly string[];
}

/** What a level takes for granted; empty for one that stands on what is taught. */
export function takenForGranted(library: Library, levelId: string): Granted {
  const level = library.levels.get(levelId);
  if (!level) return { figures: [], holds: [] };
  const ofDance = [...library.patterns.values()].filter(({ dance }) => dance === level.dance);
  const orderOf = (id: string | undefined) => library.levels.get(id ?? '')?.order ?? Number.POSITIVE_INFINITY;
  const taught = ofDance.filter(pattern => isOffered(pattern) && orderOf(pattern.level) <= level.order);
  const isTaught = new Set(taught.map(({ id }) => id));
  const own = taught.filter(pattern => pattern.level === levelId);
  const needed = new Set<string>();
  const waiting = own.flatMap(({ needs = [] }) => needs);
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop()) {
    if (needed.has(id)) continue;
    needed.add(id);
    waiting.push(...(library.patterns.get(id)?.needs ?? []));
  }
  const ready = reachableHolds(taught);
  return {
    figures: [...needed].filter(id => library.patterns.has(id) && !isTaught.has(id)),
    holds: [...new Set(own.flatMap(entryHolds))].filter(hold => !ready.has(hold)),
  };
}

/** The holds that one comes to from the basics by figures among these. */
function reachableHolds(taught: readonly Pattern[]): ReadonlySet<string> {
  const ready = new Set(taught.filter(({ kind }) => kind === 'basic').flatMap(entryHolds));
  let grew = true;
  while (grew) {
    const before = ready.size;
    for (const pattern of taught)
      for (const entry of entryHolds(pattern))
        if (ready.has(entry)) for (const exit of exitHolds(pattern, entry)) ready.add(exit);
    grew = ready.size > before;
  }
  return ready;
}
