import { type ChangedField, type RowFault, TABLE_NAMES } from '@map-step/core';
import { z } from 'zod';

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

/** The first rows of each sort; `totals` counts all. */
export interface TableResult {
  readonly written: boolean;
  readonly columns: readonly string[];
  readonly fresh: readonly { readonly line: number; readonly id: string; readonly name: string }[];
  readonly changed: readonly {
    readonly line: number;
    readonly id: string;
    readonly name: string;
    readonly fields: readonly ChangedField[];
  }[];
  readonly faults: readonly RowFault[];
  readonly totals: {
    readonly fresh: number;
    readonly changed: number;
    readonly unchanged: number;
    readonly faults: number;
  };
}
