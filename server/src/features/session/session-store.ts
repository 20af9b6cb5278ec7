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
     ORDER BY sess ->> 'since' DESC NULLS LAST LIMIT 100`,
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

/** Ends sessions and whatever streams they hold, at whatever server. */
export async function endSessions(database: Database, sessions: readonly OpenSession[]): Promise<number> {
  if (sessions.length === 0) return 0;
  const ended = await database.select<{ sid: string }>(
    'DELETE FROM sessions WHERE sid = ANY($1) RETURNING sid',
    [sessions.map(({ sid }) => sid)],
  );
  for (const { studio, name } of sessions)
    await database.inStudio(studio, scope => announceSessionEnd(scope, name));
  return ended.length;
}
