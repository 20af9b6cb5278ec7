import { type Combination, type CombinationStart, parseBeats, type Ticks } from '@map-step/core';
import { z } from 'zod';

const maybe = z.exactOptional;
const id = z.string().min(1).max(80);
const foot = z.enum(['L', 'R', 'B']);

const start = z.strictObject({
  hold: maybe(z.string().max(64)),
  lead: maybe(foot),
  follow: maybe(foot),
  solo: maybe(foot),
  facing: maybe(z.int().min(-360).max(360)),
}) satisfies z.ZodType<CombinationStart>;

const MOST_BEATS = 1024;

const beats = z
  .union([z.number(), z.string().max(20)])
  .transform((value, context): Ticks => {
    const parsed = parseBeats(value);
    if (parsed.ok) return parsed.value;
    context.addIssue({ code: 'custom', message: parsed.fault });
    return z.NEVER;
  })
  .refine(value => value <= MOST_BEATS * 48, `at most ${MOST_BEATS} beats`);

/** What `combine` is asked. */
export const combineFile = z.strictObject({
  dance: id,
  use: z.array(id).max(200),
  beats,
  start,
  end: z.union([z.enum(['same', 'opposite']), start]),
  must: z.array(id).max(200).default([]),
  choices: z
    .array(z.strictObject({ after: id, before: id, of: z.array(id.nullable()).min(1).max(50) }))
    .max(24)
    .default([]),
  /** True: the halves of the figures, at their cuts, may be danced too. */
  halves: z.boolean().default(false),
  maxInRow: z.int().min(1).max(1000).default(1000),
  count: z.int().min(1).max(20).default(1),
});

/** What `walk` dances: a combination, which may have no name. */
export const sequenceFile = z.strictObject({
  id: maybe(z.string().max(64)),
  name: maybe(z.string().max(200)),
  dance: id,
  course: maybe(id),
  lesson: maybe(z.int().min(1).max(100)),
  start,
  steps: z
    .array(
      z.union([
        z.strictObject({
          pattern: id,
          times: maybe(z.int().min(1).max(100)),
          last: maybe(id),
          note: maybe(z.string().max(10_000)),
        }),
        z.strictObject({ oneOf: z.array(id.nullable()).min(1).max(50) }),
      ]),
    )
    .max(300),
  end: z.enum(['same', 'opposite', 'free']),
}) satisfies z.ZodType<Omit<Combination, 'id' | 'name'>>;
