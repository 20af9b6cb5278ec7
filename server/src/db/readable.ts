import {
  checkSchema,
  combinationSchema,
  courseSchema,
  danceSchema,
  elementSchema,
  levelSchema,
  patternSchema,
  personSchema,
  planSchema,
  recapSchema,
  roomSchema,
  sectionSchema,
  studentSchema,
} from '@map-step/core';
import type { z } from 'zod';
import type { StudioScope } from './studio-scope.ts';

const SCHEMAS = {
  dances: danceSchema,
  levels: levelSchema,
  elements: elementSchema,
  patterns: patternSchema,
  combinations: combinationSchema,
  rooms: roomSchema,
  people: personSchema,
  students: studentSchema,
  courses: courseSchema,
  sections: sectionSchema,
  checks: checkSchema,
  plans: planSchema,
  recaps: recapSchema,
} satisfies Record<string, z.ZodType>;

export type ReadableKind = keyof typeof SCHEMAS;

/**
 * The rows of a kind that are what they should be. A row that is not, however it came to be so, is left out and told
 * by its name: it makes no page and no export fail.
 */
export function readable<Body>(
  scope: StudioScope,
  kind: ReadableKind,
  bodies: readonly Body[],
): readonly Body[] {
  const schema: z.ZodType = SCHEMAS[kind];
  return bodies.flatMap(body => {
    if (schema.safeParse(body).success) return [body];
    scope.leftOut.add(`${kind}/${nameOf(body)}`);
    return [];
  });
}

function nameOf(body: unknown): string {
  const { id, section, course } = (body ?? {}) as Record<string, unknown>;
  return [id, section, course].find(name => typeof name === 'string')?.slice(0, 64) ?? '?';
}
