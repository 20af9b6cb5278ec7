import { QueryTypes, type Transaction } from 'sequelize';
import type { Models } from './models.ts';

/** One studio inside one transaction: every store is made from it and can see no other studio. */
export interface StudioScope {
  readonly studioId: string;
  readonly models: Models;
  readonly transaction: Transaction;
  /** Rows that could not be read: told with the answer, which does without them. */
  readonly leftOut: Set<string>;
  /** What was worked out before the transaction began, by what it answers. */
  readonly workedOut: ReadonlyMap<string, unknown>;
  /** The options of a query that reads or writes this studio's rows only. */
  where<Conditions extends object>(
    conditions?: Conditions,
  ): { where: Conditions & { studioId: string }; transaction: Transaction };
  /** Runs a query of which `$1` is the studio and the others are given. */
  select<Row extends object>(sql: string, others?: readonly unknown[]): Promise<Row[]>;
  /** Runs any statement in the transaction, for what brings its own. */
  run(sql: string, values: readonly unknown[]): Promise<object[]>;
}

/** From here until the transaction ends: the role behind the wall, and the one studio it sees. */
const ENTER_STUDIO =
  "SELECT set_config('map_step.studio', $1, true), set_config('role', 'map_step_studio', true)";

/** Enters a studio; whatever is done by the scope is done there. */
export async function enterStudio(
  models: Models,
  studioId: string,
  transaction: Transaction,
  workedOut: ReadonlyMap<string, unknown> = new Map(),
): Promise<StudioScope> {
  const { sequelize } = models;
  const run = <Row extends object>(sql: string, values: readonly unknown[]) =>
    sequelize.query<Row>(sql, { bind: [...values], type: QueryTypes.SELECT, transaction });
  await run(ENTER_STUDIO, [studioId]);
  return {
    studioId,
    models,
    transaction,
    leftOut: new Set(),
    workedOut,
    select: (sql, others = []) => run(sql, [studioId, ...others]),
    run,
    where: conditions => ({
      where: { ...(conditions as NonNullable<typeof conditions>), studioId },
      transaction,
    }),
  };
}
