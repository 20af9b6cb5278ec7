// Before all server tests: one throwaway PostgreSQL cluster with a migrated template to copy from.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import type { TestProject } from 'vitest/node';
import { ensurePostgres, startCluster } from '../../../scripts/postgres.mjs';
import { openDatabase } from '../db/database.ts';

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string;
  }
}

export const TEMPLATE = 'map_step_template';

export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  ensurePostgres();
  const folder = mkdtempSync(join(tmpdir(), 'map-step-tests-'));
  const cluster = await startCluster(join(folder, 'postgres'), { port: 0, fast: true });
  const admin = new Client({ connectionString: cluster.url('postgres') });
  await admin.connect();
  await admin.query(`CREATE DATABASE ${TEMPLATE}`);
  await admin.end();
  const template = openDatabase(cluster.url(TEMPLATE));
  await template.migrate();
  await template.close();
  project.provide('databaseUrl', cluster.url('postgres'));
  return async () => {
    cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
