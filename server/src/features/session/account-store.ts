import type { SignedInPerson } from '@map-step/contract';
import type { Person } from '@map-step/core';
import { col, fn, type Transaction, where } from 'sequelize';
import { documentStore } from '../../db/document-store.ts';
import type { Models } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

export interface Account {
  readonly studioId: string;
  readonly personId: string;
  readonly passwordHash: string;
}

export async function findAccount(
  models: Models,
  email: string,
  transaction: Transaction,
): Promise<Account | undefined> {
  const row = await models.accounts.findOne({
    where: where(fn('lower', col('email')), email.toLowerCase()),
    transaction,
  });
  return row ? { studioId: row.studioId, personId: row.personId, passwordHash: row.passwordHash } : undefined;
}

/** The only studio of a fresh server or of the demo; undefined when there is none. */
export async function findFirstStudio(models: Models, transaction: Transaction): Promise<string | undefined> {
  const row = await models.studios.findOne({ order: ['created_at'], transaction });
  return row?.id;
}

export async function addAccount(
  scope: StudioScope,
  account: { id: string; personId: string; email: string; passwordHash: string },
): Promise<void> {
  await scope.models.accounts.create(
    { ...account, studioId: scope.studioId },
    { transaction: scope.transaction },
  );
}

export async function findSignedIn(
  scope: StudioScope,
  personId: string,
): Promise<SignedInPerson | undefined> {
  const stored = await documentStore(scope, 'people').find(personId);
  return stored && signedIn(stored.body, scope.studioId);
}

export function signedIn({ id, name, role }: Person, studio: string): SignedInPerson {
  return { id, name, role, studio };
}
