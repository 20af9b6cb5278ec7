import type { LinkAnswer } from '@map-step/contract';
import type { Transaction } from 'sequelize';
import type { Models } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { hashToken, newToken } from '../../http/token.ts';

const DAY_MS = 86_400_000;
const LINK_DAYS = 14;

export interface Invitation {
  readonly studio: string;
  readonly person: string;
  readonly expires: Date;
}

const expiryFrom = (now: Date) => new Date(now.getTime() + LINK_DAYS * DAY_MS);

/** A new link for a person of the studio; one that they had before holds no longer. */
export async function addInvitation(scope: StudioScope, person: string, now: Date): Promise<LinkAnswer> {
  const [token, expires] = [newToken(), expiryFrom(now)];
  await withdrawInvitation(scope, person);
  await scope.models.invitations.create(
    { tokenHash: hashToken(token), studioId: scope.studioId, personId: person, expiresAt: expires },
    { transaction: scope.transaction },
  );
  return { token, expires: expires.toISOString() };
}

export function withdrawInvitation(scope: StudioScope, person: string): Promise<number> {
  return scope.models.invitations.destroy(scope.where({ personId: person }));
}

/** Found by its secret alone: whoever has it says with it which studio it is of. */
export async function findInvitation(
  models: Models,
  token: string,
  now: Date,
  transaction?: Transaction,
): Promise<Invitation | undefined> {
  const row = await models.invitations.findByPk(hashToken(token), { transaction: transaction ?? null });
  if (!row || row.expiresAt <= now) return undefined;
  return { studio: row.studioId, person: row.personId, expires: row.expiresAt };
}

/** Takes a link that holds; false when somebody was faster. */
export async function takeInvitation(
  models: Models,
  token: string,
  transaction: Transaction,
): Promise<boolean> {
  return (await models.invitations.destroy({ where: { tokenHash: hashToken(token) }, transaction })) === 1;
}

export async function addFoundingLink(scope: StudioScope, now: Date): Promise<LinkAnswer> {
  const [token, expires] = [newToken(), expiryFrom(now)];
  await scope.models.foundingLinks.create(
    { tokenHash: hashToken(token), studioId: scope.studioId, expiresAt: expires },
    { transaction: scope.transaction },
  );
  return { token, expires: expires.toISOString() };
}
