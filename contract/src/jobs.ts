import type { ChangedField } from '@map-step/core';
import type { TableResult } from './tables.ts';

/** Work that takes longer than a request: it goes on by itself, tells how far it is, and can be stopped. */
export interface JobAnswer<Result = ImportResult | TableResult> {
  readonly id: string;
  readonly kind: JobKind;
  readonly state: JobState;
  /** What is being done now. */
  readonly stage: string;
  readonly done: number;
  /** 0 while nobody knows yet. */
  readonly total: number;
  readonly by: string;
  /** Of a job that is done: of a file, or of a table of figures. */
  readonly result: Result | null;
  /** Of a job that failed. */
  readonly fault: JobFault | null;
}

/** A file that is added, one that is only looked at, one whose changes are taken, a table. */
export type JobKind = 'import' | 'import-preview' | 'import-take' | 'table';
export type JobState = 'waiting' | 'running' | 'done' | 'failed' | 'stopped';

export interface JobFault {
  readonly message: string;
  readonly problems?: readonly { readonly at: string; readonly message: string }[];
}

/** What a `mapstep/1` file did, or would do. */
export interface ImportResult {
  readonly written: boolean;
  readonly added: { readonly [kind: string]: number };
  readonly unchanged: number;
  /** The first of them, field by field; `changedCount` counts all. */
  readonly changed: readonly {
    readonly kind: string;
    readonly id: string;
    readonly fields: readonly ChangedField[];
  }[];
  readonly changedCount: number;
}

export interface ImportUndone {
  readonly removed: number;
  readonly restored: number;
}
