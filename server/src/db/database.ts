import { Sequelize, type Transaction } from 'sequelize';
import { migrate } from './migrate.ts';
import { defineModels, type Models } from './models.ts';
import { createScope, type StudioScope } from './studio-scope.ts';

export interface Database {
  readonly models: Models;
  /** Runs work on one studio in one transaction; nothing in it can reach another studio. */
  inStudio<Answer>(studioId: string, work: (scope: StudioScope) => Promise<Answer>): Promise<Answer>;
  /** For what belongs to no studio yet: accounts, sessions, share links, a new studio. */
  inTransaction<Answer>(work: (transaction: Transaction) => Promise<Answer>): Promise<Answer>;
  migrate(): Promise<void>;
  /** Throws when PostgreSQL does not answer. */
  ping(): Promise<void>;
  close(): Promise<void>;
}

const POOL_SIZE = 10;
const MAX_WAIT_MS = 5000;

/** Until the transaction ends: the role behind the wall, and the one studio it sees. */
const ENTER_STUDIO =
  "SELECT set_config('map_step.studio', $1, true), set_config('role', 'map_step_studio', true)";

export function openDatabase(url: string): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: POOL_SIZE, acquire: MAX_WAIT_MS },
    dialectOptions: { connectionTimeoutMillis: MAX_WAIT_MS, application_name: 'map-step' },
  });
  const models = defineModels(sequelize);
  return {
    models,
    inStudio: (studioId, work) =>
      sequelize.transaction(async transaction => {
        await sequelize.query(ENTER_STUDIO, { bind: [studioId], transaction });
        return work(createScope(models, studioId, transaction));
      }),
    inTransaction: work => sequelize.transaction(work),
    migrate: () => migrate(sequelize),
    ping: async () => {
      await sequelize.query('SELECT 1');
    },
    close: () => sequelize.close(),
  };
}
