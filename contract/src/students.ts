// People who come to classes, over all classes of a studio: found by their names, and each on a page of their own.
import { z } from 'zod';
import { count, list, student } from './entities.ts';
import { id } from './ids.ts';

const role = z.enum(['lead', 'follow', 'solo']);

/** A class that a student is in, or was taken out of after something was written of them there. */
const classOfStudent = z.strictObject({
  section: id,
  course: id,
  /** Of the course. */
  name: z.string(),
  start: z.string(),
  first: z.iso.date().nullable(),
  last: z.iso.date().nullable(),
  /** Their roles and days; empty once they were taken out. */
  entered: list(
    z.strictObject({
      role,
      from: z.exactOptional(z.iso.date()),
      to: z.exactOptional(z.iso.date()),
    }),
  ),
});

const foundStudent = z.strictObject({ id, name: z.string(), classes: list(classOfStudent) });
export type FoundStudent = z.output<typeof foundStudent>;

export const studentsFound = z.strictObject({ students: list(foundStudent) });

/** Names that somebody is about to enter. */
export const studentMatchBody = z.strictObject({
  names: z.array(z.string().trim().min(1).max(200)).min(1).max(200),
});

/** Everything that one student is in, on one page; what is kept of them word for word is `student.export`. */
export const studentAnswer = z.strictObject({
  student,
  classes: list(classOfStudent),
  /** Of each class what was danced with them and without them, and what its newest check said. */
  stories: list(
    z.strictObject({
      section: id,
      /** Evenings of which something was written, and those they were at. */
      evenings: count,
      there: count,
      had: list(z.string()),
      lacks: list(z.string()),
      check: z.exactOptional(
        z.strictObject({
          id,
          kind: z.enum(['half-way', 'final']),
          date: z.iso.date(),
          result: z.enum(['ready', 'nearly', 'repeat']),
          passed: list(z.string()),
          /** A figure a line. */
          missing: list(z.string()),
        }),
      ),
    }),
  ),
  /** All of it for themselves, as Markdown. */
  words: z.string(),
  checks: list(
    z.strictObject({
      section: id,
      check: id,
      kind: z.enum(['half-way', 'final']),
      date: z.iso.date(),
      marks: z.int().min(0),
    }),
  ),
  /** Links that they were given and that still work. */
  links: list(
    z.strictObject({
      section: id,
      check: id.nullable(),
      kind: z.enum(['check', 'missed']),
      expires: z.string(),
    }),
  ),
});

/** Who may turn out to stand at the door of a lesson: students of other classes of the course, and those of exactly this name. */
export const walkInsOffered = z.strictObject({
  parallel: list(z.strictObject({ student: id, name: z.string(), role, from: z.string() })),
  named: list(foundStudent),
});
export type WalkInsOffered = z.output<typeof walkInsOffered>;

/** Somebody who comes to a lesson unannounced: one the studio knows, or a new one. */
export const walkInBody = z.strictObject({
  name: z.string().trim().min(1).max(200),
  role,
  known: z.exactOptional(id),
  /** They stay in the class; else they are a guest of this one evening. */
  stays: z.boolean(),
});
export type WalkInBody = z.output<typeof walkInBody>;
export const walkInAnswer = z.strictObject({ student: id });
