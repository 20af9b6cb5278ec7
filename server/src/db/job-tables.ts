import PgBoss from 'pg-boss';
import type { Sequelize } from 'sequelize';

/** Whose turn it is: one entry a studio, which then has its oldest job done. */
export const JOB_QUEUE = 'map-step-studios';

/** Who works in a studio may put a job into the queue and hear its id, and nothing else there. */
const MAY_QUEUE = `
  GRANT USAGE ON SCHEMA pgboss TO map_step_studio;
  GRANT INSERT, SELECT (id) ON pgboss.job TO map_step_studio;
  GRANT SELECT ON pgboss.queue TO map_step_studio;`;

/** Makes what the queue needs in the database, once, as a migration does. */
export async function migrateJobTables(sequelize: Sequelize, databaseUrl: string): Promise<void> {
  const boss = new PgBoss({ connectionString: databaseUrl, max: 1, supervise: false, schedule: false });
  await boss.start();
  await boss.createQueue(JOB_QUEUE, { name: JOB_QUEUE, policy: 'short' });
  await boss.stop({ wait: true });
  await sequelize.query(MAY_QUEUE);
}
