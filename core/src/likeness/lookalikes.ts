import type { Figure } from '../steps/figure.ts';
import { leastNovelty, noveltyBetween } from './compare.ts';
import { sharedSteps } from './openings.ts';

export interface LookAlike {
  readonly a: Figure;
  readonly b: Figure;
  readonly novelty: number;
  /** Steps from the start that are alike in every role. */
  readonly shared: number;
}

/** Under this novelty two figures are taken to blur. */
export const BLURS_UNDER = 0.3;

/**
 * Pairs that blur and are not written down as look-alikes: little novelty, or the same opening for half the
 * shorter one. The likest first. O(n²) comparisons for n figures.
 */
export function proposeLookAlikes(figures: readonly Figure[]): readonly LookAlike[] {
  const danced = figures.filter(({ parts }) => parts.length > 0);
  const found = danced.flatMap((a, index) =>
    danced.slice(index + 1).flatMap((b): LookAlike[] => {
      if (a.dance.id !== b.dance.id || isWritten(a, b)) return [];
      const shared = sharedSteps(a, b);
      const shorter = Math.min(...[a, b].map(({ parts }) => parts[0]?.steps.length ?? 0));
      const beginAlike = shared > 0 && shared * 2 >= shorter;
      if (!beginAlike && leastNovelty(a, b) >= BLURS_UNDER) return [];
      const novelty = noveltyBetween(a, b);
      return beginAlike || novelty < BLURS_UNDER ? [{ a, b, novelty, shared }] : [];
    }),
  );
  return found.sort((x, y) => x.novelty - y.novelty);
}

function isWritten(a: Figure, b: Figure): boolean {
  const names = (figure: Figure, id: string) =>
    figure.pattern.lookalikes?.includes(id) === true || figure.pattern.variantOf === id;
  return names(a, b.pattern.id) || names(b, a.pattern.id);
}
