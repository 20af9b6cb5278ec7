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

/** A row as it was written by one transaction. */
export interface WrittenRow<Body> {
  readonly body: Body;
  readonly id: string;
  /** The transaction that wrote it: another one as soon as anything in the row has changed. */
  readonly xmin: string;
}

/** Rows found to be sound: what a transaction wrote stays as it is, and looking at it costs most of reading it. */
const sound = new Set<string>();
const MOST_KEPT = 50_000;

/**
 * The rows of a kind that are what they should be. A row that is not, however it came to be so, is left out and told
 * by its name: it makes no page and no export fail.
 */
export async function readableRows<Row extends WrittenRow<unknown>>(
  scope: StudioScope,
  kind: ReadableKind,
  rows: readonly Row[],
): Promise<readonly Row[]> {
  const kept: Row[] = [];
  let looked = 0;
  for (const row of rows) {
    const key = `${scope.studioId}/${kind}/${row.id}/${row.xmin}`;
    if (!sound.has(key)) {
      looked += 1;
      if (looked % AT_ONCE === 0) await othersFirst();
      if (readable(scope, kind, [row.body]).length === 0) continue;
      if (sound.size >= MOST_KEPT) sound.clear();
      sound.add(key);
    }
    kept.push(row);
  }
  return kept;
}

/** Rows looked at before whoever else waits for this thread has their turn. */
const AT_ONCE = 20;

function othersFirst(): Promise<void> {
  return new Promise(resolve => setImmediate(resolve));
}

/** The same for bodies that are not rows by themselves. */
export function readable<Body>(
  scope: StudioScope,
  kind: ReadableKind,
  bodies: readonly Body[],
): readonly Body[] {
  return bodies.filter(body => {
    if (SCHEMAS[kind].safeParse(body).success) return true;
    scope.leftOut.add(`${kind}/${nameOf(body)}`);
    return false;
  });
}

function nameOf(body: unknown): string {
  const { id, section, course } = (body ?? {}) as Record<string, unknown>;
  return [id, section, course].find(name => typeof name === 'string')?.slice(0, 64) ?? '?';
}
