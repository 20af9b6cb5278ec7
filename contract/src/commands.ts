import type { Clash, FieldChange, Json } from '@map-step/core';
import { z } from 'zod';

const json = z.json() as unknown as z.ZodType<Json>;
const change = z.strictObject({
  field: z.string().min(1).max(130),
  from: json,
  to: json,
}) satisfies z.ZodType<FieldChange>;

/** Fields to set, each with what the person saw in it; null: it is not there. */
export const editCommand = z.strictObject({
  kind: z.literal('edit'),
  what: z.string().trim().min(1).max(200),
  changes: z.array(change).min(1).max(500),
});

/** Takes back an entry of the history; taking back an undo is a redo. */
export const undoCommand = z.strictObject({ kind: z.literal('undo'), of: z.string().regex(/^\d{1,18}$/) });

export const documentCommand = z.discriminatedUnion('kind', [editCommand, undoCommand]);
export const documentCommandBody = z.strictObject({ command: documentCommand });

export type DocumentCommand = z.infer<typeof documentCommand>;

export interface HistoryEntry {
  readonly id: string;
  readonly kind: 'create' | 'place' | 'publish' | 'keep' | 'edit' | 'undo';
  readonly what: string;
  readonly by: string;
  readonly at: string;
  /** The entry that this one takes back. */
  readonly undoes: string | null;
  readonly undone: boolean;
}

/** What people change by commands, as it stands, with its newest history first. */
export interface Versioned<Body> {
  readonly body: Body;
  readonly version: number;
  readonly history: readonly HistoryEntry[];
}

/** What comes with `stale`: what stands now, and the fields in which two people differ. */
export interface StaleDetails<Current = unknown> {
  readonly current: Current;
  readonly clashes: readonly Clash[];
}
