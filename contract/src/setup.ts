// What a studio is set up with, piece by piece: each kind of entry is made, read, changed and taken away alike.
import {
  type Dance,
  danceSchema,
  type Element,
  elementSchema,
  type Level,
  levelSchema,
  type Person,
  personSchema,
  type Room,
  roomSchema,
  type Student,
  type Studio,
  studentSchema,
  studioSchema,
} from '@map-step/core';
import { z } from 'zod';
import { versioned } from './commands.ts';
import { courseClass } from './courses.ts';
import { dance, element, level, list, person, room, student } from './entities.ts';
import { id } from './ids.ts';

/** The kinds of entries that a director sets up one by one. */
export interface SetUpEntries {
  readonly dances: Dance;
  readonly levels: Level;
  readonly elements: Element;
  readonly rooms: Room;
  readonly people: Person;
  readonly students: Student;
}
export type SetUpKind = keyof SetUpEntries;
export const SET_UP_KINDS = [
  'dances',
  'levels',
  'elements',
  'rooms',
  'people',
  'students',
] as const satisfies SetUpKind[];

const entry = z.union([dance, level, element, room, person, student]);

/** A new entry, whole; an id that is there already is refused. */
export const entryCreateBody = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('dances'), entry: danceSchema }),
  z.strictObject({ kind: z.literal('levels'), entry: levelSchema }),
  z.strictObject({ kind: z.literal('elements'), entry: elementSchema }),
  z.strictObject({ kind: z.literal('rooms'), entry: roomSchema }),
  z.strictObject({ kind: z.literal('people'), entry: personSchema }),
  z.strictObject({ kind: z.literal('students'), entry: studentSchema }),
]);
export type EntryCreateBody = z.output<typeof entryCreateBody>;

export const entryAnswer = versioned(entry);

/** What may be taken away while nothing needs it. */
export const removable = z.enum([...SET_UP_KINDS, 'patterns', 'combinations', 'courses', 'sections']);
export type RemovableKind = z.output<typeof removable>;
export const removedAnswer = z.strictObject({ removed: id });

/** Who stands in the student's place now, texts that said the name and no longer do, and texts that may mean them still. */
export const erasedAnswer = z.strictObject({
  erased: id,
  changed: list(z.string()),
  mentions: list(z.string()),
});

const holiday = z.strictObject({ from: z.iso.date(), to: z.iso.date(), name: z.string().min(1).max(200) });
const note = z.string().max(2000);

/** What a studio decides for all that is planned and taught in it. */
export const studioDecisions = z.strictObject({
  ...studioSchema.shape,
  holidays: z.exactOptional(z.array(holiday).max(1000)),
  settings: z.exactOptional(
    z.looseObject({
      /** Told wherever students are added and their data are shown. */
      consent: z.exactOptional(note),
      /** Where the rules of the house and the town stand; told beside every caution. */
      localRules: z.exactOptional(note),
      /** Recaps say how other schools count a figure, beside the house's count. */
      otherCounts: z.exactOptional(z.boolean()),
      /** From which recall on a figure is not fading, 0 to 1. */
      recallAim: z.exactOptional(z.number().min(0.5).max(0.99)),
    }),
  ),
});
/** The studio's own entry with its holidays. */
export interface StudioDecisions extends Studio {
  readonly holidays?: readonly { readonly from: string; readonly to: string; readonly name: string }[];
  readonly settings?: {
    readonly consent?: string;
    readonly localRules?: string;
    readonly otherCounts?: boolean;
    readonly recallAim?: number;
  };
}
const decisions: z.ZodType<StudioDecisions> = studioDecisions;
export const studioDocumentAnswer = versioned(decisions);

/** Figures of all dances by a part of their name; the course is one in which each can be looked at. */
export const figuresFound = z.strictObject({
  figures: list(
    z.strictObject({ id, name: z.string(), kind: z.string(), dance: z.string(), course: id.nullable() }),
  ),
});

/** Students who enter a class: new ones by their names, those whom the studio knows by their ids. */
export const enrolBody = z.strictObject({
  students: z
    .array(
      z.strictObject({
        name: z.string().trim().min(1).max(200),
        role: z.enum(['lead', 'follow', 'solo']),
        known: z.exactOptional(id),
      }),
    )
    .min(1)
    .max(200),
  from: z.exactOptional(z.iso.date()),
});
export type EnrolBody = z.output<typeof enrolBody>;

/** The classes of some weeks, with what their courses say of the length of their evenings. */
export const termAnswer = z.strictObject({
  classes: list(courseClass),
  courses: list(
    z.strictObject({
      id,
      name: z.string(),
      dances: list(id),
      minutes: list(z.number()),
      level: id.nullable(),
    }),
  ),
});
export type TermAnswer = z.output<typeof termAnswer>;
