import type { Placed, PlanProblem } from './problem.ts';

/** A figure that looks like another, and how the two lie. */
export interface PlacedLookAlike {
  readonly id: string;
  /** Undefined where it is left out. */
  readonly lesson: number | undefined;
  /** True where they lie as the course does not want them. */
  readonly blurs: boolean;
}

/**
 * True when two look-alikes in these lessons blur: in one lesson where the course keeps them apart, more than one lesson
 * from each other where it teaches them side by side.
 */
export function doBlur(apart: boolean, one: number, other: number): boolean {
  return apart ? one === other : Math.abs(one - other) > 1;
}

/** What looks like a figure, in the order of the problem's pairs; what is left out blurs with nothing. */
export function lookAlikesOf(problem: PlanProblem, placed: Placed, id: string): readonly PlacedLookAlike[] {
  const here = placed[id];
  return problem.lookalikes.flatMap(([a, b]) => {
    const other = a === id ? b : b === id ? a : undefined;
    if (other === undefined) return [];
    const lesson = placed[other];
    const blurs = here !== undefined && lesson !== undefined && doBlur(problem.apart, here, lesson);
    return [{ id: other, lesson, blurs }];
  });
}
