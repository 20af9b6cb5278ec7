import type { Change, HistoryEntry } from '@map-step/contract';
import {
  applyChanges,
  type Clash,
  type FieldChange,
  type Json,
  readField,
  reverseChanges,
} from '@map-step/core';
import { dequal } from 'dequal/lite';
import { announce } from '../db/change-feed.ts';
import type { Stored } from '../db/document-store.ts';
import { historyStore } from '../db/history-store.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { HttpFault } from '../faults/http-fault.ts';

export type AggregateKind =
  | ('course' | 'pattern' | 'combination' | 'section' | 'check' | 'recap')
  | ('dance' | 'level' | 'element' | 'room' | 'person' | 'student' | 'studio');

/** One thing that people change by commands: a course, a figure, a recap, a check, a class. */
export interface Aggregate<Body> {
  readonly scope: StudioScope;
  readonly kind: AggregateKind;
  readonly id: string;
  /** As people say it: "course". */
  readonly noun: string;
  /** What is told to those who look at it, of a change that left this version. */
  told(version: number): Change;
  /** Keys that no edit may touch. */
  readonly fixed: readonly string[];
  find(): Promise<Stored<Body> | undefined>;
  /** Saves over the version that was seen; false when somebody else saved first. */
  save(body: Body, seen: number): Promise<boolean>;
  /** The body as it may be stored; refuses one that cannot stand. */
  check(body: Body, touched: readonly string[]): Promise<Body>;
  /** What an answer shows of it. */
  tell(): Promise<unknown>;
}

/** What a command does: the fields it sets and its line in the history. */
export interface PlannedChange {
  readonly kind: HistoryEntry['kind'];
  readonly what: string;
  readonly changes: readonly FieldChange[];
  readonly undoes?: string;
  /** Written in the same transaction, once the change has been saved. */
  also?(): Promise<void>;
}

const TRIES = 5;
const HISTORY_LENGTH = 100;

/**
 * Runs a command: the version is raised by the update itself, and a change whose fields nobody has changed
 * since they were seen is tried again over a newer version. A real clash is refused with what stands now.
 */
export async function runCommand<Body>(
  aggregate: Aggregate<Body>,
  person: string,
  plan: (stored: Stored<Body>) => PlannedChange | Promise<PlannedChange>,
): Promise<void> {
  const { scope } = aggregate;
  for (let attempt = 0; attempt < TRIES; attempt += 1) {
    const stored = await getStored(aggregate);
    const planned = await plan(stored);
    if (isDone(stored.body, planned)) return;
    const changed = applyChanges(stored.body, planned.changes);
    if (!changed.ok) throw await stale(aggregate, changed.fault);
    const touched = planned.changes.map(({ field }) => field.split('/', 1)[0] ?? field);
    const body = await aggregate.check(changed.value, touched);
    if (!(await aggregate.save(body, stored.version))) continue;
    await historyStore(scope, aggregate.kind, aggregate.id).add({
      kind: planned.kind,
      what: planned.what,
      person,
      before: valuesOf(planned.changes, 'from'),
      after: valuesOf(planned.changes, 'to'),
      undoes: planned.undoes ?? null,
    });
    await planned.also?.();
    await announce(scope, aggregate.told(stored.version + 1));
    return;
  }
  throw await stale(
    aggregate,
    [],
    `Others are changing this ${aggregate.noun} at the same moment. Try again.`,
  );
}

/** True when all stands as an edit wants it: it was sent twice, or two people wanted the same. */
function isDone(body: unknown, { kind, changes }: PlannedChange): boolean {
  return kind === 'edit' && changes.every(({ field, to }) => dequal(readField(body, field), to));
}

/** Puts back what an earlier command changed, while all of it still is as that command left it. */
export async function planUndo<Body>(aggregate: Aggregate<Body>, of: string): Promise<PlannedChange> {
  const history = historyStore(aggregate.scope, aggregate.kind, aggregate.id);
  const entry = await history.find(of);
  if (!entry) throw new HttpFault('not-found', 'There is no such change to undo.');
  if (await history.isUndone(of)) throw await stale(aggregate, [], 'This has been undone already.');
  if (entry.kind === 'create')
    throw new HttpFault(
      'bad-request',
      `What makes this ${aggregate.noun} is not taken back; change it as it should be.`,
    );
  if (entry.kind === 'publish' || entry.kind === 'keep')
    throw new HttpFault(
      'bad-request',
      'A version that was published or kept stays; make another as it should be.',
    );
  const before = entry.before as Record<string, Json>;
  const changes = Object.entries(entry.after as Record<string, Json>).map(([field, to]) => ({
    field,
    from: before[field] ?? null,
    to,
  }));
  return { kind: 'undo', what: entry.what, changes: reverseChanges(changes), undoes: of };
}

/** Refuses a change of what may not change. */
export function planEdit<Body>(
  aggregate: Aggregate<Body>,
  { what, changes }: { what: string; changes: readonly FieldChange[] },
): PlannedChange {
  const barred = changes.find(({ field }) => aggregate.fixed.includes(field.split('/', 1)[0] ?? field));
  if (barred)
    throw new HttpFault(
      'bad-request',
      `"${barred.field}" of this ${aggregate.noun} is not changed this way.`,
    );
  return { kind: 'edit', what, changes };
}

export async function getStored<Body>(aggregate: Aggregate<Body>): Promise<Stored<Body>> {
  const stored = await aggregate.find();
  if (!stored) throw new HttpFault('not-found', `There is no ${aggregate.noun} "${aggregate.id}".`);
  return stored;
}

/** The refusal of a command whose fields others have changed, with what stands now. */
export async function stale<Body>(
  aggregate: Aggregate<Body>,
  clashes: readonly Clash[],
  message = `Somebody has changed this ${aggregate.noun} since you looked. Nothing was overwritten.`,
): Promise<HttpFault> {
  return new HttpFault('stale', message, { current: await aggregate.tell(), clashes });
}

/** The newest changes first. */
export async function readHistory<Body>({ scope, kind, id }: Aggregate<Body>): Promise<HistoryEntry[]> {
  const records = await historyStore(scope, kind, id).newest(HISTORY_LENGTH);
  const undone = new Set(records.flatMap(({ undoes }) => undoes ?? []));
  return records.map(record => ({
    id: record.id,
    kind: record.kind as HistoryEntry['kind'],
    what: record.what,
    by: record.person,
    at: record.at.toISOString(),
    undoes: record.undoes,
    undone: undone.has(record.id),
  }));
}

function valuesOf(changes: readonly FieldChange[], side: 'from' | 'to'): Record<string, Json> {
  return Object.fromEntries(changes.map(change => [change.field, change[side]]));
}
