import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { openDatabase } from './database.ts';
import { MIGRATIONS } from './migrations.ts';

const name = `map_step_migrate_${randomUUID().replaceAll('-', '')}`;
const url = () => inject('databaseUrl').replace(/\/postgres$/, `/${name}`);

async function query<Row>(databaseUrl: string, sql: string): Promise<Row[]> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  const { rows } = await client.query(sql);
  await client.end();
  return rows;
}

beforeAll(() => query(inject('databaseUrl'), `CREATE DATABASE ${name}`));
afterAll(() => query(inject('databaseUrl'), `DROP DATABASE ${name} WITH (FORCE)`));

test('three servers that start at once migrate once, and a later start keeps the data', async () => {
  const servers = [openDatabase(url()), openDatabase(url()), openDatabase(url())];
  await Promise.all(servers.map(database => database.migrate()));
  const done = await query<{ name: string }>(url(), 'SELECT name FROM migrations ORDER BY name');
  expect(done.map(row => row.name)).toEqual(MIGRATIONS.map(migration => migration.name));

  await query(url(), `INSERT INTO studios (id, body) VALUES ('${randomUUID()}', '{"name": "Kept"}')`);
  await servers[0]?.migrate();
  expect(await query(url(), 'SELECT body FROM studios')).toEqual([{ body: { name: 'Kept' } }]);
  await Promise.all(servers.map(database => database.close()));
});
