import { z } from 'zod';
import { id } from './ids.ts';

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
  job: z.strictObject({ job: z.guid() }),
  table: z.strictObject({ table: z.string().max(64) }),
  figure: z.strictObject({ figure: id }),
  course: z.strictObject({ course: id }),
  section: z.strictObject({ section: id }),
  lesson: z.strictObject({ section: id, lesson }),
  check: z.strictObject({ section: id, check: id }),
  recap: z.strictObject(recap),
  token: z.strictObject({ token: z.string().regex(/^[\w-]{1,64}$/) }),
};

export const IN_QUERY = {
  page: z.strictObject({ page: page.optional() }),
  material: z.strictObject({
    course: id.optional(),
    stamp: z
      .string()
      .max(4000)
      .regex(/^[\w/: -]*$/, 'expected what an earlier answer said')
      .optional(),
  }),
  /** `preview` only looks, `take` takes what the file changes; else what differs is refused. */
  import: z.strictObject({ do: z.enum(['preview', 'take']).optional() }),
};
