import type { AccountAnswer, AccountsAnswer, SessionAnswer, SignedInPerson } from '@map-step/contract';
import type { Request } from 'express';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { Deps } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { nameOfSession } from '../../http/session.ts';
import { findAccountOf, getAccount, listMemberships, savePassword } from '../session/account-store.ts';
import { hashPassword, refuseCommonPassword } from '../session/passwords.ts';
import { enter, requireAccount, type SignInCall } from '../session/session-service.ts';
import { endOtherSessions, endSession, endSessionsIn, listSessions } from '../session/session-store.ts';
import { requireDirectorBesides } from '../setup/directors.ts';
import { withdrawInvitation } from './invitation-store.ts';

interface OwnCall extends SignInCall {
  readonly who: SignedInPerson;
}

/** One's own account: the studios it belongs to, and where it is signed in. */
export async function readAccount({ deps, request, who }: OwnCall): Promise<AccountAnswer> {
  const { database } = deps;
  const account = accountOf(request);
  if (account === undefined) return { email: null, studios: [], sessions: [] };
  const studios = await listMemberships(database, account);
  const sessions = await listSessions(database, account);
  return {
    email: (await getAccount(database, account)).email,
    studios: studios.map(({ studio, name, role }) => ({ studio, name, role, isHere: studio === who.studio })),
    sessions: sessions.map(({ name, device, since }) => ({
      id: name,
      device,
      since,
      isThis: name === nameOfSession(request),
    })),
  };
}

/** A new password; whoever is signed in elsewhere by the old one is out. */
export async function changePassword(
  call: OwnCall,
  { old, fresh }: { readonly old: string; readonly fresh: string },
): Promise<{ ended: number }> {
  const { deps, request } = call;
  const { database } = deps;
  const { id, email } = await getAccount(database, requireOwn(request));
  await requireAccount(call, email, old).catch((error: unknown) => {
    if (!(error instanceof HttpFault) || error.code !== 'wrong-password') throw error;
    // The session is good, so that it must not end by this.
    throw new HttpFault('bad-request', 'The old password is not right. Nothing was changed.', {
      problems: [{ at: '/old', message: 'is not your password' }],
    });
  });
  refuseCommonPassword(fresh, email, '/fresh');
  const passwordHash = await hashPassword(fresh);
  const epoch = await database.inTransaction(transaction =>
    savePassword(database.models, id, passwordHash, transaction),
  );
  const { owner } = request.session;
  if (owner) request.session.owner = { ...owner, epoch };
  return { ended: await endOtherSessions(database, id, request.sessionID) };
}

/** Ends one session of one's own, wherever it is. */
export async function endOwnSession({ deps, request }: OwnCall, name: string): Promise<{ ended: number }> {
  return { ended: await endSession(deps.database, requireOwn(request), name) };
}

/** Goes to another studio of the same account. */
export async function enterStudio(call: OwnCall, studio: string): Promise<SessionAnswer> {
  const account = requireOwn(call.request);
  const chosen = (await listMemberships(call.deps.database, account)).find(one => one.studio === studio);
  if (!chosen) throw new HttpFault('not-found', 'You do not belong to this studio.');
  const { epoch = 1 } = call.request.session.owner ?? {};
  return enter(call, { studio, id: chosen.person, account, epoch });
}

/** How the people of a studio come in. */
export async function readAccounts(scope: StudioScope, deps: Deps): Promise<AccountsAnswer> {
  const people = await documentStore(scope, 'people').list();
  const rows = await deps.database.select<{ person: string; email: string; sessions: number }>(
    `SELECT m.person_id AS person, a.email, (SELECT count(*) FROM sessions s
       WHERE s.sess -> 'owner' ->> 'account' = a.id::text AND s.sess -> 'owner' ->> 'studio' = $1::text
         AND s.expire > now())::integer AS sessions
     FROM memberships m JOIN accounts a ON a.id = m.account_id WHERE m.studio_id = $1::uuid`,
    [scope.studioId],
  );
  const accounts = new Map(rows.map(row => [row.person, row]));
  const links = await scope.models.invitations.findAll(scope.where());
  const invited = new Map(links.map(({ personId, expiresAt }) => [personId, expiresAt]));
  return {
    accounts: people.map(({ id }) => {
      const expires = invited.get(id);
      return {
        person: id,
        email: accounts.get(id)?.email ?? null,
        invited: expires && expires > deps.now() ? expires.toISOString() : null,
        sessions: accounts.get(id)?.sessions ?? 0,
      };
    }),
  };
}

/** Ends what lets a person in: at once, wherever they are. What they wrote stays. */
export async function endAccount(
  deps: Deps,
  who: SignedInPerson,
  person: string,
): Promise<{ ended: number }> {
  const { database } = deps;
  const account = await findAccountOf(database, who.studio, person);
  await database.inStudio(who.studio, async scope => {
    await requireDirectorBesides(scope, person);
    await withdrawInvitation(scope, person);
    await scope.models.memberships.destroy(scope.where({ personId: person }));
    await announce(scope, { topic: 'studio', id: person });
  });
  if (!account) return { ended: 0 };
  await endSessionsIn(database, account.id, who.studio);
  // An account that belongs nowhere any more is nobody's.
  await database.select(
    'DELETE FROM accounts a WHERE id = $1 AND NOT EXISTS (SELECT FROM memberships m WHERE m.account_id = a.id) RETURNING id',
    [account.id],
  );
  return { ended: 1 };
}

function accountOf(request: Request): string | undefined {
  return request.session.owner?.account;
}

function requireOwn(request: Request): string {
  const account = accountOf(request);
  if (account === undefined)
    throw new HttpFault('conflict', 'In the demo nobody has an account: everybody comes in with one click.');
  return account;
}
