import type { FigureEditing } from './use-figure-draft.ts';
import { useMadeFigure } from './use-made-figure.ts';

/** Makes the other side of a solo figure, or the mirror of a couple's, a figure of its own; undefined where it cannot be. */
export function useOtherSide({ reading, isNew, pattern }: FigureEditing) {
  const made = useMadeFigure(pattern);
  const { dance, parts } = reading.figure;
  const isSolo = dance.roles === 'solo';
  const pieces = [{ pattern: pattern.id, side: isSolo ? 'other' : 'mirrored' }] as const;
  if (!made || isNew || parts.length === 0 || !made.write(pieces).ok) return undefined;
  const name = `${pattern.name}, ${isSolo ? 'other side' : 'mirrored'}`;
  return {
    words: isSolo ? 'Its other side as a figure of its own' : 'Its mirror as a figure of its own',
    make: () => made.make(name, pieces, { ...(pattern.marks && { marks: pattern.marks }) }),
  };
}
