import { type FileFault, type Result, readJson, readShape, TABLE_NAMES } from '@map-step/core';
import { z } from 'zod';
import { changedField, count, list } from './entities.ts';

const name = z.string().max(200);

/** A table from a spreadsheet: what it would do is told first, and written when `write` says so. */
const tableTerms = z.strictObject({
  table: z.enum(TABLE_NAMES),
  /** Which of its columns means which field. */
  mapping: z.record(name, name),
  write: z.boolean(),
});

/** What is to be done with a table. */
export type TableTerms = z.infer<typeof tableTerms>;
export interface TableOrder extends TableTerms {
  readonly text: string;
}

const LONGEST_TERMS = 100_000;

/** An order as one text: its terms are the first line, the table as it is stands below. Who only passes it on reads no more. */
export function printTableOrder({ text, ...terms }: TableOrder): string {
  return `${JSON.stringify(terms)}\n${text}`;
}

export function readTableOrder(order: string): Result<TableOrder, readonly FileFault[]> {
  const end = order.slice(0, LONGEST_TERMS).indexOf('\n');
  const json = readJson(order.slice(0, Math.max(0, end)), { depth: 2, values: 1000 });
  if (!json.ok) return json;
  const terms = readShape(tableTerms, json.value);
  return terms.ok ? { ok: true, value: { ...terms.value, text: order.slice(end + 1) } } : terms;
}

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
