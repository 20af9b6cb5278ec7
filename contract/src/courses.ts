import {
  type Course,
  courseSchema,
  type Dance,
  type Element,
  type Holiday,
  type Level,
  type Pattern,
  type Person,
  type PlanVersion,
  patternSchema,
  type Room,
  type Section,
  type Studio,
} from '@map-step/core';
import { z } from 'zod';
import { editCommand, type HistoryEntry, undoCommand } from './commands.ts';
import { id } from './ids.ts';

const lesson = z.int().min(1).max(100);

/** One item to another lesson, or out; `from` is what the person saw. */
const move = z.strictObject({ pattern: id, from: lesson.nullable(), to: lesson.nullable() });

const courseCommand = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('place'),
    why: z.string().max(200),
    moves: z.array(move).min(1).max(500),
  }),
  z.strictObject({
    kind: z.literal('publish'),
    name: z.string().trim().min(1).max(200),
    note: z.string().max(2000),
  }),
  z.strictObject({
    kind: z.literal('keep'),
    name: z.string().trim().min(1).max(200),
    note: z.string().max(2000),
  }),
  editCommand,
  undoCommand,
]);

export const courseCommandBody = z.strictObject({ seen: z.int().min(1), command: courseCommand });

/** A new course, whole; an id that is there already is refused. */
export const courseCreateBody = z.strictObject({ course: courseSchema });

/** A new figure, whole; an id that is there already is refused. */
export const figureCreateBody = z.strictObject({ figure: patternSchema });

export type CourseMove = z.infer<typeof move>;
export type CourseCommand = z.infer<typeof courseCommand>;

export interface SectionSummary {
  readonly id: string;
  readonly course: string;
  readonly start: string;
  readonly dates: readonly string[];
  readonly room: string | null;
  readonly staff: readonly string[];
  readonly students: number;
  readonly behind: number;
}

export interface CourseSummary {
  readonly id: string;
  readonly name: string;
  readonly dances: readonly string[];
  readonly level: string | null;
  readonly lessons: number;
  readonly items: number;
  readonly published: boolean;
  readonly sections: readonly SectionSummary[];
}

/** The newest classes first, and courses that have none yet. */
export interface CourseListAnswer {
  readonly courses: readonly CourseSummary[];
  /** True when older classes are on the next page. */
  readonly more: boolean;
}

/** The plans that were published or kept by a name, the newest first. */
export interface CourseVersionsAnswer {
  readonly versions: readonly PlanVersion[];
}

/** A class as everybody of the studio may see it. */
export type CourseClass = Omit<Section, 'students'>;

export interface CourseAnswer {
  readonly course: Course;
  readonly version: number;
  readonly published: PlanVersion | null;
  readonly sections: readonly CourseClass[];
  /** The newest first. */
  readonly history: readonly HistoryEntry[];
}

/** All dances, levels and elements, and the figures of the dances that were asked for with what they need. */
export interface Material {
  readonly dances: readonly Dance[];
  readonly levels: readonly Level[];
  readonly patterns: readonly Pattern[];
  readonly elements: readonly Element[];
}

export interface MaterialAnswer {
  /** Another one as soon as anything in the studio's material has changed. */
  readonly stamp: string;
  /** Null when it is as the asker, who named this stamp, has it. */
  readonly material: Material | null;
}

export interface StudioAnswer {
  readonly studio: Studio;
  readonly people: readonly Person[];
  readonly rooms: readonly Room[];
  readonly holidays: readonly Holiday[];
  /** What the columns of the last foreign table of figures meant. */
  readonly figureColumns: { readonly [column: string]: string };
}
