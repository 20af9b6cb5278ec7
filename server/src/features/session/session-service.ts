import { randomUUID } from 'node:crypto';
import type { SessionAnswer, SetupBody, SignedInPerson, SignInBody } from '@map-step/contract';
import type { Person } from '@map-step/core';
import type { Request, Response } from 'express';
import type { Transaction } from 'sequelize';
import { announceSessionEnd } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { Models } from '../../db/models.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { isBrowserOf, rememberBrowser } from '../../http/known-browser.ts';
import { beginSession, keepAlive, nameOfSession, ownerOf, type SessionOwner } from '../../http/session.ts';
import { accountTries } from '../../http/sign-in-tries.ts';
import { hashToken } from '../../http/token.ts';
import { createStudio, getStudio, isServerEmpty } from '../studio/studio-store.ts';
import {
  type Account,
  addAccount,
  addMembership,
  findAccount,
  findDemoStudio,
  findSignedIn,
  listMemberships,
  lockAccount,
  noteEntered,
  withdrawLinksOf,
} from './account-store.ts';
import { hashPassword, isPassword, refuseCommonPassword } from './passwords.ts';
import { endOldestSessions } from './session-store.ts';

const WRONG = new HttpFault('wrong-password', 'This e-mail and password do not belong together. Try again.');

/** The person of a session as they stand now. */
export async function identify(deps: Deps, request: Request): Promise<SignedInPerson | undefined> {
  const owner = ownerOf(request, deps.now());
  if (!owner || (!owner.account && !deps.demo)) return undefined;
  return findSignedIn(deps.database, owner);
}

export async function readSession(deps: Deps, request: Request): Promise<SessionAnswer> {
  keepAlive(request, deps.now());
  const { database } = deps;
  const person = await identify(deps, request);
  const demoId = person || !deps.demo ? undefined : await findDemoStudio(database);
  const studioId = person?.studio ?? demoId;
  const seen =
    studioId &&
    (await database.inStudio(studioId, async scope => ({
      studio: await getStudio(scope),
      people: demoId ? await documentStore(scope, 'people').list() : [],
    })));
  return {
    person: person ?? null,
    csrf: person ? (request.session.csrf ?? null) : null,
    demo:
      demoId && seen
        ? {
            studio: seen.studio.name,
            people: seen.people.map(({ id, name, role }) => ({ id, name, role })),
          }
        : null,
    empty: studioId === undefined && (await isServerEmpty(database)),
    founding: deps.founding,
    today: todayIn(deps, seen ? seen.studio.timezone : 'UTC'),
  };
}

export interface SignInCall {
  readonly deps: Deps;
  readonly request: Request;
  readonly response: Response;
}

export async function signIn(call: SignInCall, { email, password, at }: SignInBody): Promise<SessionAnswer> {
  const account = await requireAccount(call, email, password);
  const studios = await listMemberships(call.deps.database, account.id);
  const entered = studios.find(({ slug }) => slug === at) ?? studios[0];
  if (!entered) throw WRONG;
  return enter(call, {
    studio: entered.studio,
    id: entered.person,
    account: account.id,
    epoch: account.epoch,
  });
}

/** The account of who gives its e-mail and password; guesses are counted, and made ever more slowly. */
export async function requireAccount(call: SignInCall, email: string, password: string): Promise<Account> {
  const { database, secret } = call.deps;
  const tries = accountTries(database, secret);
  // Whoever has been in from this browser is counted apart: others' guesses do not keep them out.
  const counted = `${email.toLowerCase()}${isKnownHere(call, email) ? ' here' : ''}`;
  const wait = await tries.take(counted);
  if (wait > 0)
    throw new HttpFault('too-many', `Too many attempts for this account. Try again in ${wait} seconds.`);
  const account = await database.inTransaction(transaction =>
    findAccount(database.models, email, transaction),
  );
  if (!(await isPassword(account?.passwordHash, password)) || !account) throw WRONG;
  await tries.forget(counted);
  rememberHere(call, email);
  return account;
}

export async function signInToDemo(call: SignInCall, person: string): Promise<SessionAnswer> {
  const { deps } = call;
  const studio = deps.demo ? await findDemoStudio(deps.database) : undefined;
  const owner = studio && { studio, id: person };
  if (!owner || !(await findSignedIn(deps.database, owner)))
    throw new HttpFault('not-found', 'There is no such person in the demo.');
  return enter(call, owner);
}

/** A studio with its director: all of it or nothing. The first of a server is anyone's, further ones as it is configured. */
export async function setUpStudio(call: SignInCall, setup: SetupBody): Promise<SessionAnswer> {
  const { database, founding } = call.deps;
  const isFirst = await isServerEmpty(database);
  if (!isFirst && founding !== 'open' && !(founding === 'invitation' && setup.invitation)) throw TAKEN;
  const account = await accountFor(call, setup.email, setup.password);
  const director: Person = { id: 'director', name: setup.name, role: 'director' };
  const studio = randomUUID();
  const prepare = async (transaction: Transaction) => {
    const isLate = isFirst && (await database.models.studios.count({ transaction })) > 0;
    if (isLate && founding !== 'open') return false;
    if (!isFirst && founding === 'invitation' && !(await takeFoundingLink(call, setup, transaction)))
      return false;
    await prepareAccount(database.models, account, transaction);
    return true;
  };
  const owner = await database.inNewStudio(studio, prepare, async scope => {
    await createStudio(scope, { name: setup.studio, timezone: setup.timezone });
    await documentStore(scope, 'people').add([director]);
    await addMembership(scope, account.id, director.id);
    return { studio, id: director.id, account: account.id, epoch: account.epoch };
  });
  if (!owner) throw founding === 'invitation' && !isFirst ? SPENT : TAKEN;
  rememberHere(call, setup.email);
  return enter(call, owner);
}

const TAKEN = new HttpFault('not-allowed', 'This server has a studio already. Sign in.');
const SPENT = new HttpFault(
  'link-expired',
  'This link has been used or no longer holds. Ask for a new one where you got it.',
);

/** Of who comes with an e-mail: their account, when the password is right; else a new one that is not written yet. */
export async function accountFor(
  call: SignInCall,
  email: string,
  password: string,
): Promise<Account & { readonly isNew: boolean }> {
  const { database } = call.deps;
  const known = await database.inTransaction(transaction => findAccount(database.models, email, transaction));
  if (known) return { ...(await requireAccount(call, email, password)), isNew: false };
  refuseCommonPassword(password, email, '/password');
  return { id: randomUUID(), email, passwordHash: await hashPassword(password), epoch: 1, isNew: true };
}

/**
 * In the transaction in which an account comes to belong to one more studio: it is written where it is new; where it is
 * not, no link of a studio that it belongs to sets its password any longer.
 */
export async function prepareAccount(
  models: Models,
  account: Account & { readonly isNew: boolean },
  transaction: Transaction,
): Promise<void> {
  if (account.isNew) return addAccount(models, account, transaction);
  await lockAccount(models, account.id, transaction);
  await withdrawLinksOf(models, account.id, transaction);
}

async function takeFoundingLink(
  { deps }: SignInCall,
  { invitation = '' }: SetupBody,
  transaction: Transaction,
): Promise<boolean> {
  const link = await deps.database.models.foundingLinks.findByPk(hashToken(invitation), { transaction });
  await link?.destroy({ transaction });
  return link !== null && link.expiresAt > deps.now();
}

/** Begins the session of somebody whom a password, a link or the demo has let in. */
export async function enter({ deps, request }: SignInCall, owner: SessionOwner): Promise<SessionAnswer> {
  const before = request.session.owner && {
    studio: request.session.owner.studio,
    name: nameOfSession(request),
  };
  await beginSession(request, owner, deps.now());
  // What was open in this browser was of who was signed in before.
  if (before) await deps.database.inStudio(before.studio, scope => announceSessionEnd(scope, before.name));
  if (owner.account !== undefined) await endOldestSessions(deps.database, owner.account);
  await noteEntered(deps.database, owner);
  return readSession(deps, request);
}

/** This browser has signed in by this address before. */
export function rememberHere(call: SignInCall, email: string): void {
  rememberBrowser(call.response, call.request, email, call.deps.secret);
}

function isKnownHere(call: SignInCall, email: string): boolean {
  return isBrowserOf(call.request, email, call.deps.secret);
}
