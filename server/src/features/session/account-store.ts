import type { SignedInPerson, StaffRole } from '@map-step/contract';
import { col, fn, literal, type Transaction, UniqueConstraintError, where } from 'sequelize';
import type { Database } from '../../db/database.ts';
import type { AccountRow, Models } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import type { SessionOwner } from '../../http/session.ts';

export interface Account {
  readonly id: string;
  readonly email: string;
  readonly passwordHash: string;
  /** Rises with each new password. */
  readonly epoch: number;
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
  return row ? accountOf(row) : undefined;
}

export async function getAccount(database: Database, id: string): Promise<Account> {
  const row = await database.models.accounts.findByPk(id);
  if (!row) throw new Error('the account of a session is gone');
  return accountOf(row);
}

function accountOf({ id, email, passwordHash, epoch }: AccountRow): Account {
  return { id, email, passwordHash, epoch };
}

/** The account of a person of a studio, and to how many studios it belongs. */
export async function findAccountOf(
  database: Database,
  studio: string,
  person: string,
): Promise<{ readonly id: string; readonly email: string; readonly studios: number } | undefined> {
  const [row] = await database.select<{ id: string; email: string; studios: number }>(
    `SELECT a.id, a.email, (SELECT count(*) FROM memberships o WHERE o.account_id = a.id)::integer AS studios
     FROM memberships m JOIN accounts a ON a.id = m.account_id WHERE m.studio_id = $1 AND m.person_id = $2`,
    [studio, person],
  );
  return row;
}

export async function addAccount(models: Models, account: Account, transaction: Transaction): Promise<void> {
  try {
    await models.accounts.create({ ...account }, { transaction });
  } catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error;
    throw new HttpFault('conflict', 'Somebody has just made an account with this e-mail. Sign in.');
  }
}

/** Waits for whoever changes this account, or what it belongs to, at the same moment. */
export async function lockAccount(models: Models, id: string, transaction: Transaction): Promise<void> {
  await models.accounts.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
}

/** A new password ends the sessions and the links of the one before; the answer is the account's epoch from now on. */
export async function savePassword(
  models: Models,
  id: string,
  passwordHash: string,
  transaction: Transaction,
): Promise<number> {
  await lockAccount(models, id, transaction);
  await withdrawLinksOf(models, id, transaction);
  const [, [row]] = await models.accounts.update(
    { passwordHash, epoch: literal('epoch + 1') },
    { where: { id }, transaction, returning: true },
  );
  return row?.epoch ?? 0;
}

/** Links by which the password of an account could be set hold no longer, in whatever studio they were made. */
export async function withdrawLinksOf(models: Models, id: string, transaction: Transaction): Promise<void> {
  await models.sequelize.query(
    `DELETE FROM invitations i USING memberships m
     WHERE m.account_id = $1 AND i.studio_id = m.studio_id AND i.person_id = m.person_id`,
    { bind: [id], transaction },
  );
}

/** True while an account belongs to this studio, as this person, and to no other. */
export async function isOnlyIn(
  models: Models,
  { id, studio, person }: { readonly id: string; readonly studio: string; readonly person: string },
  transaction: Transaction,
): Promise<boolean> {
  const memberships = await models.memberships.findAll({ where: { accountId: id }, transaction });
  return (
    memberships.length === 1 && memberships[0]?.studioId === studio && memberships[0].personId === person
  );
}

/** An account becomes a person of the studio. */
export async function addMembership(scope: StudioScope, accountId: string, personId: string): Promise<void> {
  const { studioId, transaction } = scope;
  await scope.models.memberships.create({ accountId, studioId, personId }, { transaction });
}

export interface Membership {
  readonly studio: string;
  readonly name: string;
  readonly slug: string;
  readonly person: string;
  readonly role: StaffRole;
}

/** The studios of an account, the one entered last first. */
export function listMemberships(database: Database, account: string): Promise<Membership[]> {
  return database.select<Membership>(
    `SELECT m.studio_id AS studio, s.body ->> 'name' AS name, s.slug, m.person_id AS person, p.body ->> 'role' AS role
     FROM memberships m JOIN studios s ON s.id = m.studio_id
       JOIN people p ON p.studio_id = m.studio_id AND p.id = m.person_id
     WHERE m.account_id = $1 ORDER BY m.entered_at DESC`,
    [account],
  );
}

export async function noteEntered(database: Database, { studio, account }: SessionOwner): Promise<void> {
  if (account === undefined) return;
  await database.select(
    'UPDATE memberships SET entered_at = now() WHERE account_id = $1 AND studio_id = $2 RETURNING 1 AS one',
    [account, studio],
  );
}

/** The studio that is entered with one click: the demo, on a server that holds nobody's account. */
export const DEMO = `SELECT id FROM studios WHERE demo AND NOT EXISTS (SELECT FROM accounts)`;

export async function findDemoStudio(database: Database): Promise<string | undefined> {
  const [row] = await database.select<{ id: string }>(`${DEMO} ORDER BY created_at LIMIT 1`, []);
  return row?.id;
}

/**
 * The owner of a session as they stand now. Undefined when they are no longer of the studio, when their account is
 * gone or has another password, or when the session is of a demo that is none any more.
 */
export async function findSignedIn(
  database: Database,
  { studio, id, account, epoch = 1 }: SessionOwner,
): Promise<SignedInPerson | undefined> {
  const [row] = await database.select<{ name: string; role: StaffRole }>(
    `SELECT body ->> 'name' AS name, body ->> 'role' AS role FROM people
     WHERE studio_id = $1 AND id = $2 AND CASE WHEN $3::uuid IS NULL THEN studio_id IN (${DEMO})
       ELSE EXISTS (SELECT FROM memberships m JOIN accounts a ON a.id = m.account_id
         WHERE m.account_id = $3 AND m.studio_id = $1 AND m.person_id = $2 AND a.epoch = $4) END`,
    [studio, id, account ?? null, epoch],
  );
  return row && { id, studio, ...row };
}
