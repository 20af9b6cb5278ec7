import type { Foot, NaturalPart } from '../model/document.ts';
import { printStep, type Step } from './step.ts';

/** In the order in which a follower's step is tried against them. */
export const NATURAL_PARTS: readonly NaturalPart[] = ['opposite', 'image', 'alike'];

const SWAPPED_FOOT: Record<Foot, Foot> = { L: 'R', R: 'L', B: 'B' };

const FACE_TO_FACE: ReadonlyMap<string, string> = new Map(
  [
    ['fwd', 'back'],
    ['diag-fwd', 'diag-back'],
    ['cross-front', 'cross-behind'],
    ['lock-front', 'lock-behind'],
  ].flatMap(([one = '', other = '']) => [
    [one, other],
    [other, one],
  ]),
);

/** The follower's natural step for a leader's: its own inverse. */
export function naturalStep(step: Step, by: NaturalPart): Step {
  const foot = SWAPPED_FOOT[step.foot];
  switch (by) {
    case 'opposite':
      return { ...step, foot, action: FACE_TO_FACE.get(step.action) ?? step.action };
    case 'image':
      return { ...step, foot, turnBefore: 0 - step.turnBefore, turnAfter: 0 - step.turnAfter };
    case 'alike':
      return { ...step, foot };
    default:
      return by satisfies never;
  }
}

/** How a follower's step comes naturally from the leader's, or `own` when it does not. */
export function naturalness(lead: Step, follow: Step): NaturalPart | 'own' {
  const written = printStep(follow);
  return NATURAL_PARTS.find(by => printStep(naturalStep(lead, by)) === written) ?? 'own';
}

export function isNaturalPart(text: string): text is NaturalPart {
  return NATURAL_PARTS.some(part => part === text);
}
