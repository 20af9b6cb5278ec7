import { costWeightsSchema, type Placing, type PlanProblem, tenths as tenthsOf } from '@map-step/core';
import { z } from 'zod';

const maybe = z.exactOptional;
const id = z.string().min(1).max(64);
const tenths = z.int().min(-100_000).max(100_000).transform(tenthsOf);
const noFewer = z.int().min(0).max(100_000).transform(tenthsOf);
const lesson = z.int().min(1).max(100);

/** A bare planning problem, minutes in tenths. */
const planProblem = z.strictObject({
  lessons: z
    .array(z.strictObject({ capacity: tenths }))
    .min(1)
    .max(100),
  items: z
    .array(
      z.strictObject({
        id,
        kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
        value: z.enum(['must', 'should', 'could']),
        assembly: noFewer,
        elements: z.array(id),
        needs: z.array(id),
        from: maybe(lesson),
        to: maybe(lesson),
        pin: maybe(lesson),
        split: maybe(z.boolean()),
        gate: maybe(z.boolean()),
        allowed: maybe(z.array(lesson)),
        difficulty: maybe(z.number()),
        out: maybe(z.array(id)),
        in: maybe(z.array(id)),
      }),
    )
    .max(1000),
  elements: z.record(id, noFewer),
  known: maybe(z.array(id)),
  lookalikes: z.array(z.tuple([id, id])),
  apart: z.boolean(),
  open: maybe(z.boolean()),
  ahead: maybe(z.boolean()),
  along: maybe(z.boolean()),
  published: maybe(z.record(id, lesson)),
  taught: maybe(
    z.strictObject({
      lessons: z.int().min(0).max(100),
      items: z.record(id, lesson),
      prepared: maybe(z.record(id, lesson)),
    }),
  ),
  weights: maybe(costWeightsSchema),
}) satisfies z.ZodType<PlanProblem>;

/** A problem by itself, or as it lies beside its best known cost. */
export const problemFile: z.ZodType<PlanProblem> = z.union([
  planProblem,
  z.strictObject({ best: z.number(), problem: planProblem }).transform(({ problem }) => problem),
]);

export const planFile: z.ZodType<Placing & { split?: string[] }> = z
  .object({ placed: z.record(id, lesson), split: maybe(z.array(id)), ahead: maybe(z.array(id)) })
  .transform(({ placed, split, ahead = [] }) => ({ placed, ahead, ...(split && { split }) }));
