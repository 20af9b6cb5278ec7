import type { Pattern } from './document.ts';

/** The figures that a figure is made of, each once, in their order. */
export function piecesOf({ made = [] }: Pick<Pattern, 'made'>): readonly string[] {
  return [
    ...new Set(made.flatMap(({ pattern, last }) => (last === undefined ? [pattern] : [pattern, last]))),
  ];
}

/** All that a figure needs first: what is said of it, and the pieces that it is made of; each once, in that order. */
export function needsOf({ needs = [], ...rest }: Pick<Pattern, 'needs' | 'made'>): readonly string[] {
  return [...new Set([...needs, ...piecesOf(rest)])];
}
