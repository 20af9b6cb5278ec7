// Before all server tests: the server built, and one throwaway PostgreSQL cluster with a migrated template to copy from.
import { fileURLToPath } from 'node:url';
import { Client } from 'pg';
import type { TestProject } from 'vitest/node';
import { buildServer } from '../../../scripts/build.mjs';
import { ensurePostgres, startThrowawayCluster } from '../../../scripts/postgres.mjs';
import { openDatabase } from '../db/database.ts';

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
    /** Of the cluster's superuser, which the product never is. */
    superuserUrl: string;
  }
}

export const TEMPLATE = 'map_step_template';

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  ensurePostgres();
  await buildServer(fileURLToPath(new URL('../../../', import.meta.url)));
  const cluster = await startThrowawayCluster();
  const admin = new Client({ connectionString: cluster.url('postgres') });
  await admin.connect();
  await admin.query(`CREATE DATABASE ${TEMPLATE}`);
  await admin.end();
  const template = openDatabase(cluster.url(TEMPLATE));
  await template.migrate();
  await template.close();
  project.provide('databaseUrl', cluster.url('postgres'));
  project.provide('superuserUrl', cluster.adminUrl('postgres'));
  return async () => cluster.remove();
}
