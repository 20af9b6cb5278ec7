import PgBoss from 'pg-boss';

export const JOB_QUEUE = 'map-step-jobs';

/** Makes what the queue needs in the database, once, as a migration does. */
export async function migrateJobTables(databaseUrl: string): Promise<void> {
  const boss = new PgBoss({ connectionString: databaseUrl, max: 1, supervise: false, schedule: false });
  await boss.start();
  await boss.createQueue(JOB_QUEUE);
  await boss.stop({ wait: true });
}
