// Work for requests in threads: given up after its time, one studio after the other, and nobody without an answer.
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../test/demo-studio.ts';
import { startTestServer, type TestPerson, type TestServer } from '../test/test-server.ts';
import { openComputer } from './computer.ts';
import { TASK_TERMS } from './tasks.ts';

let server: TestServer;
let quick: Awaited<ReturnType<TestServer['another']>>;
let ottilie: TestPerson;
const computer = openComputer({
  ...TASK_TERMS,
  'write-studio': { ...TASK_TERMS['write-studio'], seconds: 1 },
});
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  quick = await server.another({ computer });
  ottilie = await quick.person('ottilie-marsh');
});
afterAll(async () => {
  await quick.close();
  await server.close();
});

test('what takes longer than its time is given up in words, and the thread after it works', async () => {
  await server.database.inTransaction(async transaction => {
    const { sequelize } = server.database.models;
    await sequelize.query('LOCK TABLE patterns IN ACCESS EXCLUSIVE MODE', { transaction });
    const { status, body } = await ottilie.call('studio.export');
    expect([status, body.code]).toEqual([422, 'takes-too-long']);
    expect(body.message).toMatch(/^Writing the whole studio into a file took longer than 1 seconds/);
  });
  const order = { databaseUrl: server.databaseUrl, studio: server.studioId, table: 'students' };
  const { answer } = await computer.run(server.studioId, 'write-table', order);
  expect(Buffer.from(answer).toString()).toMatch(/^id,name,/);
});

test('of one studio six things are worked out or wait; more are refused, and those that wait are answered', async () => {
  const order = { databaseUrl: server.databaseUrl, studio: server.studioId, table: 'students' };
  const asked = await Promise.allSettled(
    Array.from({ length: 9 }, () => computer.run(server.studioId, 'write-table', order)),
  );
  expect(asked.map(({ status }) => status)).toEqual([
    ...Array.from({ length: 6 }, () => 'fulfilled'),
    ...Array.from({ length: 3 }, () => 'rejected'),
  ]);
});

test('a studio that has had very much worked out waits, and another does not', async () => {
  const order = { databaseUrl: server.databaseUrl, studio: server.studioId };
  const other = '33333333-3333-4333-8333-333333333333';
  const spend = openComputer(TASK_TERMS, { perSecond: 0, burst: 1 });
  await spend.run(server.studioId, 'write-table', { ...order, table: 'students' });
  await expect(spend.run(server.studioId, 'write-table', { ...order, table: 'students' })).rejects.toThrow(
    /in the last minutes/,
  );
  const table = await spend
    .run(other, 'write-table', { ...order, studio: other, table: 'students' })
    .catch((error: unknown) => String(error));
  expect(table).not.toMatch(/in the last minutes/);
  await spend.close();
});
