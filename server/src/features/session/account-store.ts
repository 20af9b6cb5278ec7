import type { SignedInPerson, StaffRole } from '@map-step/contract';
import { col, fn, type Transaction, where } from 'sequelize';
import type { Database } from '../../db/database.ts';
import type { Models } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { SessionOwner } from '../../http/session.ts';

export interface Account {
  readonly id: string;
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
  if (!row) return undefined;
  const { id, studioId, personId, passwordHash } = row;
  return { id, studioId, personId, passwordHash };
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

/** The studio that is entered with one click: the demo, on a server that holds nobody's account. */
const DEMO = `SELECT id FROM studios WHERE demo AND NOT EXISTS (SELECT FROM accounts)`;

export async function findDemoStudio(database: Database): Promise<string | undefined> {
  const [row] = await database.select<{ id: string }>(`${DEMO} ORDER BY created_at LIMIT 1`, []);
  return row?.id;
}

/**
 * The owner of a session as they stand now. Undefined when they are no longer of the studio, when their account is
 * gone, or when the session is of a demo that is none any more.
 */
export async function findSignedIn(
  database: Database,
  { studio, id, account }: SessionOwner,
): Promise<SignedInPerson | undefined> {
  const [row] = await database.select<{ name: string; role: StaffRole }>(
    `SELECT body ->> 'name' AS name, body ->> 'role' AS role FROM people
     WHERE studio_id = $1 AND id = $2 AND CASE WHEN $3::uuid IS NULL THEN studio_id IN (${DEMO})
       ELSE EXISTS (SELECT FROM accounts a WHERE a.id = $3 AND a.studio_id = $1 AND a.person_id = $2) END`,
    [studio, id, account ?? null],
  );
  return row && { id, studio, ...row };
}
