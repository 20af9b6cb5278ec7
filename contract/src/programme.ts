// What the first page tells: where the classes stand today, and what is still to be published.
import {
  type ClassStanding,
  type LevelMend,
  type LevelNext,
  type RollOverChange,
  type RollOverProposal,
  type Section,
  sectionSchema,
} from '@map-step/core';
import { z } from 'zod';
import { count, list } from './entities.ts';
import { id } from './ids.ts';

const lesson = z.int().min(1);
const standing: z.ZodType<ClassStanding> = z.strictObject({
  today: z.exactOptional(lesson),
  tomorrow: z.exactOptional(lesson),
  next: z.exactOptional(lesson),
  unlogged: list(lesson),
  unrecapped: list(lesson),
  behind: list(id),
  ahead: list(id),
});
const staff: z.ZodType<Section['staff']> = sectionSchema.shape.staff;

export const todayAnswer = z.strictObject({
  today: z.iso.date(),
  /** The classes that run, by their hour. */
  classes: list(
    z.strictObject({
      id,
      course: id,
      name: z.string(),
      level: id.nullable(),
      lessons: count,
      start: z.string(),
      dates: list(z.iso.date()),
      room: id.nullable(),
      staff,
      students: count,
      standing,
    }),
  ),
  /** What the figures of drifts are called. */
  figures: z.record(z.string(), z.string()),
  /** Courses whose teachers do not see the plan as it is now; told to the director alone. */
  plans: list(
    z.strictObject({
      course: id,
      name: z.string(),
      state: z.enum(['empty', 'unplanned', 'unpublished', 'changed']),
      /** Figures that lie elsewhere than was published. */
      moved: count,
      /** The first evening of its classes that is still to come. */
      begins: z.iso.date().nullable(),
    }),
  ),
});
export type TodayAnswer = z.output<typeof todayAnswer>;
export type TodaysClass = TodayAnswer['classes'][number];

/** What is wrong or worth a look in figures that a lesson of the next week brings. */
export const comingFaultsAnswer = z.strictObject({
  faults: list(
    z.strictObject({
      course: id,
      section: id,
      lesson,
      date: z.iso.date(),
      figure: id,
      name: z.string(),
      severity: z.enum(['error', 'hint']),
      message: z.string(),
    }),
  ),
  /** What students were told would come next, and that their class's plan has elsewhere now. */
  promises: list(
    z.strictObject({
      course: id,
      section: id,
      className: z.string(),
      /** It was promised for. */
      lesson,
      figure: id,
      name: z.string(),
      /** The lesson in which it comes now; null for none. */
      comes: lesson.nullable(),
    }),
  ),
});
export type ComingFaultsAnswer = z.output<typeof comingFaultsAnswer>;

/** Who may come to a class by the checks of the level below and of its own. */
export const returningAnswer = z.strictObject({
  students: list(
    z.strictObject({
      student: id,
      name: z.string(),
      role: z.enum(['lead', 'follow', 'solo']),
      why: z.enum(['ready', 'nearly', 'again']),
      from: z.strictObject({
        section: id,
        name: z.string(),
        kind: z.enum(['half-way', 'final']),
        date: z.iso.date(),
      }),
      /** What they lack, a figure a line. */
      missing: list(z.string()),
      /** Another class of this level, in the same weeks, that they are in already. */
      elsewhere: z.string().nullable(),
    }),
  ),
});
export type ReturningAnswer = z.output<typeof returningAnswer>;

const rollOverChange: z.ZodType<RollOverChange> = z.strictObject({
  pattern: id,
  minutes: z.exactOptional(z.number()),
  item: z.exactOptional(
    z
      .strictObject({
        value: z.exactOptional(z.enum(['must', 'should', 'could'])),
        to: z.exactOptional(lesson),
        gate: z.exactOptional(z.boolean()),
      })
      .nullable(),
  ),
});
const rollOverProposal: z.ZodType<RollOverProposal> = z.strictObject({
  code: z.enum(['minutes', 'left', 'failed', 'above']),
  change: rollOverChange,
  seen: z.string(),
  would: z.string(),
});

/** What the held classes of a course teach its next one. */
export const rollOverAnswer = z.strictObject({
  /** Classes of it that are over. */
  held: count,
  proposals: list(rollOverProposal),
});
export type RollOverAnswer = z.output<typeof rollOverAnswer>;

const mend: z.ZodType<LevelMend> = z.strictObject({
  move: z.exactOptional(z.strictObject({ pattern: id, level: id })),
  drop: z.exactOptional(id),
  add: z.exactOptional(id),
});

/** The levels of each dance in their order. */
export const levelsAnswer = z.strictObject({
  dances: list(
    z.strictObject({
      id,
      name: z.string(),
      levels: list(
        z.strictObject({
          id,
          name: z.string(),
          /** That its figures and their elements take. */
          minutes: z.number(),
          figures: count,
          /** Figures of lower levels that it stands on. */
          requires: count,
        }),
      ),
    }),
  ),
});
export type LevelsAnswer = z.output<typeof levelsAnswer>;

/** What hurts in the levels, each with its dance. */
export const findingsAnswer = z.strictObject({
  findings: list(
    z.strictObject({
      dance: id,
      level: id,
      code: z.string(),
      message: z.string(),
      /** The change that would mend it; null where none was found that breaks nothing else. */
      mend: z
        .strictObject({
          words: z.string(),
          change: mend,
          /** Of the courses that teach the levels it changes; it is tried in what they publish. */
          courses: list(z.strictObject({ id, name: z.string() })),
          /** What the figures of each level take, before and after, in minutes. */
          costs: list(z.strictObject({ level: z.string(), before: z.number(), after: z.number() })),
        })
        .nullable(),
    }),
  ),
});
export type FindingsAnswer = z.output<typeof findingsAnswer>;

const could: z.ZodType<LevelNext['could']> = z.strictObject({ lead: count, follow: count, solo: count });

/** Who could come to each level next term, by the newest final checks. */
export const nextTermAnswer = z.strictObject({
  levels: list(
    z.strictObject({
      level: id,
      name: z.string(),
      dance: z.string(),
      could,
      ready: count,
      again: count,
      unseen: count,
    }),
  ),
  /** The checks that it is counted from: half-way ones where there is no final one yet. */
  checks: list(
    z.strictObject({
      section: id,
      course: id,
      name: z.string(),
      kind: z.enum(['half-way', 'final']),
      date: z.iso.date(),
    }),
  ),
});
export type NextTermAnswer = z.output<typeof nextTermAnswer>;
