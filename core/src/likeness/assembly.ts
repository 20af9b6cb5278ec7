import { roundHalfUp, type Tenths, tenths } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { align, comparedSteps } from './align.ts';

const BASE_MINUTES = 3;
const MINUTES_PER_NEW_STEP = 0.5;
const BOTH_ROLES_FACTOR = 1.5;

/**
 * Minutes to put a figure together: 3 + ½ for each step new against all the figures it needs, averaged over
 * the roles, times 1.5 where everyone learns both roles; in tenths, half up. A pattern's own `minutes` stand
 * as they are.
 */
export function assemblyMinutes(figure: Figure, needed: readonly Figure[], bothRoles: boolean): Tenths {
  const own = figure.pattern.minutes;
  if (own !== undefined) return tenths(roundHalfUp(own * 10));
  const minutes = BASE_MINUTES + MINUTES_PER_NEW_STEP * newSteps(figure, needed);
  return tenths(roundHalfUp(minutes * (bothRoles ? BOTH_ROLES_FACTOR : 1) * 10));
}

/**
 * Steps that no needed figure has, averaged over the roles: a step is known when an alignment with one of
 * them has it at cost 0.
 */
export function newSteps(figure: Figure, needed: readonly Figure[]): number {
  if (figure.parts.length === 0) return 0;
  const counts = figure.parts.map(part => {
    const steps = comparedSteps(figure, part);
    const known = new Set<number>();
    for (const other of needed) {
      const otherPart = other.parts.find(({ role }) => role === part.role);
      if (!otherPart) continue;
      for (const [index, , kind] of align(steps, comparedSteps(other, otherPart)).pairs)
        if (kind === 'same' && index !== null) known.add(index);
    }
    return steps.length - known.size;
  });
  return counts.reduce((sum, count) => sum + count, 0) / counts.length;
}
