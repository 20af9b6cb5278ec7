import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { expect, test } from 'vitest';
import { backup, restore } from '../../../scripts/backup.mjs';
import { connectionOf, startCluster, startThrowawayCluster } from '../../../scripts/postgres.mjs';
import { openDatabase } from '../db/database.ts';
import { createStudio, getStudio, saveStudio } from '../features/studio/studio-store.ts';
import { moveCommand } from './commands.ts';
import { demoStudio } from './demo-studio.ts';
import { listen, startTestServer, type TestPerson } from './test-server.ts';

test('backup, fresh cluster, restore: the export is byte-equal, history and sessions are there', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'map-step-backup-'));
  const file = join(folder, 'studio.backup');
  const server = await startTestServer(demoStudio());
  const ottilie = await server.person('ottilie-marsh');
  const command = moveCommand('Wrap to lesson 5', { pattern: 'wrap', from: 6, to: 5 });
  const body = { seen: 1, command };
  await ottilie.call('course.command', { params: { course: 'hustle-1' }, body });
  const exported = async (who: TestPerson) => JSON.stringify((await who.call('studio.export')).body);
  const before = await exported(ottilie);
  backup(server.databaseUrl, file);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  await server.close();

  const cluster = await startThrowawayCluster();
  restore(cluster.url('postgres'), file);
  const restored = await listen(cluster.url('postgres'));
  const again = await restored.person('ottilie-marsh');
  expect(await exported(again)).toBe(before);
  const course = await again.call('course.read', { params: { course: 'hustle-1' } });
  expect(course.body).toMatchObject({ version: 2, history: [{ what: 'Wrap to lesson 5' }] });
  const bram = await restored.person('bram-okoro');
  expect((await bram.call('studio.export')).status).toBe(403);
  await restored.close();
  cluster.remove();
  rmSync(folder, { recursive: true, force: true });
});

test('the log of the database names an error, and nothing that somebody wrote', async () => {
  const cluster = await startThrowawayCluster();
  const database = openDatabase(cluster.url('postgres'));
  await database.migrate();
  const add = () =>
    database.select(
      "INSERT INTO accounts (id, email, password_hash) VALUES (gen_random_uuid(), $1, 'x') RETURNING id",
      ['ada@pier.example'],
    );
  await add();
  await expect(add()).rejects.toThrow();
  await database.close();
  const log = readFileSync(join(cluster.folder, 'server.log'), 'utf8');
  expect(log).toMatch(/duplicate key value/);
  expect(log).not.toMatch(/pier\.example/);
  cluster.remove();
});

test('the data belong to a plain role, and no password stands among the arguments of a program', async () => {
  const cluster = await startThrowawayCluster();
  const client = new Client({ connectionString: cluster.url('postgres') });
  await client.connect();
  const { rows } = await client.query(
    'SELECT rolsuper, rolreplication, rolbypassrls FROM pg_roles WHERE rolname = user',
  );
  expect(rows).toEqual([{ rolsuper: false, rolreplication: false, rolbypassrls: false }]);
  await client.end();
  const { env, name } = connectionOf(cluster.url('postgres'));
  expect([name, env.PGUSER]).toEqual(['postgres', 'map_step']);
  expect(env.PGPASSWORD).toHaveLength(24);
  expect(cluster.adminUrl('postgres')).not.toContain(env.PGPASSWORD);
  cluster.remove();
});

test('a cluster of an earlier version, where all belongs to the superuser, is handed to the plain role with its data', async () => {
  const cluster = await startThrowawayCluster();
  const admin = new Client({ connectionString: cluster.adminUrl('postgres') });
  await admin.connect();
  // As it was: no plain role, and everything made by the superuser.
  await admin.query('ALTER DATABASE postgres OWNER TO app; DROP ROLE map_step');
  await admin.end();
  const before = openDatabase(cluster.adminUrl('postgres'));
  await before.migrate();
  const studio = randomUUID();
  await before.inStudio(studio, scope => createStudio(scope, { name: 'Kept', timezone: 'UTC' }));
  await before.close();
  cluster.stop();
  const again = await startCluster(cluster.folder, { port: 0, fast: true });
  const after = openDatabase(again.url('postgres'));
  await after.migrate();
  const record = await after.inStudio(studio, async scope => {
    const seen = await getStudio(scope);
    await saveStudio(scope, { ...seen, name: 'Kept and changed' });
    return getStudio(scope);
  });
  expect(record.name).toBe('Kept and changed');
  const foreign = await after.select(
    `SELECT relname FROM pg_class c JOIN pg_namespace n ON n.oid = relnamespace
     WHERE nspname IN ('public', 'pgboss') AND relkind IN ('r', 'S') AND relowner <> (SELECT oid FROM pg_roles WHERE rolname = user)`,
    [],
  );
  expect(foreign).toEqual([]);
  await after.close();
  again.stop();
  cluster.remove();
});
