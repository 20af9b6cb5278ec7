/** A new figure, or something else that a class was taught: minutes by the plan, and by the clock. */
export interface TaughtFigure<Kind> {
  readonly kind: Kind;
  readonly planned: number;
  readonly taken: number;
}

/** How much longer, or shorter, a strand takes than planned. */
export interface LearnedRatio<Kind> {
  readonly kind: Kind;
  /** The median of taken over planned, shrunk toward 1. */
  readonly ratio: number;
  /** From so many figures. */
  readonly count: number;
}

/** As much as so many figures that took what was planned. */
const PRIOR = 3;

/**
 * What the logs teach about the minutes of each strand that was logged: `(3 + n·median) / (3 + n)` of the ratios of n
 * figures, so that a few odd evenings change little.
 */
export function learnRatios<Kind>(taught: readonly TaughtFigure<Kind>[]): readonly LearnedRatio<Kind>[] {
  const timed = taught.filter(({ planned, taken }) => planned > 0 && taken > 0);
  return [...new Set(timed.map(({ kind }) => kind))].map(kind => {
    const ratios = timed.flatMap(one => (one.kind === kind ? [one.taken / one.planned] : []));
    return {
      kind,
      ratio: (PRIOR + ratios.length * median(ratios)) / (PRIOR + ratios.length),
      count: ratios.length,
    };
  });
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2;
}
