// A lesson in blocks: what it is made from, and what comes of it.
import type { Library } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import type { PlannedLesson } from '../plan/fill-lessons.ts';

export type BlockKind =
  | 'arrive'
  | 'warm-up'
  | 'recall'
  | 'new'
  | 'prepare'
  | 'combine'
  | 'check'
  | 'dance'
  | 'recap';

export interface LessonLayer {
  readonly title: string;
  readonly seconds: number;
}

export interface LessonBlock {
  readonly kind: BlockKind;
  readonly title: string;
  /** Whole minutes. */
  readonly minutes: number;
  /** `HH:MM` when the class has a start, else minutes after the beginning. */
  readonly from: string;
  readonly to: string;
  /** What is danced in it: the figure of a new block with what it takes along, the reviews of recall. */
  readonly patterns: readonly string[];
  /** Of those the ones that are reviewed in passing, with the figure that they are danced in. */
  readonly within: { readonly [pattern: string]: string };
  /** What is prepared in it for next time, and for which figures. */
  /** Begun or not reached the last time: of a late evening it gives way last. */
  readonly isLeft?: true;
  readonly element?: { readonly id: string; readonly how: string; readonly figures: readonly string[] };
  readonly layers: readonly LessonLayer[];
}

export interface RunningOrder {
  readonly lesson: number;
  readonly of: number;
  readonly minutes: number;
  readonly blocks: readonly LessonBlock[];
  /** Minutes by which the plan is longer than the lesson; its new material is then shortened. */
  readonly over: number;
  /** What the plan reviews and the recall has no time for: it is left to another evening. */
  readonly noTimeFor: readonly string[];
  /** Whole minutes that combining and dancing have because nothing else needs them. */
  readonly spare: number;
  /** Figures of the course without a lesson that these minutes are enough for, with what they take. */
  readonly offered: readonly { readonly pattern: string; readonly minutes: number }[];
}

export interface LessonSource {
  readonly course: Course;
  readonly lesson: number;
  readonly planned: PlannedLesson;
  /** What comes the next time: what is prepared is for it. */
  readonly next?: Pick<PlannedLesson, 'introduce'>;
  readonly library: Library;
  /** Figures of the course that were taught before this lesson: its basics are kept alive in the warm-up. */
  readonly taught?: readonly string[];
  /** Begun or not reached the last time: they come first. */
  readonly left?: readonly string[];
  /** Figures of the course that have no lesson. */
  readonly dropped?: readonly string[];
  /** How well the class still has each figure (`recallOn`), where it has danced any. */
  readonly recall?: ReadonlyMap<string, number>;
  /** From it on a figure is not fading. */
  readonly aim?: number;
  /** `HH:MM`. */
  readonly start?: string;
}
