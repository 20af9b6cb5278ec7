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
  /** How hard it is: an order within its dance. Without it no lesson is too early or too late. */
  readonly difficulty?: number;
  /** What may be danced after it on a shorter way home; left out where it is home, or known figures lead there. */
  readonly out?: readonly string[];
  /** What leads into it on a shorter way from home. */
  readonly in?: readonly string[];
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
  /** A review takes half its minutes in a lesson that introduces or reviews what needs it: it is danced there anyway. */
  readonly along?: boolean;
  /** An element of three minutes or more may be taught one lesson before its first figure. */
  readonly ahead?: boolean;
  readonly published?: { readonly [id: string]: number };
  readonly taught?: {
    readonly lessons: number;
    readonly items: { readonly [id: string]: number };
    /** Elements that were taught ahead, with their lesson: they are known. */
    readonly prepared?: { readonly [id: string]: number };
  };
  readonly weights?: Partial<CostWeights>;
}

/** The lesson of each placed item; what is missing is left out. */
export type Placed = { readonly [id: string]: number };

/** All that a plan decides: where items lie, and which elements are taught ahead of them where they can be. */
export interface Placing {
  readonly placed: Placed;
  readonly ahead: readonly string[];
}

/** The published weights; a course may change them. */
export const COST_WEIGHTS: CostWeights = {
  must: 10_000,
  should: 1000,
  could: 100,
  level: 1,
  largest: 3,
  lookalike: 20,
  mix: 5,
  stuck: 10,
  order: 2,
  ahead: 1,
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

/** Elements that cost nothing: known before, or taught ahead in a lesson that is over. */
export function knownElements({ known = [], taught }: PlanProblem): ReadonlySet<string> {
  return new Set([...known, ...Object.keys(taught?.prepared ?? {})]);
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
