import type { ClientBase } from 'pg';
import type { Transaction } from 'sequelize';
import type { Models } from './models.ts';

/** One studio inside one transaction: every store is made from it and can see no other studio. */
export interface StudioScope {
  readonly studioId: string;
  readonly models: Models;
  readonly transaction: Transaction;
  /** Rows that could not be read: told with the answer, which does without them. */
  readonly leftOut: Set<string>;
  /** The options of a query that reads or writes this studio's rows only. */
  where<Conditions extends object>(
    conditions?: Conditions,
  ): { where: Conditions & { studioId: string }; transaction: Transaction };
  /**
   * Runs a query of which `$1` is the studio and the others are given. Each connection prepares a text once, so
   * that what changes from call to call must stand in the values.
   */
  select<Row extends object>(sql: string, others?: readonly unknown[]): Promise<Row[]>;
  /** Runs any text, once. */
  run(sql: string, values: readonly unknown[]): Promise<object[]>;
}

const names = new Map<string, string>();

/** The name under which a query is prepared. */
function nameOf(text: string): string {
  const name = names.get(text) ?? `q${names.size}`;
  names.set(text, name);
  return name;
}

export function createScope(models: Models, studioId: string, transaction: Transaction): StudioScope {
  const { connection } = transaction as unknown as { connection: ClientBase };
  return {
    studioId,
    models,
    transaction,
    leftOut: new Set(),
    select: async <Row extends object>(text: string, others: readonly unknown[] = []) =>
      (await connection.query<Row>({ name: nameOf(text), text, values: [studioId, ...others] })).rows,
    run: async (sql, values) => (await connection.query(sql, [...values])).rows,
    where: conditions => ({
      where: { ...(conditions as NonNullable<typeof conditions>), studioId },
      transaction,
    }),
  };
}
