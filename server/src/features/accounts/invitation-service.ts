import type { InvitationAnswer, LinkAnswer, SessionAnswer } from '@map-step/contract';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { Deps } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import {
  type Account,
  addMembership,
  findAccountOf,
  isOnlyIn,
  lockAccount,
  savePassword,
} from '../session/account-store.ts';
import { hashPassword, refuseCommonPassword } from '../session/passwords.ts';
import {
  accountFor,
  enter,
  prepareAccount,
  rememberHere,
  type SignInCall,
} from '../session/session-service.ts';
import { endOtherSessions } from '../session/session-store.ts';
import { getStudio, isDemoStudio } from '../studio/studio-store.ts';
import { addInvitation, findInvitation, type Invitation, takeInvitation } from './invitation-store.ts';

const SPENT = new HttpFault(
  'link-expired',
  'This link has been used, was withdrawn, or has expired. Ask the director for a new one.',
);

/** A link for somebody to come in by, or to set a new password by when they have an account. */
export async function invite(scope: StudioScope, deps: Deps, person: string): Promise<LinkAnswer> {
  await getPerson(scope, person);
  if (deps.demo && (await isDemoStudio(scope)))
    throw new HttpFault(
      'conflict',
      'In the demo everybody comes in with one click. People get accounts in a studio of your own.',
    );
  const account = await findAccountOf(deps.database, scope.studioId, person);
  if (account && account.studios > 1)
    throw new HttpFault(
      'conflict',
      'Their account belongs to another studio too, so that you cannot set its password. End it here and invite them anew.',
    );
  const link = await addInvitation(scope, person, deps.now());
  await announce(scope, { topic: 'studio', id: person });
  return link;
}

export async function readInvitation(deps: Deps, token: string): Promise<InvitationAnswer> {
  const invitation = await requireInvitation(deps, token);
  const account = await findAccountOf(deps.database, invitation.studio, invitation.person);
  if (account && account.studios > 1) throw SPENT;
  return deps.database.inStudio(invitation.studio, async scope => {
    const { name, role } = await getPerson(scope, invitation.person);
    return {
      studio: (await getStudio(scope)).name,
      name,
      role,
      kind: account ? 'new-password' : 'invitation',
      expires: invitation.expires.toISOString(),
    };
  });
}

/** Lets a person in: with a new account, with the one they have, or with a new password. The link is spent by it. */
export async function acceptInvitation(
  call: SignInCall,
  token: string,
  given: { readonly email: string; readonly password: string },
): Promise<SessionAnswer> {
  const { deps } = call;
  const { studio, person } = await requireInvitation(deps, token);
  const known = await findAccountOf(deps.database, studio, person);
  const account = known
    ? await setNewPassword(deps, token, { ...known, studio, person }, given)
    : await join(call, token, { studio, person }, given);
  rememberHere(call, given.email);
  return enter(call, { studio, id: person, account: account.id, epoch: account.epoch });
}

async function setNewPassword(
  deps: Deps,
  token: string,
  account: Pick<Account, 'id' | 'email'> & Pick<Invitation, 'studio' | 'person'>,
  { email, password }: { readonly email: string; readonly password: string },
): Promise<Pick<Account, 'id' | 'epoch'>> {
  const { database } = deps;
  const { models } = database;
  if (email.toLowerCase() !== account.email.toLowerCase())
    throw new HttpFault('bad-request', 'Give the e-mail that you sign in with.', {
      problems: [{ at: '/email', message: 'is not that of your account' }],
    });
  refuseCommonPassword(password, email, '/password');
  const passwordHash = await hashPassword(password);
  const epoch = await database.inTransaction(async transaction => {
    await lockAccount(models, account.id, transaction);
    // Since the link was made the account may have come to belong to somebody else's studio too.
    if (!(await isOnlyIn(models, account, transaction))) throw SPENT;
    if (!(await takeInvitation(models, token, transaction))) throw SPENT;
    return savePassword(models, account.id, passwordHash, transaction);
  });
  // Whoever knew the old one is out.
  await endOtherSessions(database, account.id, '');
  return { id: account.id, epoch };
}

async function join(
  call: SignInCall,
  token: string,
  { studio, person }: Pick<Invitation, 'studio' | 'person'>,
  { email, password }: { readonly email: string; readonly password: string },
): Promise<Pick<Account, 'id' | 'epoch'>> {
  const { database } = call.deps;
  const account = await accountFor(call, email, password);
  const joined = await database.inNewStudio(
    studio,
    async transaction => {
      if (!(await takeInvitation(database.models, token, transaction))) return false;
      await prepareAccount(database.models, account, transaction);
      const own = { accountId: account.id, studioId: studio };
      if ((await database.models.memberships.count({ where: own, transaction })) > 0)
        throw new HttpFault('conflict', 'You belong to this studio already, under another name. Sign in.');
      return true;
    },
    async scope => {
      await addMembership(scope, account.id, person);
      await announce(scope, { topic: 'studio', id: person });
      return true;
    },
  );
  if (!joined) throw SPENT;
  return account;
}

async function requireInvitation(deps: Deps, token: string): Promise<Invitation> {
  const invitation = await findInvitation(deps.database.models, token, deps.now());
  if (!invitation) throw SPENT;
  return invitation;
}

async function getPerson(scope: StudioScope, id: string) {
  const stored = await documentStore(scope, 'people').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no person "${id}" in this studio.`);
  return stored.body;
}
