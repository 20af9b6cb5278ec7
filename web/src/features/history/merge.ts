import type { Clash, Json } from '@map-step/core';
import { dequal } from 'dequal/lite';
import { diff3Merge } from 'node-diff3';

/** True when both people's changes can stand beside each other: in a list, or in a text of several lines. */
export function canMerge({ field, mine, theirs }: Clash): boolean {
  if (Array.isArray(mine)) return Array.isArray(theirs);
  return isText(mine) && isText(theirs) && (field === 'markdown' || [mine, theirs].every(isLong));
}

/** What both want: of lists theirs, then what only mine has; of texts the changes of both; else mine. */
export function mergeBoth({ seen, mine, theirs }: Clash): Json {
  if (Array.isArray(mine) && Array.isArray(theirs))
    return [...theirs, ...mine.filter(entry => !theirs.some(other => dequal(other, entry)))];
  if (isText(mine) && isText(theirs)) return mergeTexts(isText(seen) ? seen : '', mine, theirs);
  return mine;
}

function isText(value: Json): value is string {
  return typeof value === 'string';
}

function isLong(text: string): boolean {
  return text.includes('\n');
}

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
