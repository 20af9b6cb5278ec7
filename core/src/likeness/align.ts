// Global alignment of two lists of steps by dynamic programming over suffixes (Needleman & Wunsch 1970),
// with costs in quarters; O(n·m) time and memory.
import { entryAt } from '../model/entry-at.ts';
import type { Ticks } from '../model/units.ts';
import { danceActions, type Figure, type FigurePart } from '../steps/figure.ts';

export type PairKind = 'same' | 'turn' | 'length' | 'turn-length' | 'action' | 'other';
export type AlignedPair =
  | readonly [number, number, PairKind]
  | readonly [number, null, 'only-a']
  | readonly [null, number, 'only-b'];

export interface Alignment {
  /** In quarters: 4 for a step inserted, deleted or wholly different. */
  readonly cost: number;
  readonly pairs: readonly AlignedPair[];
}

/** A step as likeness sees it: its foot relative to the start foot, turns negated with it in solo figures. */
export interface ComparedStep {
  readonly foot: 'start' | 'other' | 'both';
  readonly action: string;
  readonly weight: string;
  readonly turnBefore: number;
  readonly turnAfter: number;
  /** Ticks with the rests that follow; null without timing. */
  readonly length: Ticks | null;
}

const PAIR_COST: Record<PairKind, number> = {
  same: 0,
  turn: 1,
  length: 1,
  'turn-length': 2,
  action: 2,
  other: 4,
};
const GAP_COST = 4;

/** Steps of a part made comparable; unreadable steps are left out. */
export function comparedSteps(figure: Figure, part: FigurePart): readonly ComparedStep[] {
  const known = compared.get(part) ?? madeComparable(figure, part);
  compared.set(part, known);
  return known;
}

/** A level compares each of its figures with all others. */
const compared = new WeakMap<FigurePart, readonly ComparedStep[]>();

function madeComparable(figure: Figure, part: FigurePart): readonly ComparedStep[] {
  const startFoot = startOf(part);
  const sign = part.role === 'solo' && startFoot === 'R' ? -1 : 1;
  const actions = danceActions(figure.dance);
  return part.steps.flatMap(({ step, time }) =>
    step
      ? [
          {
            foot: step.foot === 'B' ? 'both' : step.foot === startFoot ? 'start' : 'other',
            action: step.action,
            weight: actions.get(step.action) ?? 'takes',
            turnBefore: sign * step.turnBefore + 0,
            turnAfter: sign * step.turnAfter + 0,
            length: time?.length ?? null,
          } as const,
        ]
      : [],
  );
}

/** The start foot; a part that may start on either is taken from the foot it names first. */
function startOf({ start, steps }: FigurePart): 'L' | 'R' {
  if (start === 'L' || start === 'R') return start;
  const named = steps.find(({ step }) => step?.foot === 'L' || step?.foot === 'R')?.step?.foot;
  return named === 'R' ? 'R' : 'L';
}

/** The least-cost alignment; ties are settled from the first step on: pair, then only-a, then only-b. */
export function align(a: readonly ComparedStep[], b: readonly ComparedStep[]): Alignment {
  const rest = restCosts(a, b);
  const at = (i: number, j: number) => entryAt(rest, i * (b.length + 1) + j);
  const pairs: AlignedPair[] = [];
  let i = 0;
  let j = 0;
  while (i < a.length || j < b.length) {
    const [left, right] = [a[i], b[j]];
    const kind = left && right ? comparePair(left, right) : undefined;
    if (kind && at(i, j) === PAIR_COST[kind] + at(i + 1, j + 1)) {
      pairs.push([i, j, kind]);
      i += 1;
      j += 1;
    } else if (left && at(i, j) === GAP_COST + at(i + 1, j)) {
      pairs.push([i, null, 'only-a']);
      i += 1;
    } else {
      pairs.push([null, j, 'only-b']);
      j += 1;
    }
  }
  return { cost: at(0, 0), pairs };
}

function restCosts(a: readonly ComparedStep[], b: readonly ComparedStep[]): Int32Array {
  const width = b.length + 1;
  const rest = new Int32Array((a.length + 1) * width);
  for (let i = a.length; i >= 0; i -= 1)
    for (let j = b.length; j >= 0; j -= 1) {
      const [left, right] = [a[i], b[j]];
      const deleted = left ? GAP_COST + (rest[(i + 1) * width + j] ?? 0) : Infinity;
      const inserted = right ? GAP_COST + (rest[i * width + j + 1] ?? 0) : Infinity;
      const paired =
        left && right ? PAIR_COST[comparePair(left, right)] + (rest[(i + 1) * width + j + 1] ?? 0) : Infinity;
      const best = Math.min(deleted, inserted, paired);
      rest[i * width + j] = best === Infinity ? 0 : best;
    }
  return rest;
}

/** How many steps two parts begin with alike. */
export function sharedOpening(left: readonly ComparedStep[], right: readonly ComparedStep[]): number {
  const differs = left.findIndex((step, index) => {
    const beside = right[index];
    return !beside || !isSameStep(step, beside);
  });
  return differs < 0 ? left.length : differs;
}

/** True when two steps are danced alike in every respect. */
export function isSameStep(a: ComparedStep, b: ComparedStep): boolean {
  return comparePair(a, b) === 'same';
}

function comparePair(a: ComparedStep, b: ComparedStep): PairKind {
  if (a.foot !== b.foot) return 'other';
  if (a.action !== b.action) return a.weight === b.weight ? 'action' : 'other';
  const sameTurn = a.turnBefore === b.turnBefore && a.turnAfter === b.turnAfter;
  const sameLength = a.length === b.length;
  if (sameTurn) return sameLength ? 'same' : 'length';
  return sameLength ? 'turn' : 'turn-length';
}
