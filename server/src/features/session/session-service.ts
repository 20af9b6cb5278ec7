import { randomUUID } from 'node:crypto';
import type { SessionAnswer, SetupBody, SignInBody } from '@map-step/contract';
import type { Person } from '@map-step/core';
import { hash, verify } from '@node-rs/argon2';
import type { Request } from 'express';
import { documentStore } from '../../db/document-store.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { beginSession, keepAlive } from '../../http/session.ts';
import { createStudio, getStudio } from '../studio/studio-store.ts';
import { addAccount, findAccount, findFirstStudio, findSignedIn, signedIn } from './account-store.ts';

const WRONG = new HttpFault('wrong-password', 'This e-mail and password do not belong together. Try again.');

/** Compared against when there is no such account, so that both take the same time. */
const NOBODY = hash('nobody has this password');

export async function readSession(deps: Deps, request: Request): Promise<SessionAnswer> {
  keepAlive(request, deps.now());
  const { person, csrf } = request.session;
  const { database } = deps;
  const first = person
    ? person.studio
    : await database.inTransaction(transaction => findFirstStudio(database.models, transaction));
  const ownStudio = person || deps.demo ? first : undefined;
  const seen = ownStudio
    ? await database.inStudio(ownStudio, async scope => ({
        studio: await getStudio(scope),
        people: person ? [] : await documentStore(scope, 'people').list(),
      }))
    : undefined;
  return {
    person: person ?? null,
    csrf: csrf ?? null,
    demo: deps.demo && !person ? (seen?.people ?? []).map(({ id, name, role }) => ({ id, name, role })) : [],
    empty: first === undefined,
    today: todayIn(deps, seen?.studio.timezone ?? 'UTC'),
  };
}

export async function signIn(
  deps: Deps,
  request: Request,
  { email, password }: SignInBody,
): Promise<SessionAnswer> {
  const { database } = deps;
  const account = await database.inTransaction(transaction =>
    findAccount(database.models, email, transaction),
  );
  const isRight = await verify(account?.passwordHash ?? (await NOBODY), password);
  const person =
    account && isRight
      ? await database.inStudio(account.studioId, scope => findSignedIn(scope, account.personId))
      : undefined;
  if (!person) throw WRONG;
  await beginSession(request, person);
  return readSession(deps, request);
}

export async function signInToDemo(deps: Deps, request: Request, personId: string): Promise<SessionAnswer> {
  const { database } = deps;
  const studioId = deps.demo
    ? await database.inTransaction(transaction => findFirstStudio(database.models, transaction))
    : undefined;
  const person = studioId
    ? await database.inStudio(studioId, scope => findSignedIn(scope, personId))
    : undefined;
  if (!person) throw new HttpFault('not-found', 'There is no such person in the demo.');
  await beginSession(request, person);
  return readSession(deps, request);
}

/** The first studio of a fresh server, with its director. */
export async function setUpStudio(deps: Deps, request: Request, setup: SetupBody): Promise<SessionAnswer> {
  const { database } = deps;
  const passwordHash = await hash(setup.password);
  const director: Person = { id: 'director', name: setup.name, role: 'director' };
  const studioId = randomUUID();
  if (await database.inTransaction(transaction => findFirstStudio(database.models, transaction)))
    throw new HttpFault('not-allowed', 'This server has a studio already. Sign in.');
  await database.inStudio(studioId, async scope => {
    await createStudio(scope, { name: setup.studio, timezone: setup.timezone });
    await documentStore(scope, 'people').add([director]);
    await addAccount(scope, { id: randomUUID(), personId: director.id, email: setup.email, passwordHash });
  });
  await beginSession(request, signedIn(director, studioId));
  return readSession(deps, request);
}
