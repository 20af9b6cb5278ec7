/** How many figures must be set in, taken out or changed to make one sequence of another (V. Levenshtein, 1966); quadratic. */
export function editDistance(a: readonly string[], b: readonly string[]): number {
  let row = b.map((_, index) => index + 1);
  for (const [i, one] of a.entries()) {
    let [diagonal, left] = [i, i + 1];
    row = row.map((above, j) => {
      const distance = Math.min(above + 1, left + 1, diagonal + (one === b[j] ? 0 : 1));
      diagonal = above;
      left = distance;
      return distance;
    });
  }
  return row.at(-1) ?? a.length;
}

/** True where two sequences differ in at least a third of the longer. */
export function areDifferent(a: readonly string[], b: readonly string[]): boolean {
  return editDistance(a, b) * 3 >= Math.max(a.length, b.length);
}
