import { createHash } from 'node:crypto';
import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type { Database } from '../db/database.ts';

/** Counts sign-in attempts in PostgreSQL, so that all servers count together; addresses stand there as hashes. */
export function signInTries(database: Database, secret: string): Store {
  let windowMs = 0;
  const hashOf = (address: string) => createHash('sha256').update(`${secret} ${address}`).digest('hex');
  return {
    localKeys: false,
    init: (options: Options) => {
      windowMs = options.windowMs;
    },
    async increment(address): Promise<ClientRateLimitInfo> {
      const [row] = await database.select<{ tries: number; resets_at: Date }>(
        `INSERT INTO sign_in_tries AS old VALUES ($1, 1, now() + $2 * interval '1 millisecond')
         ON CONFLICT (address_hash) DO UPDATE SET
           tries = CASE WHEN old.resets_at < now() THEN 1 ELSE old.tries + 1 END,
           resets_at = CASE WHEN old.resets_at < now() THEN excluded.resets_at ELSE old.resets_at END
         RETURNING tries, resets_at`,
        [hashOf(address), windowMs],
      );
      return { totalHits: row?.tries ?? 1, resetTime: row?.resets_at };
    },
    async decrement(address): Promise<void> {
      await database.select(
        'UPDATE sign_in_tries SET tries = GREATEST(0, tries - 1) WHERE address_hash = $1',
        [hashOf(address)],
      );
    },
    async resetKey(address): Promise<void> {
      await database.select('DELETE FROM sign_in_tries WHERE address_hash = $1', [hashOf(address)]);
    },
  };
}
