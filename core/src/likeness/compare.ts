// Two figures compared count by count, role by role: the least-cost alignment of their steps (`align.ts`).
import type { Dance, Role } from '../model/document.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import { stepCount } from '../steps/counts.ts';
import type { Figure, FigurePart } from '../steps/figure.ts';
import { countTerms, findPart } from '../steps/figure.ts';
import { feetAgree } from '../steps/links.ts';
import { otherFootForm } from '../steps/pieces.ts';
import { type AlignedPair, align, type ComparedStep, comparedSteps, isSameStep } from './align.ts';

/** Quarters that a step wholly new costs. */
const WHOLE = 4;

export interface RoleComparison {
  /** From 0, danced alike up to the start foot, to 1, nothing alike. */
  readonly novelty: number;
  readonly pairs: readonly AlignedPair[];
}

export interface Comparison {
  /** Averaged over the roles of both; a role that only one has is wholly new. */
  readonly novelty: number;
  readonly roles: { readonly [role in Role]?: RoleComparison };
  /** Set when A begun at its step of this index is B, in every role. */
  readonly rotated?: number;
}

/**
 * Compares A with B: per role the cost of the alignment over the larger number of steps. Symmetric in novelty;
 * a figure and its other-foot form are alike. O(n·m) for n and m steps.
 */
export function compareFigures(a: Figure, b: Figure): Comparison {
  const compared = rolesOfBoth(a, b).map(role => [role, compareRole(a, b, role)] as const);
  const rotated = findRotation(a, b);
  return {
    novelty: mean(compared.map(([, { novelty }]) => novelty)),
    roles: Object.fromEntries(compared),
    ...(rotated !== undefined && { rotated }),
  };
}

/** The novelty of a comparison alone, for many figures at once. */
export function noveltyBetween(a: Figure, b: Figure): number {
  return mean(rolesOfBoth(a, b).map(role => compareRole(a, b, role).novelty));
}

function rolesOfBoth(a: Figure, b: Figure): readonly Role[] {
  return [...new Set([...a.parts, ...b.parts].map(({ role }) => role))];
}

function mean(values: readonly number[]): number {
  return values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;
}

function compareRole(a: Figure, b: Figure, role: Role): RoleComparison {
  const [left, right] = [stepsOf(a, role), stepsOf(b, role)];
  const { cost, pairs } = align(left, right);
  const most = Math.max(left.length, right.length);
  return { novelty: most === 0 ? 0 : cost / WHOLE / most, pairs };
}

function stepsOf(figure: Figure, role: Role): readonly ComparedStep[] {
  const part = findPart(figure, role);
  return part ? comparedSteps(figure, part) : [];
}

/** The least k above 0 for which A begun at step k is danced as B in every role. Quadratic in the steps. */
function findRotation(a: Figure, b: Figure): number | undefined {
  const count = a.parts[0]?.steps.length ?? 0;
  const isAlike = (k: number) =>
    a.parts.every(part => {
      const other = findPart(b, part.role);
      if (!other || other.steps.length !== part.steps.length || k >= part.steps.length) return false;
      return areSameSteps(comparedSteps(a, begunAt(a.dance, part, k)), comparedSteps(b, other));
    });
  if (a.parts.length === 0 || a.parts.length !== b.parts.length || isAlike(0)) return undefined;
  for (let k = 1; k < count; k += 1) if (isAlike(k)) return k;
  return undefined;
}

function areSameSteps(a: readonly ComparedStep[], b: readonly ComparedStep[]): boolean {
  return (
    a.length === b.length &&
    a.every((step, index) => {
      const other = b[index];
      return other !== undefined && isSameStep(step, other);
    })
  );
}

/** A part begun at another of its steps; one that ends on the other foot comes round in its other-foot form. */
function begunAt(dance: Dance, part: FigurePart, k: number): FigurePart {
  const comesRoundOnOther = !feetAgree(part.end, part.start);
  const round = part.steps.slice(0, k).map(one => {
    const [step] = comesRoundOnOther && one.step ? otherFootForm(dance, [one.step]) : [one.step];
    return { ...one, step: step ?? null };
  });
  return { ...part, steps: [...part.steps.slice(k), ...round], start: 'any' };
}

/** Counts that are danced alike without a break, by the index of A's steps. */
export interface SameRange {
  readonly from: number;
  readonly to: number;
}

/** The runs of steps that are the same in both, in the order of A. */
export function sameRanges(pairs: readonly AlignedPair[]): readonly SameRange[] {
  const ranges: SameRange[] = [];
  let before: AlignedPair | undefined;
  for (const pair of pairs) {
    const [i, , kind] = pair;
    if (kind === 'same') {
      const last = ranges.at(-1);
      if (last && before?.[2] === 'same') ranges[ranges.length - 1] = { ...last, to: i };
      else ranges.push({ from: i, to: i });
    }
    before = pair;
  }
  return ranges;
}

/** What is the same and what is new, as a teacher says it: `1–2 as in Rotating basic, 3 new`. */
export function comparisonInWords(
  a: Figure,
  b: Figure,
  roleNames: { readonly [role in Role]?: string } = {},
  asInB = `as in ${b.pattern.name}`,
): string {
  const { roles } = compareFigures(a, b);
  const told = a.parts.map(
    part => [part.role, partInWords(a, part, roles[part.role]?.pairs ?? [], asInB)] as const,
  );
  const [first, ...others] = told;
  if (!first) return '';
  if (others.every(([, words]) => words === first[1])) return first[1];
  return told.map(([role, words]) => `${roleNames[role] ?? ROLE_NAMES[role]}: ${words}`).join('; ');
}

const ROLE_NAMES: Readonly<Record<Role, string>> = { lead: 'leader', follow: 'follower', solo: 'steps' };

function partInWords(figure: Figure, part: FigurePart, pairs: readonly AlignedPair[], asInB: string): string {
  const count = part.steps.length;
  const same = sameRanges(pairs);
  if (same.length === 1 && same[0]?.from === 0 && same[0].to === count - 1) return `all ${asInB}`;
  const fresh = missingRanges(same, count);
  const told = (ranges: readonly SameRange[]) => rangesInWords(figure, part, ranges).join(', ');
  if (same.length === 0) return 'all new';
  return `${told(same)} ${asInB}${fresh.length > 0 ? `, ${told(fresh)} new` : ''}`;
}

function missingRanges(ranges: readonly SameRange[], count: number): readonly SameRange[] {
  const missing: SameRange[] = [];
  let next = 0;
  for (const { from, to } of [...ranges, { from: count, to: count }]) {
    if (from > next) missing.push({ from: next, to: from - 1 });
    next = to + 1;
  }
  return missing;
}

/** Runs of a part's steps in counts, one after the other. */
export function rangesInWords(figure: Figure, part: FigurePart, ranges: readonly SameRange[]): string[] {
  return ranges.map(range => rangeInWords(figure, part, range));
}

/** Counts as a teacher says them; of a figure that is counted through more than once by its measure: `second eight, 3–4`. */
function rangeInWords(figure: Figure, part: FigurePart, { from, to }: SameRange): string {
  const count = (index: number) => stepCount(figure, part, index);
  const [begin, end] = [measureOf(figure, part, from), measureOf(figure, part, to)];
  if (begin === undefined || end === undefined) return rangeOf(count, from, to);
  if (begin === end) return `${begin}, ${rangeOf(count, from, to)}`;
  return `${begin}, ${count(from)} to ${end}, ${count(to)}`;
}

/** `2–3`; two that are no numbers are said in a row: `& 1`. */
function rangeOf(count: (step: number) => string, from: number, to: number): string {
  if (from === to) return count(from);
  const [begin, end] = [count(from), count(to)];
  const isInRow = to === from + 1 && !/^\d+$/.test(begin);
  return isInRow ? `${begin} ${end}` : `${begin}–${end}`;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];
const MEASURES: Readonly<Record<number, string>> = {
  3: 'three',
  4: 'four',
  6: 'six',
  8: 'eight',
  12: 'twelve',
  16: 'sixteen',
};

/** Which of the figure's rounds of counting a step lies in; undefined where it is counted through once. */
function measureOf(figure: Figure, part: FigurePart, step: number): string | undefined {
  const { cycle } = countTerms(figure.pattern, figure.dance);
  const onset = part.steps[step]?.time?.onset;
  if (figure.beats === null || onset == null || figure.beats <= cycle * TICKS_PER_BEAT) return undefined;
  const round = Math.max(0, Math.floor(onset / (cycle * TICKS_PER_BEAT)));
  return `${ORDINALS[round] ?? `${round + 1}th`} ${MEASURES[cycle] ?? `round of ${cycle}`}`;
}

export interface Nearest {
  readonly figure: Figure;
  readonly novelty: number;
}

/** The figures that are most like one, the nearest first; ties in the order in which they were given. */
export function nearestFigures(figure: Figure, others: readonly Figure[], limit: number): readonly Nearest[] {
  return others
    .filter(other => other.pattern.id !== figure.pattern.id && other.parts.length > 0)
    .map(other => ({ figure: other, novelty: noveltyBetween(figure, other) }))
    .sort((a, b) => a.novelty - b.novelty)
    .slice(0, limit);
}
