import { QueryTypes, Sequelize, type Transaction } from 'sequelize';
import { migrate } from './migrate.ts';
import { defineModels, type Models } from './models.ts';
import { enterStudio, type StudioScope } from './studio-scope.ts';

export interface Database {
  readonly models: Models;
  /** Runs work on one studio in one transaction; nothing in it can reach another studio. */
  inStudio<Answer>(
    studioId: string,
    work: (scope: StudioScope) => Promise<Answer>,
    workedOut?: ReadonlyMap<string, unknown>,
  ): Promise<Answer>;
  /**
   * The same on a studio that is being founded, one after the other. What belongs to no studio is prepared before it is
   * entered; undefined, and nothing done, when that says no.
   */
  inNewStudio<Answer>(
    studioId: string,
    prepare: (transaction: Transaction) => Promise<boolean>,
    work: (scope: StudioScope) => Promise<Answer>,
  ): Promise<Answer | undefined>;
  /** For what belongs to no studio yet: accounts, sessions, share links, a new studio. */
  inTransaction<Answer>(work: (transaction: Transaction) => Promise<Answer>): Promise<Answer>;
  /** Runs one query on what belongs to no studio. */
  select<Row extends object>(sql: string, values: readonly unknown[]): Promise<Row[]>;
  /** A secret that all servers of this database share: the given one is kept where there is none yet. */
  shareSecret(name: string, fresh: string): Promise<string>;
  migrate(upTo?: string): Promise<void>;
  /** Throws when PostgreSQL does not answer. */
  ping(): Promise<void>;
  close(): Promise<void>;
}

const POOL_SIZE = 10;
const MAX_WAIT_MS = 5000;

const UUID = /^[0-9a-f-]{36}$/;
/** Any number, but the same in every process that may found a studio. */
const FOUNDING_LOCK = 471_104;

export function openDatabase(url: string, connections = POOL_SIZE): Database {
  const sequelize = new Sequelize(url, {
    dialect: 'postgres',
    logging: false,
    pool: { max: connections, acquire: MAX_WAIT_MS },
    dialectOptions: { connectionTimeoutMillis: MAX_WAIT_MS, application_name: 'map-step' },
  });
  const models = defineModels(sequelize);
  return {
    models,
    inStudio: async (studioId, work, workedOut) => {
      if (!UUID.test(studioId)) throw new Error('a studio is named by its UUID');
      return sequelize.transaction(async transaction =>
        work(await enterStudio(models, studioId, transaction, workedOut)),
      );
    },
    inNewStudio: (studioId, prepare, work) =>
      sequelize.transaction(async transaction => {
        await sequelize.query('SELECT pg_advisory_xact_lock($1)', { bind: [FOUNDING_LOCK], transaction });
        if (!(await prepare(transaction))) return undefined;
        return work(await enterStudio(models, studioId, transaction));
      }),
    inTransaction: work => sequelize.transaction(work),
    select: <Row extends object>(sql: string, values: readonly unknown[]) =>
      sequelize.query<Row>(sql, { bind: [...values], type: QueryTypes.SELECT }),
    shareSecret: async (name, fresh) => {
      await sequelize.query('INSERT INTO server_secrets VALUES ($1, $2) ON CONFLICT DO NOTHING', {
        bind: [name, fresh],
      });
      const [row] = await sequelize.query<{ value: string }>(
        'SELECT value FROM server_secrets WHERE name = $1',
        { bind: [name], type: QueryTypes.SELECT },
      );
      return row?.value ?? fresh;
    },
    migrate: upTo => migrate(sequelize, url, upTo),
    ping: async () => {
      await sequelize.query('SELECT 1');
    },
    close: () => sequelize.close(),
  };
}
