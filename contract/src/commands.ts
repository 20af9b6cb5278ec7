import type { Clash, FieldChange } from '@map-step/core';
import { z } from 'zod';
import { instant, json, list, version } from './entities.ts';

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

export const historyEntry = z.strictObject({
  id: z.string(),
  kind: z.enum(['create', 'place', 'publish', 'keep', 'edit', 'undo', 'remove']),
  what: z.string(),
  by: z.string(),
  at: instant,
  /** The entry that this one takes back. */
  undoes: z.string().nullable(),
  undone: z.boolean(),
});
export type HistoryEntry = z.output<typeof historyEntry>;

/** What people change by commands, as it stands, with its newest history first. */
export const versioned = <Body extends z.ZodType>(body: Body) =>
  z.strictObject({ body, version, history: list(historyEntry) });
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
