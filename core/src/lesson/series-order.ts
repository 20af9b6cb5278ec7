import type { Figure } from '../steps/figure.ts';
import { canFollow } from '../steps/links.ts';

/** A figure in the walk through everything, and whether the one before leads into it. */
export interface SeriesStep {
  readonly figure: Figure;
  /** False where it begins anew: no figure that is left leads on by hold and foot. True for the first. */
  readonly follows: boolean;
}

/**
 * Every figure once, in an order that connects by hold, foot and facing where one can be found by always taking on the
 * figure that has the fewest ways on (Warnsdorff's rule); where nothing leads on it begins anew, with a basic if one is
 * left. Quadratic in the figures; those without steps are left out.
 */
export function seriesOrder(figures: readonly Figure[]): readonly SeriesStep[] {
  const left = new Set(figures.filter(({ parts }) => parts.length > 0));
  const waysOn = (figure: Figure) =>
    [...left].filter(other => other !== figure && canFollow(figure, other)).length;
  const order: SeriesStep[] = [];
  let at: Figure | undefined;
  while (left.size > 0) {
    const before = at;
    const next = before ? [...left].filter(other => canFollow(before, other)) : [];
    const found =
      fewest(next, waysOn) ?? [...left].find(({ pattern }) => pattern.kind === 'basic') ?? [...left][0];
    if (!found) break;
    order.push({ figure: found, follows: before === undefined || next.length > 0 });
    left.delete(found);
    at = found;
  }
  return order;
}

function fewest(figures: readonly Figure[], count: (figure: Figure) => number): Figure | undefined {
  return figures.reduce<Figure | undefined>(
    (best, figure) => (best === undefined || count(figure) < count(best) ? figure : best),
    undefined,
  );
}
