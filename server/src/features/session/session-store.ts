// The open sessions of an account, as express-session keeps them: told and ended by the hash of their id.
import { announceSessionEnd } from '../../db/change-feed.ts';
import type { Database } from '../../db/database.ts';
import { LONGEST_DAYS, nameOfSessionId, type SessionOwner } from '../../http/session.ts';
import { DEMO } from './account-store.ts';

export interface OpenSession {
  /** Its secret id: never told. */
  readonly sid: string;
  /** What it is told by. */
  readonly name: string;
  readonly device: string;
  readonly since: string | null;
  readonly studio: string;
}

/**
 * Which of these sessions still hold: not over, their person in the studio, by the account and password they came in by. One
 * query for however many.
 */
export async function listStillIn(
  database: Database,
  sids: readonly string[],
  { demo, now }: { readonly demo: boolean; readonly now: Date },
): Promise<ReadonlySet<string>> {
  const rows = await database.select<{ sid: string }>(
    `SELECT sid FROM sessions s JOIN people p
       ON p.studio_id = (s.sess -> 'owner' ->> 'studio')::uuid AND p.id = s.sess -> 'owner' ->> 'id'
     WHERE s.sid = ANY($1) AND s.expire > now()
       AND COALESCE((s.sess ->> 'since')::timestamptz, $3::timestamptz) > $3::timestamptz - interval '${LONGEST_DAYS} days'
       AND CASE WHEN s.sess -> 'owner' ->> 'account' IS NULL THEN $2 AND p.studio_id IN (${DEMO})
         ELSE EXISTS (SELECT FROM memberships m JOIN accounts a ON a.id = m.account_id
           WHERE a.id = (s.sess -> 'owner' ->> 'account')::uuid AND m.studio_id = p.studio_id AND m.person_id = p.id
             AND a.epoch = COALESCE((s.sess -> 'owner' ->> 'epoch')::integer, 1)) END`,
    [sids, demo, now],
  );
  return new Set(rows.map(({ sid }) => sid));
}

interface SessionRow {
  readonly sid: string;
  readonly sess: { readonly owner: SessionOwner; readonly device?: string; readonly since?: string };
}

/** The newest first. */
export async function listSessions(database: Database, account: string): Promise<OpenSession[]> {
  const rows = await database.select<SessionRow>(
    `SELECT sid, sess FROM sessions WHERE sess -> 'owner' ->> 'account' = $1 AND expire > now()
     ORDER BY sess ->> 'since' DESC NULLS LAST LIMIT ${MOST_OF_ACCOUNT}`,
    [account],
  );
  return rows.map(({ sid, sess }) => ({
    sid,
    name: nameOfSessionId(sid),
    device: sess.device ?? 'computer',
    since: sess.since ?? null,
    studio: sess.owner.studio,
  }));
}

/** Ends one session of an account, with whatever streams it holds, at whatever server. */
export async function endSession(database: Database, account: string, name: string): Promise<number> {
  const chosen = (await listSessions(database, account)).filter(session => session.name === name);
  return endWhere(database, account, 'sid = ANY($2)', [chosen.map(({ sid }) => sid)]);
}

/** Ends all sessions of an account but one. */
export function endOtherSessions(database: Database, account: string, kept: string): Promise<number> {
  return endWhere(database, account, 'sid <> $2', [kept]);
}

/** Ends all sessions of an account in one studio. */
export function endSessionsIn(database: Database, account: string, studio: string): Promise<number> {
  return endWhere(database, account, "sess -> 'owner' ->> 'studio' = $2", [studio]);
}

/** So many browsers of one person are signed in at a time: the one that was first is out. */
const MOST_OF_ACCOUNT = 20;

export function endOldestSessions(database: Database, account: string): Promise<number> {
  return endWhere(
    database,
    account,
    `sid NOT IN (SELECT sid FROM sessions WHERE sess -> 'owner' ->> 'account' = $1 AND expire > now()
       ORDER BY sess ->> 'since' DESC NULLS LAST, expire DESC LIMIT ${MOST_OF_ACCOUNT})`,
    [],
  );
}

/** One statement: no session that begins meanwhile, and none beyond what is listed, is passed over. */
async function endWhere(
  database: Database,
  account: string,
  condition: string,
  values: readonly unknown[],
): Promise<number> {
  const ended = await database.select<{ sid: string; studio: string }>(
    `DELETE FROM sessions WHERE sess -> 'owner' ->> 'account' = $1 AND ${condition}
     RETURNING sid, sess -> 'owner' ->> 'studio' AS studio`,
    [account, ...values],
  );
  for (const { studio, sid } of ended)
    await database.inStudio(studio, scope => announceSessionEnd(scope, nameOfSessionId(sid)));
  return ended.length;
}
