import type { Pattern } from './document.ts';

/** All that a figure needs first: what is said of it, and the pieces that it is made of; each once, in that order. */
export function needsOf({ needs = [], made = [] }: Pick<Pattern, 'needs' | 'made'>): readonly string[] {
  const pieces = made.flatMap(({ pattern, last }) => (last === undefined ? [pattern] : [pattern, last]));
  return [...new Set([...needs, ...pieces])];
}
