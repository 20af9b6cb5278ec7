import { randomUUID } from 'node:crypto';
import { EVERYTHING } from '@map-step/contract';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { announce, openChangeFeed, type Signal } from '../db/change-feed.ts';
import { moveCommand } from './commands.ts';
import { demoStudio } from './demo-studio.ts';
import { startTestServer, type TestServer } from './test-server.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
});
afterAll(() => server.close());

/** Waits until the list has what is asked for. */
async function until(isDone: () => boolean | Promise<boolean>): Promise<void> {
  const end = Date.now() + 5000;
  while (!(await isDone()) && Date.now() < end) await new Promise(resolve => setTimeout(resolve, 5));
  expect(await isDone()).toBe(true);
}

const place = { seen: 1, command: moveCommand('Moved', { pattern: 'wrap', from: 6, to: 5 }) };
const params = { course: 'hustle-1' };

test('a change through one server is heard on the stream of another within two seconds', async () => {
  const other = await server.another();
  const bram = await other.person('bram-okoro');
  const stream = await bram.follow();
  const ottilie = await server.person('ottilie-marsh');
  const begun = Date.now();
  await ottilie.call('course.command', { params, body: place });
  await until(() => stream.changes.length > 0);
  expect(stream.changes).toEqual([{ topic: 'course', id: 'hustle-1', version: 2 }]);
  expect(Date.now() - begun).toBeLessThan(2000);
  stream.end();
  await other.close();
});

test('what is refused is not told, and no studio hears another', async () => {
  const heard: Signal[] = [];
  const changes = openChangeFeed(server.databaseUrl);
  const stop = changes.follow(server.studioId, change => heard.push(change));
  const bram = await server.person('bram-okoro');
  const ottilie = await server.person('ottilie-marsh');
  const body = {
    events: [
      {
        kind: 'log',
        entry: { id: randomUUID(), lesson: 5, pattern: 'wrap', result: 'solid', at: '2026-03-09T19:00:00Z' },
      },
    ],
  };
  await until(() => changes.isListening());
  await ottilie.call('course.command', { params, body: place });
  await server.database.inStudio(randomUUID(), scope => announce(scope, { topic: 'course', id: 'theirs' }));
  await bram.call('class.append', { params: { section: 'hustle-1-monday' }, body });
  await until(() => heard.length > 0);
  expect(heard).toEqual([{ topic: 'section', id: 'hustle-1-monday', seq: expect.any(Number) }]);
  stop();
  await changes.close();
});

test('what a server that died had not told yet is told by another', async () => {
  const heard: Signal[] = [];
  const changes = openChangeFeed(server.databaseUrl);
  changes.follow(server.studioId, change => heard.push(change));
  await until(() => changes.isListening());
  await server.sql(
    `INSERT INTO outbox (studio_id, signal) VALUES ('${server.studioId}', '{"topic": "course", "id": "left"}')`,
  );
  await until(() => heard.length > 0);
  expect(heard).toEqual([{ topic: 'course', id: 'left' }]);
  expect(await server.database.select('SELECT seq FROM outbox', [])).toEqual([]);
  await changes.close();
});

test('after its connection was cut the feed comes back and says that everything may have changed', async () => {
  const heard: Signal[] = [];
  const changes = openChangeFeed(server.databaseUrl);
  changes.follow(server.studioId, change => heard.push(change));
  await until(() => changes.isListening());
  await server.sql(
    "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = 'map-step-feed' AND datname = current_database()",
  );
  await until(() => heard.length > 0);
  expect(heard[0]).toEqual({ topic: 'everything', id: '' });
  await changes.close();
});

test('who is not signed in hears nothing', async () => {
  const visitor = await server.person();
  expect((await visitor.call('live.follow')).status).toBe(401);
});

test('signing out ends the stream of that session at whatever server it is, and no other', async () => {
  const other = await server.another();
  const bram = await other.person('bram-okoro');
  const suki = await other.person('suki-larch');
  const [his, hers] = [await bram.follow(), await suki.follow()];
  await bram.call('session.signOut');
  await until(() => his.isOver());
  expect(hers.isOver()).toBe(false);
  hers.end();
  await other.close();
});

test('who is no longer of the studio is told nothing more', async () => {
  const wren = await server.person('wren-adair');
  const stream = await wren.follow();
  await server.sql(`DELETE FROM people WHERE id = 'wren-adair' AND studio_id = '${server.studioId}'`);
  await server.database.inStudio(server.studioId, scope => announce(scope, EVERYTHING));
  await until(() => stream.isOver());
});

test('a person has at most twenty streams', async () => {
  const teo = await server.person('teo-vance');
  const streams = [];
  for (let index = 0; index < 20; index += 1) streams.push(await teo.follow());
  expect(streams.map(({ reply }) => reply.status)).toEqual(Array(20).fill(200));
  const last = await teo.follow();
  expect(last.reply.status).toBe(429);
  for (const stream of streams) stream.end();
  await until(async () => {
    const again = await teo.follow();
    again.end();
    return again.reply.status === 200;
  });
});
