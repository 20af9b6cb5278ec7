// Log entries on their way to the server: kept in the browser's database until the server has them, sent in
// order. They survive a reload, a sign-out and a lost connection; each belongs to one person of one studio.
import type { LogEntry, SignedInPerson } from '@map-step/contract';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { ApiError, call, isPassing } from './client.ts';

export interface WaitingLog {
  readonly owner: string;
  readonly section: string;
  readonly log: LogEntry;
  /** Why the server will never take it; it is kept until the person has seen it. */
  readonly refused?: string;
}

interface Schema extends DBSchema {
  logs: { key: number; value: WaitingLog; indexes: { owner: string } };
}

const AGAIN_MS = 3000;
const LOCK = 'map-step-outbox';

let opening: Promise<IDBPDatabase<Schema>> | undefined;
let waiting: readonly WaitingLog[] = [];
let timer: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

export function ownerOf({ studio, id }: SignedInPerson): string {
  return `${studio}/${id}`;
}

/** What has not reached the server yet, of everybody who used this browser. */
export function waitingLogs(): readonly WaitingLog[] {
  return waiting;
}

export function followOutbox(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keeps an entry; once this resolves it is not lost. */
export async function keepLog(entry: WaitingLog): Promise<void> {
  await (await database()).add('logs', entry);
  await refresh();
}

/** Forgets the entries that the server refused. */
export async function forgetRefused(owner: string): Promise<void> {
  await removeWhere(entry => entry.owner === owner && entry.refused !== undefined);
}

/**
 * Sends what waits, in order, from one tab at a time. Stops at the first that cannot be sent now and tries
 * again by itself; calls `onSent` with each that arrived, before it is forgotten here.
 */
export async function sendWaiting(owner: string, onSent: (entry: WaitingLog) => void): Promise<void> {
  clearTimeout(timer);
  await refresh();
  const isDone = await navigator.locks.request(
    LOCK,
    { ifAvailable: true },
    lock => lock !== null && sendAll(owner, onSent),
  );
  if (!isDone) timer = setTimeout(() => void sendWaiting(owner, onSent), AGAIN_MS);
}

async function sendAll(owner: string, onSent: (entry: WaitingLog) => void): Promise<boolean> {
  const store = await database();
  for (const key of await store.getAllKeysFromIndex('logs', 'owner', owner)) {
    const entry = await store.get('logs', key);
    if (!entry || entry.refused !== undefined) continue;
    try {
      await call('section.log', { params: { section: entry.section }, body: { logs: [entry.log] } });
      onSent(entry);
      await store.delete('logs', key);
    } catch (error) {
      if (isPassing(error) || isSignedOut(error)) return false;
      const refused = error instanceof Error ? error.message : 'It was refused.';
      await store.put('logs', { ...entry, refused }, key);
    }
    await refresh();
  }
  return true;
}

function isSignedOut(error: unknown): boolean {
  return error instanceof ApiError && error.body.code === 'not-signed-in';
}

async function removeWhere(isGone: (entry: WaitingLog) => boolean): Promise<void> {
  const store = await database();
  for (const key of await store.getAllKeys('logs')) {
    const entry = await store.get('logs', key);
    if (entry && isGone(entry)) await store.delete('logs', key);
  }
  await refresh();
}

async function refresh(): Promise<void> {
  waiting = await (await database()).getAll('logs');
  for (const listener of listeners) listener();
}

function database(): Promise<IDBPDatabase<Schema>> {
  opening ??= openDB<Schema>('map-step', 1, {
    upgrade: fresh => {
      fresh.createObjectStore('logs', { autoIncrement: true }).createIndex('owner', 'owner');
    },
  });
  return opening;
}
