import { diff3Merge } from 'node-diff3';

/**
 * Both people's changes to a text, by lines: what only one changed is taken from them; where both changed the
 * same lines theirs come first and mine after, so that nothing is lost and the person can tidy up.
 */
export function mergeTexts(base: string, mine: string, theirs: string): string {
  const regions = diff3Merge(mine.split('\n'), base.split('\n'), theirs.split('\n'));
  return regions
    .flatMap(({ ok, conflict }) => ok ?? [...(conflict?.b ?? []), ...(conflict?.a ?? [])])
    .join('\n');
}
