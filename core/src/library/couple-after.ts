import { carriedHints, carriedPoses, NOT_OFF, offAfter } from '../couple/carry.ts';
import { inHoldInForce } from '../couple/describe-couple.ts';
import type { CouplePose } from '../couple/together.ts';
import type { Figure } from '../steps/figure.ts';
import { danceFigure, entryOf, exitOf } from './danced-figures.ts';

/**
 * The couple after each moment of a figure that is danced after another, or for the second time, from where that left it: on the
 * ways that fail least. Empty where the one does not lead into the other, or no couple dances them.
 */
export function coupleAfter(figure: Figure, before: Figure): readonly CouplePose[] {
  const [danced, first] = [danceFigure(figure), danceFigure(before)];
  if (!danced || !first) return [];
  const isOther = figure === before && danced.otherWays.length > 0;
  const ways = (isOther ? danced.otherWays : danced.ways).flatMap(way =>
    first.ways
      .filter(other => exitOf(other) === entryOf(way))
      .map(other => {
        const off = offAfter(other, NOT_OFF);
        return { way, off, hints: carriedHints(way, off).length };
      }),
  );
  const [best, ...others] = ways;
  if (!best) return [];
  const { way, off } = others.reduce((least, one) => (one.hints < least.hints ? one : least), best);
  return inHoldInForce(way.line, carriedPoses(way, off));
}
