import type { Choice, CombineRequest } from './request.ts';

/** Musts and choices that cannot be met together. */
export interface Conflict {
  readonly must: readonly string[];
  readonly choices: readonly Choice[];
}

type Asks = (must: readonly string[], choices: readonly Choice[]) => boolean;

/**
 * Of musts and choices that cannot all be met the fewest that cannot: one, else two, else those that are left when each that can
 * be taken out is.
 */
export function smallestConflict({ must, choices }: CombineRequest, isPossible: Asks): Conflict {
  const all: readonly Conflict[] = [
    ...must.map(id => ({ must: [id], choices: [] })),
    ...choices.map(choice => ({ must: [], choices: [choice] })),
  ];
  const isConflict = (some: readonly Conflict[]) => {
    const { must, choices } = together(some);
    return !isPossible(must, choices);
  };
  const alone = all.find(one => isConflict([one]));
  if (alone) return alone;
  for (const [index, one] of all.entries()) {
    const other = all.slice(index + 1).find(next => isConflict([one, next]));
    if (other) return together([one, other]);
  }
  const left = all.reduce<readonly Conflict[]>((some, one) => {
    const without = some.filter(other => other !== one);
    return isConflict(without) ? without : some;
  }, all);
  return together(left);
}

function together(some: readonly Conflict[]): Conflict {
  return { must: some.flatMap(({ must }) => must), choices: some.flatMap(({ choices }) => choices) };
}
