import {
  attendanceSchema,
  type ClassEvent,
  checkSchema,
  lessonNoteSchema,
  logEntrySchema,
  logSchema,
  markdownSchema,
  markSchema,
  ofOne,
} from '@map-step/core';
import { z } from 'zod';
import { historyEntry, versioned } from './commands.ts';
import {
  attendance,
  audience,
  check,
  count,
  instant,
  lessonNote,
  list,
  log,
  section,
  student,
  version,
} from './entities.ts';
import { id } from './ids.ts';

/** The client names the entry; the server says who wrote it. */
const logEntry = ofOne(logEntrySchema.omit({ by: true, section: true }));
const attendanceEntry = attendanceSchema.omit({ by: true, section: true });
const noteEntry = lessonNoteSchema.omit({ by: true, section: true });
const markEntry = markSchema.omit({ by: true });

const sentEvent = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('log'), entry: logEntry }),
  z.strictObject({ kind: z.literal('present'), entry: attendanceEntry }),
  z.strictObject({ kind: z.literal('note'), entry: noteEntry }),
  z.strictObject({ kind: z.literal('mark'), check: id, entry: markEntry }),
]);
/** What happened in a class, of each kind in the order in which it happened: all of it is stored, or nothing. */
export const appendBody = z.strictObject({ events: z.array(sentEvent).min(1).max(500) });
export type SentEvent = z.infer<typeof sentEvent>;

/** What was not marked is logged with it; the recaps are drafted by the server. */
export const finishBody = z.strictObject({ logs: z.array(logEntry).max(200) });
export const recapPublishBody = z.strictObject({ seen: z.int().min(1) });

export type LogEntry = z.infer<typeof logEntry>;
export type AttendanceEntry = z.infer<typeof attendanceEntry>;
export type NoteEntry = z.infer<typeof noteEntry>;
export type MarkEntry = z.infer<typeof markEntry>;
export type FinishBody = z.infer<typeof finishBody>;

export const recapAnswer = z.strictObject({
  section: id,
  lesson: count,
  audience,
  version,
  markdown: z.string(),
  /** When its text was published last. */
  /** Figures that it says will come next. */
  promises: list(id),
  published: instant.nullable(),
  /** True when the text is another one than what was published. */
  isChanged: z.boolean(),
  /** Links to it that still work. */
  links: count,
});
export type RecapAnswer = z.output<typeof recapAnswer>;

/** A recap with its newest history first. */
export const recapDetail = z.strictObject({ recap: recapAnswer, history: list(historyEntry) });
export type RecapDetail = z.output<typeof recapDetail>;

export const sectionAnswer = z.strictObject({
  /** Without its students, their names, who was here and what was noted for whoever is not on its staff today. */
  section,
  version,
  /** How many are in it, by the role they dance. */
  counts: z.strictObject({ lead: count, follow: count, solo: count }),
  students: list(student),
  /** In the order in which the server got them, as are the attendance and the notes. */
  logs: list(log),
  attendance: list(attendance),
  notes: list(lessonNote),
  recaps: list(recapAnswer),
  /** The number of its newest event, at the least; 0 when nothing has happened. */
  seq: count,
  /** Logs, attendance and notes are only those that came after this event. Without it they are all there are. */
  after: z.exactOptional(count),
});
export type SectionAnswer = z.output<typeof sectionAnswer>;

export const publishAnswer = z.strictObject({
  recap: recapAnswer,
  /** The only time the link is told: the server keeps a hash of it. */
  token: z.string(),
  expires: instant,
});
export type PublishAnswer = z.output<typeof publishAnswer>;

export const revokeAnswer = z.strictObject({ revoked: count });

/** What a student sees behind a link: no surname, mark or contact. */
export const shareAnswer = z.strictObject({
  studio: z.string(),
  course: z.string(),
  lesson: count,
  date: z.iso.date().nullable(),
  markdown: z.string(),
  /** When it was corrected last, after it had been sent. */
  corrected: instant.nullable(),
});
export type ShareAnswer = z.output<typeof shareAnswer>;

const classEvent: z.ZodType<ClassEvent> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('log'), entry: logSchema }),
  z.strictObject({ kind: z.literal('present'), entry: attendanceSchema }),
  z.strictObject({ kind: z.literal('note'), entry: lessonNoteSchema }),
  z.strictObject({ kind: z.literal('mark'), check: id, entry: markSchema }),
]);

/** What happened in a class after the event that is known, in the order in which the server got it. */
export const sinceAnswer = z.strictObject({
  events: list(classEvent),
  /** The number of the last of them. */
  seq: count,
  /** False when there are more than one answer tells: ask for what comes after. */
  isAll: z.boolean(),
});
export type SinceAnswer = z.output<typeof sinceAnswer>;

/** The entries that are on the server now. */
export const storedAnswer = z.strictObject({ stored: list(z.guid()) });
export type StoredAnswer = z.output<typeof storedAnswer>;

/** A check with the marks given so far, in the order in which the server got them. */
export const checkAnswer = versioned(check);

/** A new check, without marks: those are given one by one. */
export const checkCreateBody = z.strictObject({ check: checkSchema.omit({ section: true, marks: true }) });

/** What a student who was away has missed, as Markdown. */
export const missedBody = z.strictObject({ student: id, markdown: markdownSchema.min(1) });

/** What a student is told of a check, as Markdown. */
export const checkTellBody = z.strictObject({ student: id, markdown: markdownSchema.min(1).max(20_000) });
/** Students who have a link of their own to words about them, and since when. */
export const toldAnswer = z.strictObject({
  students: list(z.strictObject({ student: id, at: instant })),
});

/** The checks of a class, by their day, without their marks. */
export const checkListAnswer = z.strictObject({
  checks: list(
    z.strictObject({
      id,
      kind: checkSchema.shape.kind,
      date: z.iso.date(),
      items: count,
      marks: count,
    }),
  ),
});
export type CheckListAnswer = z.output<typeof checkListAnswer>;
export type CheckAnswer = z.output<typeof checkAnswer>;
