import type { ClientBase } from 'pg';
import { QueryTypes, type Transaction } from 'sequelize';
import { JsonText } from './json-text.ts';
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
  /** Runs a query of which `$1` is the studio and the others are given. */
  select<Row extends object>(sql: string, others?: readonly unknown[]): Promise<Row[]>;
  /** Runs a query past Sequelize, which would read its dollar signs as parameters of its own. */
  run(sql: string, values: readonly unknown[]): Promise<object[]>;
}

export function createScope(models: Models, studioId: string, transaction: Transaction): StudioScope {
  const { sequelize } = models.studios;
  if (!sequelize) throw new Error('the models belong to no database');
  return {
    studioId,
    models,
    transaction,
    select: <Row extends object>(sql: string, others: readonly unknown[] = []) =>
      sequelize.query<Row>(sql, { bind: [studioId, ...others], type: QueryTypes.SELECT, transaction }),
    run: async (sql, values) => {
      const { connection } = transaction as unknown as { connection: ClientBase };
      return (await connection.query(sql, [...values])).rows;
    },
    where: conditions => ({
      where: { ...(conditions as NonNullable<typeof conditions>), studioId },
      transaction,
    }),
  };
}

/** What a query tells in one column `text`, without reading it. */
export async function selectJson<Value>(
  scope: StudioScope,
  sql: string,
  others: readonly unknown[],
): Promise<JsonText<Value>> {
  const [row] = await scope.select<{ text: string }>(sql, others);
  return new JsonText(row?.text ?? '[]');
}
