// Two servers on one database: a job is done once, can be stopped from either, and leaves nothing half.
import { randomUUID } from 'node:crypto';
import type { Change } from '@map-step/contract';
import type { StudioDocument } from '@map-step/core';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import { demoStudio } from '../test/demo-studio.ts';
import { fileResult, runImport, waitForJob } from '../test/run-import.ts';
import {
  addStudio,
  beginTestSession,
  type ListeningServer,
  startTestServer,
  type TestPerson,
  type TestServer,
} from '../test/test-server.ts';
import { expireJobs, jobStore } from './job-store.ts';

let server: TestServer;
let second: ListeningServer;
let ottilie: TestPerson;
let elsewhere: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  second = await server.another();
  ottilie = await server.person('ottilie-marsh');
  elsewhere = await second.person('ottilie-marsh');
});
afterAll(async () => {
  await second.close();
  await server.close();
});

async function newStudio(): Promise<{ readonly studio: string; readonly director: TestPerson }> {
  const studio = randomUUID();
  await addStudio(server.database, studio, demoStudio());
  const director = await beginTestSession(server, {
    id: 'ottilie-marsh',
    name: '',
    role: 'director',
    studio,
  });
  return { studio, director };
}

const rooms = (count: number, prefix: string) =>
  Array.from({ length: count }, (_, index) => ({
    id: `${prefix}-${index}`,
    name: `Room ${index}`,
    length: 10,
    width: 8,
  }));
const file = (more: Required<Pick<StudioDocument, 'rooms'>>) => {
  const demo = demoStudio();
  return JSON.stringify({ ...demo, rooms: [...(demo.rooms ?? []), ...more.rooms] });
};
const countRooms = async (prefix: string) =>
  (await server.database.models.documents.rooms.findAll()).filter(({ id }) => id.startsWith(prefix)).length;

test('an import is done once, by one of two servers, and both tell how it went', async () => {
  const job = await runImport(ottilie, file({ rooms: rooms(3, 'once') }));
  expect(job.fault).toBe(null);
  expect(job).toMatchObject({ state: 'done', result: { added: { rooms: 3 } } });
  const seen = await elsewhere.call('job.read', { params: { job: job.id } });
  expect(seen.body).toEqual(job);
  const row = await server.database.models.jobs.findOne({ where: { id: job.id } });
  expect([row?.runs, row?.input]).toEqual([1, null]);
});

test('while it goes on, others hear of it and see how far it is', async () => {
  const stream = await elsewhere.follow();
  const job = await runImport(ottilie, file({ rooms: rooms(2000, 'told') }));
  const about = (change: Change) => change.topic === 'job' && change.id === job.id;
  await vi.waitFor(() => expect(stream.changes.filter(about).length).toBeGreaterThan(1), 5000);
  stream.end();
});

test('stopped through the other server, it leaves nothing behind', async () => {
  const { body } = await ottilie.call('studio.import', {
    text: file({ rooms: rooms(9000, 'stopped') }),
  });
  await waitForJob(ottilie, body.id, ({ state, done }) => state === 'running' && done > 0);
  await elsewhere.call('job.stop', { params: { job: body.id } });
  const ended = await waitForJob(ottilie, body.id, ({ state }) => state !== 'running');
  expect([ended.state, await countRooms('stopped')]).toEqual(['stopped', 0]);
});

test('a job whose server died is done by another, and the run that died cannot end it', async () => {
  const id = randomUUID();
  const inStudio = <Answer>(work: (store: ReturnType<typeof jobStore>) => Promise<Answer>) =>
    server.database.inStudio(server.studioId, scope => work(jobStore(scope)));
  await inStudio(store =>
    store.add(id, {
      kind: 'import',
      person: 'ottilie-marsh',
      input: file({ rooms: rooms(2, 'taken') }),
    }),
  );
  const dead = await inStudio(store => store.beginNext());
  await server.sql(`UPDATE jobs SET beat_at = now() - interval '1 minute' WHERE id = '${id}'`);
  const ended = await waitForJob(ottilie, id, ({ state }) => state === 'done');
  expect(fileResult(ended).added).toEqual({ rooms: 2 });
  expect(
    await inStudio(store => store.finish(id, dead === undefined || dead === 'wait' ? 0 : dead.run, null)),
  ).toBe(false);
  expect(await countRooms('taken')).toBe(2);
});

test('a job that waits can be stopped and is then never begun', async () => {
  // In a studio that nothing queued: no server takes the job before it is stopped.
  const { studio, director } = await newStudio();
  const id = randomUUID();
  await server.database.inStudio(studio, scope =>
    jobStore(scope).add(id, { kind: 'import', person: 'ottilie-marsh', input: '{}' }),
  );
  const { body } = await director.call('job.stop', { params: { job: id } });
  expect(body.state).toBe('stopped');
  const begun = await server.database.inStudio(studio, scope => jobStore(scope).beginNext());
  expect(begun).toBe(undefined);
});

test('a long import of one studio does not keep another from importing', async () => {
  const { director: neighbour } = await newStudio();
  const slow = [];
  for (const prefix of ['slow', 'slower', 'slowest']) {
    const text = file({ rooms: rooms(9000, prefix) });
    slow.push((await ottilie.call('studio.import', { text })).body.id);
  }
  await waitForJob(ottilie, slow[0] ?? '', ({ state }) => state === 'running');
  const quick = await runImport(neighbour, file({ rooms: rooms(2, 'quick') }));
  expect(quick.state).toBe('done');
  const states = await Promise.all(
    slow.map(async id => (await ottilie.call('job.read', { params: { job: id } })).body.state),
  );
  expect(states.filter(state => state === 'waiting').length).toBeGreaterThan(0);
  expect(states.filter(state => state === 'running').length).toBeLessThanOrEqual(1);
  for (const id of slow) await ottilie.call('job.stop', { params: { job: id } });
  for (const id of slow)
    await waitForJob(ottilie, id, ({ state }) => state !== 'running' && state !== 'waiting');
});

test('what a file was and what it did is kept for a week', async () => {
  const job = await runImport(ottilie, file({ rooms: rooms(1, 'kept') }));
  const ages = `UPDATE jobs SET created_at = now() - interval '8 days' WHERE id = '${job.id}'`;
  await server.sql(ages);
  await expireJobs(server.database);
  expect((await ottilie.call('job.read', { params: { job: job.id } })).status).toBe(404);
});

test('a server that closes gives its job to another', async () => {
  await server.leaveQueue();
  const { body } = await ottilie.call('studio.import', {
    text: file({ rooms: rooms(8000, 'handed') }),
  });
  await waitForJob(ottilie, body.id, ({ state }) => state === 'running');
  const third = await server.another();
  await second.close();
  second = third;
  const ended = await waitForJob(ottilie, body.id, ({ state }) => state === 'done');
  expect([ended.state, await countRooms('handed')]).toEqual(['done', 8000]);
});
