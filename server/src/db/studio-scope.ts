import type { Transaction } from 'sequelize';
import type { Models } from './models.ts';

/** One studio inside one transaction: every store is made from it and can see no other studio. */
export interface StudioScope {
  readonly studioId: string;
  readonly models: Models;
  readonly transaction: Transaction;
  /** The options of a query that reads or writes this studio's rows only. */
  where<Conditions extends object>(
    conditions?: Conditions,
  ): { where: Conditions & { studioId: string }; transaction: Transaction };
}

export function createScope(models: Models, studioId: string, transaction: Transaction): StudioScope {
  return {
    studioId,
    models,
    transaction,
    where: conditions => ({
      where: { ...(conditions as NonNullable<typeof conditions>), studioId },
      transaction,
    }),
  };
}
