import type { Library } from '../library/library.ts';
import type { Attendance, Audience, Course, LessonNote, Log, Section, Studio } from '../model/document.ts';
import type { Placed } from '../plan/problem.ts';

export interface MovedFigure {
  readonly pattern: string;
  readonly from: number | undefined;
  readonly to: number | undefined;
}

/** What a recap is drafted from. */
export interface RecapSource {
  readonly studio: Studio;
  /** Where the local rules stand. */
  readonly localRules?: string | undefined;
  /** True: other schools' counts stand beside the house's. */
  readonly tellsOtherCounts?: boolean;
  readonly course: Course;
  readonly library: Library;
  readonly lesson: number;
  readonly audience: Audience;
  /** All entries of the class; those of later lessons are passed over. */
  readonly logs: readonly Log[];
  readonly notes?: readonly LessonNote[];
  readonly attendance?: readonly Attendance[];
  /** Names of the students of the class: none of them comes into the text for students. */
  readonly students?: readonly { readonly id: string; readonly name: string }[];
  /** What the lesson was to introduce, in the order of the evening, and for how many tenths of a minute each. */
  readonly introduced: readonly string[];
  readonly minutes?: { readonly [pattern: string]: number };
  /** Figures of lessons before of which nobody wrote, by their lesson: they are taken as danced. */
  readonly supposed?: Placed;
  /** What lies in any lesson of the class's plan; all items of the course where it is not said. */
  readonly planned?: readonly string[];
  /** What comes next time. */
  readonly next: readonly string[];
  /** Since when each is in the class. */
  readonly members?: Section['students'] | undefined;
  /** The date of each lesson of the class. */
  readonly dates?: readonly string[] | undefined;
  /** Where figures to come lie otherwise since this evening: the lesson before and now, undefined for none. */
  readonly moved?: readonly MovedFigure[];
  /** Who stood in, and how many entries of the log and marks of a check of this evening are by them. */
  readonly stoodIn?: readonly { readonly name: string; readonly logs: number; readonly marks: number }[];
  /** The combination that the last lesson dances. */
  readonly wrapUp?: { readonly name: string; readonly patterns: readonly string[] } | undefined;
}
