import { type Pattern, unfinishedPattern } from '@map-step/core';
import { z } from 'zod';
import { list } from './entities.ts';
import { id } from './ids.ts';

/** A figure as its writer found it, nothing where it is new, and as it is under the writer's hands. */
const unfinished: z.ZodType<Pattern> = unfinishedPattern;
export const figureDraft = z.strictObject({ base: unfinished.nullable(), now: unfinished });
export type FigureDraft = z.output<typeof figureDraft>;

/** Nothing: it has been saved, or was forgotten. */
export const draftBody = z.strictObject({ draft: figureDraft.nullable() });

export const draftKept = z.strictObject({});

export const draftsAnswer = z.strictObject({
  drafts: list(
    z.strictObject({
      figure: id,
      name: z.string(),
      dance: id,
      by: id,
      writer: z.string(),
      isNew: z.boolean(),
    }),
  ),
});
