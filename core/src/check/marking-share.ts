/** So many of the first are marked by everybody, to see whether markers mean the same. */
export const SHARED_STUDENTS = 3;

/**
 * Which of `count` things one of several markers marks: every n-th, beginning with the place of their name, and the first
 * `shared` with all others. The same for everybody who asks, so that nothing need be agreed on; everything for who is not among the
 * markers.
 */
export function markingShare(
  count: number,
  markers: readonly string[],
  marker: string,
  shared = 0,
): readonly number[] {
  const all = Array.from({ length: count }, (_, index) => index);
  const sorted = [...new Set(markers)].sort();
  const place = sorted.indexOf(marker);
  if (place < 0 || sorted.length < 2) return all;
  return all.filter(index => index < shared || (index - shared) % sorted.length === place);
}
