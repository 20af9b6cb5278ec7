import { stepCount } from '../steps/counts.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds } from '../steps/holds.ts';
import { comparedSteps, sharedOpening } from './align.ts';

/** Figures that the one being danced can still become, up to one of its counts. */
export interface StillAnother {
  /** The count after which it is too late: the last step that they share. */
  readonly upTo: string;
  readonly figures: readonly Figure[];
}

/**
 * What the leader may still make of a figure while it is danced: those that begin in the same hold with the same steps of whoever
 * leads, by the count up to which they do; the earliest first. Linear in the steps of all.
 */
export function stillAnother(figure: Figure, among: readonly Figure[]): readonly StillAnother[] {
  const [part] = figure.parts;
  if (!part) return [];
  const holds = entryHolds(figure.pattern);
  const byStep = new Map<number, Figure[]>();
  for (const other of among) {
    if (other.pattern.id === figure.pattern.id || other.dance.id !== figure.dance.id) continue;
    const isHeldAlike =
      holds.length === 0 || entryHolds(other.pattern).some(hold => holds.some(own => own === hold));
    const shared = isHeldAlike ? sharedFrom(figure, other) : 0;
    if (shared > 0) byStep.set(shared, [...(byStep.get(shared) ?? []), other]);
  }
  return [...byStep]
    .sort(([a], [b]) => a - b)
    .map(([shared, figures]) => ({ upTo: stepCount(figure, part, shared - 1), figures }));
}

/** Steps of the leader, or of who dances alone, that two figures begin with. */
function sharedFrom(figure: Figure, other: Figure): number {
  const [[own], [theirs]] = [figure.parts, other.parts];
  if (!own || own.role !== theirs?.role || own.start !== theirs.start) return 0;
  return sharedOpening(comparedSteps(figure, own), comparedSteps(other, theirs));
}
