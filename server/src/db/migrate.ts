import type { QueryInterface, Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrateJobTables } from './job-tables.ts';
import { MIGRATIONS } from './migrations.ts';

/** Any number, but the same in every process that migrates this product's databases. */
const MIGRATION_LOCK = 471_103;

/**
 * Runs what has not run yet, and what the queue of jobs needs; a second process waits for the first under an
 * advisory lock. `upTo` stops at a version, for tests of later ones.
 */
export async function migrate(sequelize: Sequelize, databaseUrl: string, upTo?: string): Promise<void> {
  const umzug = new Umzug<QueryInterface>({
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
    migrations: MIGRATIONS.map(({ name, up }) => ({ name, up: async ({ context }) => up(context) })),
  });
  await sequelize.transaction(async lock => {
    await sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [MIGRATION_LOCK], transaction: lock });
    await (upTo ? umzug.up({ to: upTo }) : umzug.up());
    await migrateJobTables(sequelize, databaseUrl);
  });
}
