/**
 * Whole shares of `total` in proportion to `weights` by the largest remainder (Hamilton's method); ties go to
 * the earlier. They add up to `total` exactly; all weights 0 gives everything to the first.
 */
export function shareOut(total: number, weights: readonly number[]): readonly number[] {
  if (weights.length === 0) return [];
  const sum = weights.reduce((all, weight) => all + weight, 0);
  if (sum === 0) return weights.map((_, index) => (index === 0 ? total : 0));
  const exact = weights.map(weight => (total * weight) / sum);
  const shares = exact.map(Math.floor);
  const missing = total - shares.reduce((all, share) => all + share, 0);
  const byRemainder = exact
    .map((value, index) => ({ index, remainder: Math.round((value - Math.floor(value)) * 1e9) }))
    .sort((a, b) => b.remainder - a.remainder || a.index - b.index);
  for (const { index } of byRemainder.slice(0, missing)) shares[index] = (shares[index] ?? 0) + 1;
  return shares;
}
