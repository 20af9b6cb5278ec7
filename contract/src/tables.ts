import { TABLE_NAMES } from '@map-step/core';
import { z } from 'zod';
import { changedField, count, list } from './entities.ts';

const name = z.string().max(200);

/** A table from a spreadsheet: what it would do is told first, and written when `write` says so. */
export const tableBody = z.strictObject({
  table: z.enum(TABLE_NAMES),
  text: z.string().max(30_000_000),
  /** Which of its columns means which field. */
  mapping: z.record(name, name),
  write: z.boolean(),
});

export type TableOrder = z.infer<typeof tableBody>;

const row = { line: count, id: z.string(), name: z.string() };

/** The first rows of each sort; `totals` counts all. */
export const tableResult = z.strictObject({
  written: z.boolean(),
  columns: list(z.string()),
  fresh: list(z.strictObject(row)),
  changed: list(z.strictObject({ ...row, fields: list(changedField) })),
  faults: list(z.strictObject({ line: count, column: z.string(), message: z.string() })),
  totals: z.strictObject({ fresh: count, changed: count, unchanged: count, faults: count }),
});
export type TableResult = z.output<typeof tableResult>;
