// Figures that are taken for each other: what is worth telling of them, the worst first, and what helps.
import { hasWholeWords } from '../model/whole-words.ts';
import { stepCount } from '../steps/counts.ts';
import type { Figure } from '../steps/figure.ts';
import { sharedSteps, signalsBy } from './openings.ts';

/** What was said of a figure: a fault, a remark beside a mark, a note of an evening. */
export interface SaidOf {
  readonly pattern: string;
  readonly text: string;
}

export interface MixedUpPair {
  readonly a: Figure;
  readonly b: Figure;
  /** Steps from the start that are alike in every role. */
  readonly shared: number;
  /** The count by which a signal must have come, as A is written. */
  readonly by: string;
  /** What was said of one of them that names the other. */
  readonly said: readonly string[];
  /** A signal where none comes in time; else other evenings, or one against the other where they are known to look alike. */
  readonly helps: 'signal' | 'apart' | 'contrast';
}

/**
 * The pairs of a level that are easily mixed up, the worst first: what was said of one names the other, or they begin alike for
 * half of the shorter one, farther than most of the level does, in one hold, and no signal comes by where they part. O(n²)
 * comparisons of openings for n figures.
 */
export function findMixedUp(
  figures: readonly Figure[],
  said: readonly SaidOf[],
  most: number,
): readonly MixedUpPair[] {
  const danced = figures.filter(({ parts }) => parts.length > 0);
  const common = commonOpening(danced);
  const faults = danced.flatMap(({ pattern }) =>
    (pattern.marks ?? []).flatMap(({ kind, text }) =>
      kind === 'fault' ? [{ pattern: pattern.id, text }] : [],
    ),
  );
  const texts = [...said, ...faults];
  const pairs = danced.flatMap((a, index) =>
    danced.slice(index + 1).flatMap((b): MixedUpPair[] => {
      if (a.dance.id !== b.dance.id) return [];
      const named = [...naming(texts, a, b), ...naming(texts, b, a)];
      const shared = sharedSteps(a, b);
      const isTold = signalsBy(a, shared).length > 0 || signalsBy(b, shared).length > 0;
      const isLong = shared > common && shared * 2 >= Math.min(lengthOf(a), lengthOf(b));
      const blurs = isLong && !isTold && shareEntry(a, b);
      if (!blurs && named.length === 0) return [];
      const [part] = a.parts;
      const by = part ? stepCount(a, part, Math.min(shared, part.steps.length - 1)) : '';
      const helps = isTold || shared === 0 ? (areWritten(a, b) ? 'contrast' : 'apart') : 'signal';
      return [{ a, b, shared, by, said: named, helps }];
    }),
  );
  const share = ({ a, b, shared }: MixedUpPair) => shared / Math.min(lengthOf(a), lengthOf(b));
  return pairs
    .toSorted((one, other) => other.said.length - one.said.length || share(other) - share(one))
    .slice(0, most);
}

/** Of fewer figures none is most of them. */
const FEW = 6;

/** Steps that more than half of the figures begin with: they tell nothing of which it is. */
function commonOpening(figures: readonly Figure[]): number {
  if (figures.length < FEW) return 0;
  const mostAlike = Math.floor(figures.length / 2) + 1;
  const reached = figures.map(figure => {
    const others = figures.map(other => sharedSteps(figure, other)).toSorted((x, y) => y - x);
    return others[mostAlike - 1] ?? 0;
  });
  return Math.max(0, ...reached);
}

/** Words that tell of one figure in the place of another; a name alone may stand in any sentence. */
const IN_ITS_PLACE =
  /\b(instead|mix|mixes|mixed|mistakes?|mistook|mistaken|confuses?|confused|becomes?|turns into|taken for|same as)\b/i;

function naming(texts: readonly SaidOf[], of: Figure, other: Figure): readonly string[] {
  const { name, aliases = [] } = other.pattern;
  const names = [name, ...aliases.map(alias => alias.name)];
  return texts
    .filter(({ pattern, text }) => pattern === of.pattern.id && IN_ITS_PLACE.test(text))
    .filter(({ text }) => names.some(one => hasWholeWords(text, one)))
    .map(({ text }) => text);
}

function areWritten(a: Figure, b: Figure): boolean {
  const names = ({ pattern }: Figure, id: string) =>
    pattern.lookalikes?.includes(id) === true || pattern.variantOf === id;
  return names(a, b.pattern.id) || names(b, a.pattern.id);
}

function shareEntry(a: Figure, b: Figure): boolean {
  const entries = new Set(a.pattern.entry ?? []);
  return a.dance.roles === 'solo' || (b.pattern.entry ?? []).some(hold => entries.has(hold));
}

function lengthOf({ parts }: Figure): number {
  return parts[0]?.steps.length ?? 0;
}
