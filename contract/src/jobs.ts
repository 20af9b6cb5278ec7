import { z } from 'zod';
import { changedField, count, list, person } from './entities.ts';
import { tableResult } from './tables.ts';

/** A file that is added, one that is only looked at, one whose changes are taken, a table; and taking one of these back. */
const jobKind = z.enum(['import', 'import-preview', 'import-take', 'table', 'import-undo']);
export type JobKind = z.output<typeof jobKind>;
const jobState = z.enum(['waiting', 'running', 'done', 'failed', 'stopped']);
export type JobState = z.output<typeof jobState>;

const jobFault = z.strictObject({
  message: z.string(),
  problems: z.exactOptional(list(z.strictObject({ at: z.string(), message: z.string() }))),
});
export type JobFault = z.output<typeof jobFault>;

/** What a file of the studio's own format did, or would do. */
const importResult = z.strictObject({
  written: z.boolean(),
  added: z.record(z.string(), count),
  unchanged: count,
  /** The first of them, field by field; `changedCount` counts all. */
  changed: list(z.strictObject({ kind: z.string(), id: z.string(), fields: list(changedField) })),
  changedCount: count,
  /** People who sign in here and are called otherwise in the file: whether they are the same is for somebody to say. */
  asked: list(z.strictObject({ person: z.string(), here: person, file: person })),
});
export type ImportResult = z.output<typeof importResult>;

const importUndone = z.strictObject({ removed: count, restored: count });
export type ImportUndone = z.output<typeof importUndone>;

/** Work that takes longer than a request: it goes on by itself, tells how far it is, and can be stopped. */
export const jobAnswer = z.strictObject({
  id: z.guid(),
  kind: jobKind,
  state: jobState,
  /** What is being done now. */
  stage: z.string(),
  done: count,
  /** 0 while nobody knows yet. */
  total: count,
  by: z.string(),
  /** Of a job that is done: of a file, of a table, of one of these taken back. */
  result: z.union([importResult, tableResult, importUndone]).nullable(),
  /** Of a job that failed. */
  fault: jobFault.nullable(),
});
export type JobAnswer = z.output<typeof jobAnswer>;
