// The open sessions of an account, as express-session keeps them: told and ended by the hash of their id.
import { announceSessionEnd } from '../../db/change-feed.ts';
import type { Database } from '../../db/database.ts';
import { nameOfSessionId, type SessionOwner } from '../../http/session.ts';

export interface OpenSession {
  /** Its secret id: never told. */
  readonly sid: string;
  /** What it is told by. */
  readonly name: string;
  readonly device: string;
  readonly since: string | null;
  readonly studio: string;
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
