import { randomUUID } from 'node:crypto';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { demoStudio } from './demo-studio.ts';
import { eventsOf } from './events.ts';
import { startTestServer, type TestPerson, type TestServer } from './test-server.ts';

const section = { section: 'hustle-1-monday' };
let server: TestServer;
let bram: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  bram = await server.person('bram-okoro');
});
afterAll(() => server.close());

const tap = () =>
  bram.call('class.append', {
    params: section,
    body: eventsOf('log', {
      id: randomUUID(),
      lesson: 5,
      pattern: 'wrap',
      result: 'solid',
      at: '2026-03-09T19:00:00Z',
    }),
  });
const logs = async () => (await bram.call('section.read', { params: section })).body.logs.length;

/** From outside, and for every connection: those that are open are cut. */
async function setReadOnly(value: 'on' | 'off'): Promise<void> {
  const name = server.databaseUrl.split('/').at(-1);
  const admin = new Client({ connectionString: inject('databaseUrl') });
  await admin.connect();
  await admin.query(`ALTER DATABASE ${name} SET default_transaction_read_only = ${value}`);
  await admin.query('SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1', [name]);
  await admin.end();
}

test('a database that takes no changes is said plainly, all stays readable, and it goes on by itself', async () => {
  const before = await logs();
  await setReadOnly('on');
  const refused = await tap();
  expect([refused.status, refused.body.code]).toEqual([503, 'read-only']);
  expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
  expect(refused.body.message).not.toMatch(/transaction|SQL|25006/);
  expect((await bram.call('course.read', { params: { course: 'hustle-1' } })).status).toBe(200);
  await setReadOnly('off');
  // A connection that was cut a moment ago may answer once more that the database is away.
  await expect.poll(async () => (await tap()).status).toBe(200);
  expect(await logs()).toBe(before + 1);
});

test('a full disk is said plainly and leaves nothing half', async () => {
  const before = await logs();
  // What PostgreSQL raises when a file cannot grow, raised here in the middle of a command.
  await server.sql(`
    CREATE FUNCTION disk_full() RETURNS trigger LANGUAGE plpgsql AS
      $$ BEGIN RAISE EXCEPTION 'could not extend file' USING ERRCODE = 'disk_full'; END $$;
    CREATE TRIGGER disk_full BEFORE INSERT ON history FOR EACH ROW EXECUTE FUNCTION disk_full()`);
  const ottilie = await server.person('ottilie-marsh');
  const read = () => ottilie.call('course.read', { params: { course: 'hustle-1' } });
  const { body } = await read();
  const reply = await ottilie.call('course.command', {
    params: { course: 'hustle-1' },
    body: {
      seen: body.version,
      command: {
        kind: 'edit',
        what: 'Name',
        changes: [{ field: 'name', from: 'Hustle 1', to: 'Hustle one' }],
      },
    },
  });
  expect([reply.status, reply.body.code]).toEqual([507, 'storage-full']);
  expect(reply.body.message).toMatch(/disk .* full/);
  expect((await read()).body).toEqual(body);
  expect(await logs()).toBe(before);
});
