import { createHmac, randomUUID } from 'node:crypto';
import type { SessionAnswer, SetupBody, SignedInPerson, SignInBody } from '@map-step/contract';
import type { Person } from '@map-step/core';
import { hash, verify } from '@node-rs/argon2';
import { parse } from 'cookie';
import type { Request, Response } from 'express';
import { documentStore } from '../../db/document-store.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { isSameSecret } from '../../http/same-secret.ts';
import { beginSession, keepAlive, type SessionOwner } from '../../http/session.ts';
import { accountTries } from '../../http/sign-in-tries.ts';
import { createStudio, getStudio, isServerEmpty } from '../studio/studio-store.ts';
import { addAccount, findAccount, findDemoStudio, findSignedIn } from './account-store.ts';

const WRONG = new HttpFault('wrong-password', 'This e-mail and password do not belong together. Try again.');
const BUSY = new HttpFault(
  'too-many',
  'Many people are signing in at this moment. Try again in a few seconds.',
);

/** Compared against when there is no such account, so that both take the same time. */
const NOBODY = hash('nobody has this password');

/** The person of a session as they stand now. */
export async function identify(deps: Deps, request: Request): Promise<SignedInPerson | undefined> {
  const { owner } = request.session;
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
    today: todayIn(deps, seen ? seen.studio.timezone : 'UTC'),
  };
}

export interface SignInCall {
  readonly deps: Deps;
  readonly request: Request;
  readonly response: Response;
}

export async function signIn(call: SignInCall, { email, password }: SignInBody): Promise<SessionAnswer> {
  const { deps, request } = call;
  const { database, secret } = deps;
  const tries = accountTries(database, secret);
  // Whoever has been in from this browser is counted apart: others' guesses do not keep them out.
  const counted = `${email.toLowerCase()}${isKnownHere(call, email) ? ' here' : ''}`;
  const wait = await tries.take(counted);
  if (wait > 0)
    throw new HttpFault('too-many', `Too many attempts for this account. Try again in ${wait} seconds.`);
  const account = await database.inTransaction(transaction =>
    findAccount(database.models, email, transaction),
  );
  const isRight = await isPassword(account?.passwordHash ?? (await NOBODY), password);
  if (!account || !isRight) throw WRONG;
  const owner = { studio: account.studioId, id: account.personId, account: account.id };
  if (!(await findSignedIn(database, owner))) throw WRONG;
  await tries.forget(counted);
  rememberHere(call, email);
  return enter(deps, request, owner);
}

export async function signInToDemo({ deps, request }: SignInCall, person: string): Promise<SessionAnswer> {
  const studio = deps.demo ? await findDemoStudio(deps.database) : undefined;
  const owner = studio && { studio, id: person };
  if (!owner || !(await findSignedIn(deps.database, owner)))
    throw new HttpFault('not-found', 'There is no such person in the demo.');
  return enter(deps, request, owner);
}

/** The first studio of a fresh server, with its director: all of it or nothing, and one of those who try at once. */
export async function setUpStudio(call: SignInCall, setup: SetupBody): Promise<SessionAnswer> {
  const { deps, request } = call;
  const taken = new HttpFault('not-allowed', 'This server has a studio already. Sign in.');
  if (!(await isServerEmpty(deps.database))) throw taken;
  const passwordHash = await inTurn(() => hash(setup.password));
  const director: Person = { id: 'director', name: setup.name, role: 'director' };
  const [studio, account] = [randomUUID(), randomUUID()];
  const owner = await deps.database.inFirstStudio(studio, async scope => {
    await createStudio(scope, { name: setup.studio, timezone: setup.timezone });
    await documentStore(scope, 'people').add([director]);
    await addAccount(scope, { id: account, personId: director.id, email: setup.email, passwordHash });
    return { studio, id: director.id, account };
  });
  if (!owner) throw taken;
  rememberHere(call, setup.email);
  return enter(deps, request, owner);
}

async function enter(deps: Deps, request: Request, owner: SessionOwner): Promise<SessionAnswer> {
  await beginSession(request, owner);
  return readSession(deps, request);
}

const MOST_WAITING = 10;
const REST_MS = 100;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

/** Hashing takes a processor for a while: one after the other, with a rest in between for those who work. */
async function inTurn<Answer>(work: () => Promise<Answer>): Promise<Answer> {
  if (waiting >= MOST_WAITING) throw BUSY;
  waiting += 1;
  const before = last;
  const turn = before.then(work);
  last = turn.then(rest, rest);
  try {
    return await turn;
  } finally {
    waiting -= 1;
  }
}

function rest(): Promise<void> {
  return new Promise(resolve => setTimeout(resolve, REST_MS));
}

function isPassword(passwordHash: string, password: string): Promise<boolean> {
  return inTurn(() => verify(passwordHash, password));
}

const KNOWN = 'map-step-known';
const YEAR_MS = 365 * 86_400_000;

function signatureOf({ deps }: SignInCall, email: string): string {
  return createHmac('sha256', deps.secret).update(`known ${email.toLowerCase()}`).digest('base64url');
}

/** This browser has signed in by this address before. */
function rememberHere(call: SignInCall, email: string): void {
  call.response.cookie(KNOWN, signatureOf(call, email), {
    httpOnly: true,
    sameSite: 'lax',
    secure: call.request.secure,
    path: '/api/session',
    maxAge: YEAR_MS,
  });
}

function isKnownHere(call: SignInCall, email: string): boolean {
  return isSameSecret(parse(call.request.get('cookie') ?? '')[KNOWN] ?? '', signatureOf(call, email));
}
