// What a log may hold: which route, how it went, how long; nothing that anybody wrote, and no secret of an address.
import { Writable } from 'node:stream';
import { pino } from 'pino';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { describeError } from '../faults/describe-error.ts';
import { demoStudio } from '../test/demo-studio.ts';
import { type ListeningServer, startTestServer, type TestServer } from '../test/test-server.ts';

let server: TestServer;
let talking: ListeningServer;
let lines = '';
const logger = pino(
  { level: 'trace' },
  new Writable({
    write(chunk, _encoding, done) {
      lines += String(chunk);
      done();
    },
  }),
);

beforeAll(async () => {
  server = await startTestServer(demoStudio());
  talking = await server.another({ logger });
});
afterAll(async () => {
  await talking.close();
  await server.close();
});

test.each(['/api/share/', '/API/SHARE/', '/api/Share/', '/api/share//', '/api/%73hare/'])(
  'the secret of a link under %s stands in no line',
  async path => {
    const secret = 'Zm9yZ2V0LXRoaXMtb25l';
    lines = '';
    await fetch(talking.address + path + secret);
    expect(lines).not.toContain(secret);
    expect(lines).toContain('"method":"GET"');
  },
);

test('a line names its route', async () => {
  lines = '';
  await (await talking.person('bram-okoro')).call('course.read', { params: { course: 'hustle-1' } });
  expect(lines).toContain('"route":"course.read"');
});

test('an unexpected error is told by where it came from, without statement, values or message', async () => {
  lines = '';
  const failing = server.database.inStudio(server.studioId, async scope => {
    await scope.select('SELECT $1::uuid, $2::uuid', ['a secret of somebody']);
  });
  const error = await failing.then(
    () => undefined,
    (caught: unknown) => caught,
  );
  const told = JSON.stringify(describeError(error));
  expect(told).toContain('22P02');
  expect(told).not.toMatch(/a secret|SELECT/);
  const model = await server.database.models.studios
    .create({ id: 'a secret of somebody', body: {} })
    .catch((caught: unknown) => caught);
  expect(JSON.stringify(describeError(model))).not.toMatch(/a secret|INSERT/);
});

test('every page and answer asks search engines to stay away', async () => {
  for (const path of ['/', '/r/abc', '/R/abc', '/api/session', '/api/share/abc'])
    expect((await fetch(talking.address + path)).headers.get('x-robots-tag')).toBe('noindex, nofollow');
});
