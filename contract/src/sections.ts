import {
  type Attendance,
  type Audience,
  attendanceSchema,
  type Check,
  type Log,
  logSchema,
  markdownSchema,
  markSchema,
  type Role,
  type Section,
  type Student,
} from '@map-step/core';
import { z } from 'zod';
import type { HistoryEntry, Versioned } from './commands.ts';

/** The client names the entry; the server says who wrote it. */
const logEntry = logSchema.omit({ by: true, section: true });
export const logBody = z.strictObject({ logs: z.array(logEntry).min(1).max(200) });

const attendanceEntry = attendanceSchema.omit({ by: true, section: true });
export const attendanceBody = z.strictObject({ attendance: z.array(attendanceEntry).min(1).max(200) });

const markEntry = markSchema.omit({ by: true });
export const markBody = z.strictObject({ marks: z.array(markEntry).min(1).max(500) });

export const finishBody = z.strictObject({
  logs: z.array(logEntry).max(200),
  recaps: z
    .array(z.strictObject({ audience: z.enum(['students', 'staff']), markdown: markdownSchema }))
    .min(1)
    .max(2),
});
export const recapPublishBody = z.strictObject({ seen: z.int().min(1) });

export type LogEntry = z.infer<typeof logEntry>;
export type AttendanceEntry = z.infer<typeof attendanceEntry>;
export type MarkEntry = z.infer<typeof markEntry>;
export type FinishBody = z.infer<typeof finishBody>;

export interface RecapAnswer {
  readonly section: string;
  readonly lesson: number;
  readonly audience: Audience;
  readonly version: number;
  readonly markdown: string;
  /** When its text was published last. */
  readonly published: string | null;
  /** True when the text is another one than what was published. */
  readonly isChanged: boolean;
  /** Links to it that still work. */
  readonly links: number;
}

/** A recap with its newest history first. */
export interface RecapDetail {
  readonly recap: RecapAnswer;
  readonly history: readonly HistoryEntry[];
}

export interface SectionAnswer {
  /** Without its students, their names, who was here and what was noted for whoever is not on its staff today. */
  readonly section: Section;
  readonly version: number;
  /** How many are in it, by the role they dance. */
  readonly counts: { readonly [role in Role]: number };
  readonly students: readonly Student[];
  /** In the order in which the server got them, as is the attendance. */
  readonly logs: readonly Log[];
  readonly attendance: readonly Attendance[];
  readonly recaps: readonly RecapAnswer[];
}

export interface PublishAnswer {
  readonly recap: RecapAnswer;
  /** The only time the link is told: the server keeps a hash of it. */
  readonly token: string;
  readonly expires: string;
}

/** What a student sees behind a link: no surname, mark or contact. */
export interface ShareAnswer {
  readonly studio: string;
  readonly course: string;
  readonly lesson: number;
  readonly date: string | null;
  readonly markdown: string;
}

/** The entries that are on the server now. */
export interface StoredAnswer {
  readonly stored: readonly string[];
}

/** A check with the marks given so far, in the order in which the server got them. */
export type CheckAnswer = Versioned<Check>;
