// What `npm run bench -- api` does, on a studio that is small: each of its requests is one that the server takes.
import { fileURLToPath } from 'node:url';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, test } from 'vitest';
import {
  beginTestSession,
  startTestServer,
  type TestPerson,
  type TestServer,
} from '../../server/src/test/test-server.ts';
import { ACTIONS, type Memory, remember } from './actions.ts';
import { buildBigStudio, type StudioSize, timesAsBig } from './big-studio.ts';

const demo = fileURLToPath(new URL('../../demo/tarn-street.json', import.meta.url));
const { block } = timesAsBig(1, demo);
const size: StudioSize = { block, patterns: 2 * block + 5, sections: 4, students: 200, marks: 800 };

let server: TestServer;
let director: TestPerson;
beforeAll(async () => {
  server = await startTestServer();
  // It fills the tables without looking at what refers to what: only the superuser of a cluster may.
  const client = new Client({ connectionString: server.superuserUrl });
  await client.connect();
  const studio = await buildBigStudio(client, demo, size);
  await client.end();
  director = await beginTestSession(server, { studio, id: 'person-0', name: '', role: 'director' });
});
afterAll(() => server.close());

test.each(ACTIONS.map(action => [action.name, action] as const))('%s is taken', async (_, action) => {
  const memory: Memory = { stamps: new Map(), courses: new Map() };
  for (const first of ACTIONS.filter(({ isFirst }) => isFirst)) await ask(first, memory);
  for (let times = 0; times < 3; times += 1) {
    const { status, body } = await ask(action, memory);
    expect([status, body.message]).toEqual([200, undefined]);
  }
});

async function ask(action: (typeof ACTIONS)[number], memory: Memory) {
  const call = action.call(size, memory);
  const query = new URLSearchParams(call.query);
  const reply = await director.call(call.route, { params: call.params, query, body: call.body });
  if (reply.status === 200) remember(call, JSON.stringify(reply.body), memory);
  return reply;
}
