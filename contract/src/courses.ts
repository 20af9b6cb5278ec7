import type {
  Course,
  Dance,
  Element,
  Level,
  Pattern,
  Person,
  PlanVersion,
  Room,
  Section,
  Studio,
} from '@map-step/core';
import { z } from 'zod';

const id = z.string().regex(/^[a-z0-9-]{1,64}$/);
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
  z.strictObject({ kind: z.literal('undo'), of: z.string().regex(/^\d{1,18}$/) }),
]);

export const courseCommandBody = z.strictObject({ seen: z.int().min(1), command: courseCommand });

export type CourseMove = z.infer<typeof move>;
export type CourseCommand = z.infer<typeof courseCommand>;

export interface HistoryEntry {
  readonly id: string;
  readonly kind: CourseCommand['kind'];
  readonly what: string;
  readonly by: string;
  readonly at: string;
  /** The entry that this one takes back. */
  readonly undoes: string | null;
  readonly undone: boolean;
}

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

export interface CourseAnswer {
  readonly course: Course;
  readonly version: number;
  readonly published: PlanVersion | null;
  readonly sections: readonly Section[];
  /** The newest first. */
  readonly history: readonly HistoryEntry[];
}

export interface MaterialAnswer {
  readonly dances: readonly Dance[];
  readonly levels: readonly Level[];
  readonly patterns: readonly Pattern[];
  readonly elements: readonly Element[];
}

export interface StudioAnswer {
  readonly studio: Studio;
  readonly people: readonly Person[];
  readonly rooms: readonly Room[];
}

export interface ImportAnswer {
  readonly added: { readonly [kind: string]: number };
  readonly unchanged: number;
}
