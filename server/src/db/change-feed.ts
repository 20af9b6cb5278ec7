// Changes of studios over PostgreSQL's LISTEN/NOTIFY: any server tells, every server hears.
import { type Change, EVERYTHING } from '@map-step/contract';
import pg from 'pg';
import { CHANNEL, putInOutbox, SEND_OUTBOX } from './outbox.ts';
import type { StudioScope } from './studio-scope.ts';

/** How often what a server that died has not told is looked for. */
const SWEEP_MS = 1000;
const FIRST_WAIT_MS = 200;
const LONGEST_WAIT_MS = 5000;

/** What servers tell each other: a change, or the end of a session by its name. */
export type Signal = Change | { readonly topic: 'session'; readonly id: string };

export interface ChangeFeed {
  /** Hears what is told of one studio until the returned function is called. */
  follow(studioId: string, listener: (signal: Signal) => void): () => void;
  /** False while it is not connected. */
  isListening(): boolean;
  close(): Promise<void>;
}

/** Tells everyone who follows the studio, once the transaction is committed and only then. */
export function announce(scope: StudioScope, change: Change): Promise<void> {
  return putInOutbox(scope, change);
}

/** Ends the streams of a session, at whatever server they are. */
export function announceSessionEnd(scope: StudioScope, id: string): Promise<void> {
  return putInOutbox(scope, { topic: 'session', id } satisfies Signal);
}

/**
 * Listens on one connection of its own, outside the pool. When it breaks it is made again, and because
 * nobody knows what was missed, all followers are told that everything may have changed.
 */
export function openChangeFeed(databaseUrl: string): ChangeFeed {
  const followers = new Map<string, Set<(signal: Signal) => void>>();
  let client: pg.Client | undefined;
  let isClosed = false;
  let isListening = false;
  let wait = FIRST_WAIT_MS;
  let timer: NodeJS.Timeout | undefined;

  const tell = (studio: string, signal: Signal) => {
    for (const listener of followers.get(studio) ?? []) listener(signal);
  };

  const connect = async (isAgain: boolean): Promise<void> => {
    const next = new pg.Client({
      connectionString: databaseUrl,
      keepAlive: true,
      connectionTimeoutMillis: 3000,
      application_name: 'map-step-feed',
    });
    next.on('error', () => again(next));
    next.on('end', () => again(next));
    next.on('notification', ({ payload }) => {
      const { studio, ...signal } = JSON.parse(payload ?? '{}') as Signal & { studio: string };
      tell(studio, signal);
    });
    client = next;
    try {
      await next.connect();
      await next.query(`LISTEN ${CHANNEL}`);
      wait = FIRST_WAIT_MS;
      isListening = true;
      if (isAgain) for (const studio of followers.keys()) tell(studio, EVERYTHING);
    } catch {
      again(next);
    }
  };

  const again = (broken: pg.Client): void => {
    if (isClosed || broken !== client) return;
    client = undefined;
    isListening = false;
    broken.removeAllListeners('end');
    void broken.end().catch(() => undefined);
    timer = setTimeout(() => void connect(true), wait);
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  };

  void connect(false);
  const sweeping = setInterval(() => {
    if (isListening) void client?.query(SEND_OUTBOX).catch(() => undefined);
  }, SWEEP_MS);
  sweeping.unref();
  return {
    follow(studioId, listener) {
      const own = followers.get(studioId) ?? new Set();
      followers.set(studioId, own.add(listener));
      return () => {
        own.delete(listener);
        if (own.size === 0) followers.delete(studioId);
      };
    },
    isListening: () => isListening,
    async close() {
      isClosed = true;
      clearTimeout(timer);
      clearInterval(sweeping);
      await client?.end().catch(() => undefined);
    },
  };
}
