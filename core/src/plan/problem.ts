import type { CostWeights, ItemValue, PatternKind } from '../model/document.ts';
import type { Tenths } from '../model/units.ts';

export interface PlanItem {
  readonly id: string;
  readonly kind: PatternKind;
  readonly value: ItemValue;
  readonly assembly: Tenths;
  readonly elements: readonly string[];
  readonly needs: readonly string[];
  readonly from?: number;
  readonly to?: number;
  readonly pin?: number;
  /** Its pieces in one lesson, joined in the next. */
  readonly split?: boolean;
  readonly gate?: boolean;
  /** The lessons of its dance, where a course has several. */
  readonly allowed?: readonly number[];
}

/** Which item is introduced in which lesson: lessons count from 1, minutes are tenths. */
export interface PlanProblem {
  readonly lessons: readonly { readonly capacity: Tenths }[];
  readonly items: readonly PlanItem[];
  readonly elements: { readonly [id: string]: Tenths };
  readonly known?: readonly string[];
  readonly lookalikes: readonly (readonly [string, string])[];
  readonly apart: boolean;
  readonly open?: boolean;
  readonly published?: { readonly [id: string]: number };
  readonly taught?: { readonly lessons: number; readonly items: { readonly [id: string]: number } };
  readonly weights?: Partial<CostWeights>;
}

/** The lesson of each placed item; what is missing is left out. */
export type Placed = { readonly [id: string]: number };

/** The published weights; a course may change them. */
export const COST_WEIGHTS: CostWeights = {
  must: 10_000,
  should: 1000,
  could: 100,
  level: 1,
  largest: 3,
  lookalike: 20,
  mix: 5,
  moved: 15,
};

/** Minutes above its share that a lesson may have before it counts as uneven. */
export const LEVEL_SLACK_MINUTES = 2;

/** Shares of the assembly minutes by which an item is reviewed, by lessons after it was introduced. */
export const REVIEWS = [
  { after: 1, share: 0.5 },
  { after: 2, share: 0.3 },
  { after: 4, share: 0.2 },
] as const;

/** The kinds that a lesson should mix. */
export const MIXED_KINDS: readonly PatternKind[] = ['basic', 'pattern', 'turn'];

/** Lessons up to here may introduce something: all in an open course, else all but the last. */
export function lastIntroducing(problem: Pick<PlanProblem, 'lessons' | 'open'>): number {
  return problem.open ? problem.lessons.length : problem.lessons.length - 1;
}

/** How many lessons have been taught. */
export function taughtLessons(problem: PlanProblem): number {
  return problem.taught?.lessons ?? 0;
}

/** False for what has been taught and for what is pinned to a lesson still to come. */
export function mayLeaveOut(problem: PlanProblem, { id, pin }: PlanItem): boolean {
  const isPinned = pin !== undefined && pin > taughtLessons(problem);
  return !isPinned && problem.taught?.items[id] === undefined;
}
