// How often an address, or an account, has been tried: counted in PostgreSQL, so that all servers count together.
// Addresses and accounts stand there as hashes.
import { createHash } from 'node:crypto';
import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type { Database } from '../db/database.ts';

const hash = (secret: string, name: string) => createHash('sha256').update(`${secret} ${name}`).digest('hex');

/** Counts sign-in attempts by address. */
export function signInTries(database: Database, secret: string): Store {
  let windowMs = 0;
  const hashOf = (address: string) => hash(secret, address);
  return {
    localKeys: false,
    init: (options: Options) => {
      windowMs = options.windowMs;
    },
    async increment(address): Promise<ClientRateLimitInfo> {
      const [row] = await database.select<{ tries: number; resets_at: Date }>(
        `INSERT INTO sign_in_tries AS old VALUES ($1, 1, now() + $2 * interval '1 millisecond')
         ON CONFLICT (key_hash) DO UPDATE SET
           tries = CASE WHEN old.resets_at < now() THEN 1 ELSE old.tries + 1 END,
           resets_at = CASE WHEN old.resets_at < now() THEN excluded.resets_at ELSE old.resets_at END
         RETURNING tries, resets_at`,
        [hashOf(address), windowMs],
      );
      return { totalHits: row?.tries ?? 1, resetTime: row?.resets_at };
    },
    async decrement(address): Promise<void> {
      await database.select('UPDATE sign_in_tries SET tries = GREATEST(0, tries - 1) WHERE key_hash = $1', [
        hashOf(address),
      ]);
    },
    async resetKey(address): Promise<void> {
      await database.select('DELETE FROM sign_in_tries WHERE key_hash = $1', [hashOf(address)]);
    },
  };
}

/** Tries of one account, from wherever they come. */
export interface AccountTries {
  /** Counts a try; says how many seconds to wait where it may not be made yet. */
  take(account: string): Promise<number>;
  forget(account: string): Promise<void>;
}

const FREE_TRIES = 10;
const LONGEST_WAIT_SECONDS = 60;

/**
 * After ten tries that failed each further one has to wait twice as long, a minute at the most: guessing is slow from
 * however many addresses, and nobody is locked out for good. A quarter of an hour after the last one all is forgotten.
 */
export function accountTries(database: Database, secret: string): AccountTries {
  return {
    async take(account) {
      const key = hash(secret, `account ${account}`);
      const [taken] = await database.select<{ tries: number }>(
        `INSERT INTO sign_in_tries AS old VALUES ($1, 1, now() + interval '15 minutes')
         ON CONFLICT (key_hash) DO UPDATE SET
           tries = CASE WHEN old.resets_at < now() THEN 1 ELSE old.tries + 1 END,
           resets_at = excluded.resets_at,
           free_at = now() + interval '1 second' *
             CASE WHEN old.resets_at < now() OR old.tries < $2 THEN 0
                  ELSE LEAST($3::float, 2 ^ LEAST(10, old.tries + 1 - $2)) END
         WHERE old.free_at <= now() RETURNING tries`,
        [key, FREE_TRIES, LONGEST_WAIT_SECONDS],
      );
      if (taken) return 0;
      const [row] = await database.select<{ wait: number }>(
        'SELECT ceil(extract(epoch FROM free_at - now()))::integer AS wait FROM sign_in_tries WHERE key_hash = $1',
        [key],
      );
      return Math.max(1, row?.wait ?? 1);
    },
    async forget(account) {
      await database.select('DELETE FROM sign_in_tries WHERE key_hash = $1', [
        hash(secret, `account ${account}`),
      ]);
    },
  };
}
