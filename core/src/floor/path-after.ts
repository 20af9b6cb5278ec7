import { type Figure, findPart } from '../steps/figure.ts';
import { inOtherFootForm } from '../steps/pieces.ts';
import { footRepeats } from './closure.ts';
import { figurePath, type Track } from './path.ts';

/** The tracks of a figure danced after another, or twice, on the other feet where it ends on them. */
export function pathAfter(figure: Figure, before: Figure): readonly Track[] {
  const isOther = figure === before && footRepeats(figure) === 2;
  const next = isOther ? inOtherFootForm(figure) : figure;
  const parts = before.parts.map(part => ({
    ...part,
    steps: [...part.steps, ...(findPart(next, part.role)?.steps ?? [])],
  }));
  return figurePath({ ...before, parts });
}
