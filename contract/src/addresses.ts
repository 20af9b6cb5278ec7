import { z } from 'zod';
import { id } from './ids.ts';
import { slug } from './session.ts';
import { removable, SET_UP_KINDS } from './setup.ts';

/** What stands in the path of a request, and what may be asked behind its `?`: texts that become what they mean. */
const lesson = z
  .string()
  .regex(/^[1-9]\d?$|^100$/)
  .transform(Number);
const page = z
  .string()
  .regex(/^\d{1,4}$/, 'expected a page from 0 to 9999')
  .transform(Number);

const recap = { section: id, lesson, audience: z.enum(['students', 'staff']) };

export const IN_PATH = {
  entry: z.strictObject({ kind: z.enum(SET_UP_KINDS), entry: id }),
  removable: z.strictObject({ kind: removable, entry: id }),
  person: z.strictObject({ person: id }),
  student: z.strictObject({ student: id }),
  at: z.strictObject({ slug }),
  openSession: z.strictObject({ session: z.string().regex(/^[\w-]{1,64}$/) }),
  job: z.strictObject({ job: z.guid() }),
  table: z.strictObject({ table: z.string().max(64) }),
  figure: z.strictObject({ figure: id }),
  combination: z.strictObject({ combination: id }),
  draft: z.strictObject({ person: id, figure: id }),
  course: z.strictObject({ course: id }),
  section: z.strictObject({ section: id }),
  lesson: z.strictObject({ section: id, lesson }),
  check: z.strictObject({ section: id, check: id }),
  missedStudent: z.strictObject({ section: id, student: id }),
  toldStudent: z.strictObject({ section: id, check: id, student: id }),
  recap: z.strictObject(recap),
  token: z.strictObject({ token: z.string().regex(/^[\w-]{1,64}$/) }),
};

const event = z
  .string()
  .regex(/^\d{1,15}$/, 'expected the number of an event')
  .transform(Number);

export const IN_QUERY = {
  page: z.strictObject({ page: page.optional() }),
  material: z.strictObject({
    course: id.optional(),
    dance: id.optional(),
    stamp: z
      .string()
      .max(4000)
      .regex(/^[\w/: -]*$/, 'expected what an earlier answer said')
      .optional(),
  }),
  /** The number of the newest event that is known. */
  since: z.strictObject({ after: event }),
  /** The same, where something is known. */
  section: z.strictObject({ after: event.optional() }),
  /** A part of a name. */
  named: z.strictObject({ named: z.string().trim().min(1).max(200) }),
  /** A whole name, once one was typed. */
  walkIn: z.strictObject({ named: z.string().trim().min(1).max(200).optional() }),
  ofCourse: z.strictObject({ course: id }),
  /** Some weeks at most: a term on one page. */
  term: z.strictObject({ from: z.iso.date(), to: z.iso.date() }),
  /** `preview` only looks, `take` takes what the file changes; else what differs is refused. */
  import: z.strictObject({
    do: z.enum(['preview', 'take']).optional(),
    /** People of the file who are others than those of the same id here: their ids, with commas between them. */
    others: z
      .string()
      .max(2000)
      .regex(/^[a-z0-9-]{1,64}(,[a-z0-9-]{1,64})*$/, 'expected ids with commas between them')
      .transform(ids => ids.split(','))
      .optional(),
  }),
};
