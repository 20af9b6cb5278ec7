// What happened in a lesson, on its way to the server: kept in the browser's database until the server has it,
// sent in order. It survives a reload, a sign-out and a lost connection, and belongs to one person of one studio.
import type { LogEntry, SentEvent, SignedInPerson } from '@map-step/contract';
import { type DBSchema, type IDBPDatabase, type OpenDBCallbacks, openDB } from 'idb';
import { call, isAboutSession, isPassing } from './client.ts';

export type WaitingEvent = {
  readonly owner: string;
  readonly section: string;
  /** Why the server will never take it; it is kept until the person has seen it. */
  readonly refused?: string;
} & SentEvent;

export interface OutboxCalls {
  /** An entry that arrived, before it is forgotten here. */
  onSent(entry: WaitingEvent): void;
  /** The session stands in the way: everything stays until the person is back. */
  onSessionLost(): void;
}

interface Schema extends DBSchema {
  events: { key: number; value: WaitingEvent; indexes: { owner: string } };
  /** Of version 1 only. */
  logs: { key: number; value: { owner: string; section: string; refused?: string; log: LogEntry } };
}

const AGAIN_MS = 3000;
const LOCK = 'map-step-outbox';

let opening: Promise<IDBPDatabase<Schema>> | undefined;
let waiting: readonly WaitingEvent[] = [];
let isRead = false;
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

export function ownerOf({ studio, id }: SignedInPerson): string {
  return `${studio}/${id}`;
}

/** What has not reached the server yet, of everybody who used this browser. */
export function waitingEvents(): readonly WaitingEvent[] {
  return waiting;
}

export function followOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keeps an entry, and has it sent; once this resolves it is not lost. */
export async function keepEvent(entry: WaitingEvent): Promise<void> {
  await (await database()).add('events', entry);
  if (isRead) {
    // All the rest is known: somebody who marks with keys gives several a second.
    waiting = [...waiting, entry];
    for (const listener of listeners) listener();
  } else await refresh();
  beginSending?.();
}

let beginSending: (() => void) | undefined;

/** Sends what waits of one person, and what they add, until the returned function is called. */
export function sendFor(owner: string, calls: OutboxCalls): () => void {
  const begin = () => void sendWaiting(owner, calls);
  beginSending = begin;
  window.addEventListener('online', begin);
  begin();
  return () => {
    beginSending = undefined;
    window.removeEventListener('online', begin);
    stopSending();
  };
}

/** Forgets the entries that the server refused. */
export async function forgetRefused(owner: string): Promise<void> {
  await removeWhere(entry => entry.owner === owner && entry.refused !== undefined);
}

/**
 * Sends what waits, in order, from one tab at a time. Stops at the first that cannot be sent now and tries
 * again by itself.
 */
export async function sendWaiting(owner: string, calls: OutboxCalls): Promise<void> {
  clearTimeout(timer);
  const isDone = await navigator.locks.request(
    LOCK,
    { ifAvailable: true },
    async lock => lock !== null && sendAll(owner, calls),
  );
  if (!isDone) timer = setTimeout(() => void sendWaiting(owner, calls), AGAIN_MS);
}

/** Until it is asked for again. */
export function stopSending(): void {
  clearTimeout(timer);
}

async function sendAll(owner: string, calls: OutboxCalls): Promise<boolean> {
  const store = await database();
  await refresh();
  for (;;) {
    const batches = batchesOf(await listUnsent(store, owner));
    if (batches.length === 0) return true;
    for (const batch of batches) if (!(await sendBatch(store, batch, calls))) return false;
    // What came meanwhile goes at once too.
  }
}

interface Unsent {
  readonly key: number;
  readonly event: WaitingEvent;
}

async function listUnsent(store: IDBPDatabase<Schema>, owner: string): Promise<readonly Unsent[]> {
  const keys = await store.getAllKeysFromIndex('events', 'owner', owner);
  const events = await store.getAllFromIndex('events', 'owner', owner);
  return keys.flatMap((key, index): Unsent[] => {
    const event = events[index];
    return event && event.refused === undefined ? [{ key, event }] : [];
  });
}

const MOST_TOGETHER = 100;

/** What follows each other in one class goes together: somebody who marks with keys gives several a second. */
function batchesOf(unsent: readonly Unsent[]): readonly (readonly Unsent[])[] {
  const batches: Unsent[][] = [];
  for (const one of unsent) {
    const last = batches.at(-1);
    if (last && last.length < MOST_TOGETHER && last[0]?.event.section === one.event.section) last.push(one);
    else batches.push([one]);
  }
  return batches;
}

/** False when it cannot be sent now. Of a batch that is refused each is sent by itself, so that one spoils no other. */
async function sendBatch(
  store: IDBPDatabase<Schema>,
  batch: readonly Unsent[],
  calls: OutboxCalls,
): Promise<boolean> {
  try {
    await send(batch.map(({ event }) => event));
    for (const { event } of batch) calls.onSent(event);
    const gone = store.transaction('events', 'readwrite');
    for (const { key } of batch) void gone.store.delete(key);
    await gone.done;
  } catch (error) {
    if (isAboutSession(error)) calls.onSessionLost();
    if (isAboutSession(error) || isPassing(error)) return false;
    if (batch.length > 1) {
      for (const one of batch) if (!(await sendBatch(store, [one], calls))) return false;
      return true;
    }
    const refused = error instanceof Error ? error.message : 'It was refused.';
    for (const { key, event } of batch) await store.put('events', { ...event, refused }, key);
  }
  await refresh();
  return true;
}

async function send(waiting: readonly WaitingEvent[]): Promise<void> {
  const [first] = waiting;
  if (!first) return;
  const events = waiting.map(({ owner: _, section: __, refused: ___, ...event }): SentEvent => event);
  await call('class.append', { params: { section: first.section }, body: { events } });
}

async function removeWhere(isGone: (entry: WaitingEvent) => boolean): Promise<void> {
  const store = await database();
  for (const key of await store.getAllKeys('events')) {
    const entry = await store.get('events', key);
    if (entry && isGone(entry)) await store.delete('events', key);
  }
  await refresh();
}

async function refresh(): Promise<void> {
  waiting = await (await database()).getAll('events');
  isRead = true;
  for (const listener of listeners) listener();
}

function database(): Promise<IDBPDatabase<Schema>> {
  opening ??= openDB<Schema>('map-step', 3, { upgrade });
  return opening;
}

/** Version 1 kept log entries only, in a store named after them; in version 2 who was here had another name. */
const upgrade: NonNullable<OpenDBCallbacks<Schema>['upgrade']> = async (database, before, _, transaction) => {
  if (before === 2) {
    for (let at = await transaction.objectStore('events').openCursor(); at; at = await at.continue())
      if ((at.value.kind as string) === 'attendance')
        await at.update({ ...at.value, kind: 'present' } as WaitingEvent);
    return;
  }
  const events = database.createObjectStore('events', { autoIncrement: true });
  events.createIndex('owner', 'owner');
  if (before !== 1) return;
  for (const { log, ...entry } of await transaction.objectStore('logs').getAll())
    await events.add({ ...entry, kind: 'log', entry: log });
  database.deleteObjectStore('logs');
};
