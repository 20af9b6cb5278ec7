import {
  courseSchema,
  type Holiday,
  patternSchema,
  type Section,
  type Studio,
  sectionSchema,
  studioSchema,
  TABLE_NAMES,
} from '@map-step/core';
import { z } from 'zod';
import { editCommand, historyEntry, undoCommand } from './commands.ts';
import {
  count,
  course,
  dance,
  element,
  level,
  list,
  pattern,
  person,
  plan,
  room,
  version,
} from './entities.ts';
import { id } from './ids.ts';

const courseCommand = z.discriminatedUnion('kind', [
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

/** A new class, whole; an id that is there already is refused. */
export const sectionCreateBody = z.strictObject({ section: sectionSchema });

/** A new figure, whole; an id that is there already is refused. */
export const figureCreateBody = z.strictObject({ figure: patternSchema });

export type CourseCommand = z.infer<typeof courseCommand>;

const sectionSummary = z.strictObject({
  id,
  course: id,
  start: z.string(),
  dates: list(z.iso.date()),
  room: id.nullable(),
  staff: list(id),
  students: count,
  behind: count,
});
export type SectionSummary = z.output<typeof sectionSummary>;

const courseSummary = z.strictObject({
  id,
  name: z.string(),
  dances: list(id),
  level: id.nullable(),
  lessons: count,
  items: count,
  published: z.boolean(),
  sections: list(sectionSummary),
});
export type CourseSummary = z.output<typeof courseSummary>;

/** The newest classes first, and courses that have none yet. */
export const courseListAnswer = z.strictObject({
  courses: list(courseSummary),
  /** True when older classes are on the next page. */
  more: z.boolean(),
});
export type CourseListAnswer = z.output<typeof courseListAnswer>;

/** The plans that were published or kept by a name, the newest first. */
export const courseVersionsAnswer = z.strictObject({ versions: list(plan) });
export type CourseVersionsAnswer = z.output<typeof courseVersionsAnswer>;

/** A class as everybody of the studio may see it, with the lessons behind it. */
export interface CourseClass extends Omit<Section, 'students'> {
  readonly behind: number;
}
export const courseClass: z.ZodType<CourseClass> = sectionSchema
  .omit({ students: true })
  .extend({ behind: count });

export const courseAnswer = z.strictObject({
  course,
  version,
  published: plan.nullable(),
  sections: list(courseClass),
  /** The newest first. */
  history: list(historyEntry),
});
export type CourseAnswer = z.output<typeof courseAnswer>;

/** All dances, levels and elements, and the figures of the dances that were asked for with what they need. */
const material = z.strictObject({
  dances: list(dance),
  levels: list(level),
  patterns: list(pattern),
  elements: list(element),
});
export type Material = z.output<typeof material>;

export const materialAnswer = z.strictObject({
  /** Another one as soon as anything in the studio's material has changed. */
  stamp: z.string(),
  /** Null when it is as the asker, who named this stamp, has it. */
  material: material.nullable(),
  /**
   * The ids of all there is, in order, when the material holds only what the asker, who named an earlier stamp, does not
   * have as it is now.
   */
  order: z.exactOptional(
    z.strictObject({ dances: list(id), levels: list(id), patterns: list(id), elements: list(id) }),
  ),
});
export type MaterialAnswer = z.output<typeof materialAnswer>;

const studio: z.ZodType<Studio> = studioSchema;
const holiday: z.ZodType<Holiday> = z.strictObject({
  from: z.iso.date(),
  to: z.iso.date(),
  name: z.string(),
});

export const studioAnswer = z.strictObject({
  studio,
  /** The last part of its own address on this server. */
  slug: z.string(),
  /** What the studio says about its students' data, and where its local rules stand; null where it has not said it. */
  consent: z.string().nullable(),
  localRules: z.string().nullable(),
  people: list(person),
  rooms: list(room),
  holidays: list(holiday),
  /** From which recall on, 0 to 1, a figure is not fading; null where the studio has not said. */
  recallAim: z.number().nullable(),
  /** What the columns of the last foreign table of each kind meant. */
  tableColumns: z.record(z.enum(TABLE_NAMES), z.record(z.string(), z.string())),
});
export type StudioAnswer = z.output<typeof studioAnswer>;
