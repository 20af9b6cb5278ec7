// What nobody in particular may send: how much, how slowly, how twisted. Sockets, because browsers would not do it.
import { connect, type Socket } from 'node:net';
import { gzipSync } from 'node:zlib';
import type { ErrorBody } from '@map-step/contract';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../test/demo-studio.ts';
import {
  type ListeningServer,
  startTestServer,
  type TestPerson,
  type TestServer,
} from '../test/test-server.ts';

let server: TestServer;
let open: ListeningServer;
let visitor: TestPerson;
let ottilie: TestPerson;
beforeAll(async () => {
  server = await startTestServer(demoStudio());
  open = await server.another({}, { signInLimit: 1000 });
  visitor = await open.person();
  ottilie = await server.person('ottilie-marsh');
});
afterAll(async () => {
  await open.close();
  await server.close();
});

const SECOND_MS = 1000;

/** Sends the head of a request and a part of its body, and waits until the other side has hung up. */
function sendHalf(
  path: string,
  headers: readonly string[],
  body: Buffer | string,
): Promise<{ said: string; ms: number }> {
  const { hostname, port } = new URL(server.address);
  return new Promise(resolve => {
    const begun = Date.now();
    let said = '';
    const socket: Socket = connect(Number(port), hostname, () => {
      const head = [`POST ${path} HTTP/1.1`, `Host: ${hostname}`, 'X-CSRF-Token: none', ...headers, '', ''];
      socket.write(head.join('\r\n'));
      socket.write(body);
    });
    socket.on('data', data => {
      said += String(data);
    });
    socket.on('error', () => undefined);
    socket.on('close', () => resolve({ said, ms: Date.now() - begun }));
  });
}

const JSON_HEAD = ['Content-Type: application/json', 'Content-Length: 900000'];

test('a route for people who are signed in answers before any of the body has come, and hangs up', async () => {
  const { said, ms } = await sendHalf('/api/studio/import', JSON_HEAD, '{"format":');
  expect(said).toMatch(/^HTTP\/1.1 401 /);
  expect(ms).toBeLessThan(3 * SECOND_MS);
});

test('an address that is nobody’s answers the same way', async () => {
  const { said, ms } = await sendHalf('/api/nothing', JSON_HEAD, '{');
  expect(said).toMatch(/^HTTP\/1.1 404 /);
  expect(ms).toBeLessThan(3 * SECOND_MS);
});

test.concurrent('a body that stops in the middle is waited for five seconds', async () => {
  const { said, ms } = await sendHalf(
    '/api/session',
    ['Content-Type: application/json', 'Content-Length: 200'],
    '{"email"',
  );
  expect(said).toMatch(/^HTTP\/1.1 408 /);
  expect(said).toContain('too-slow');
  expect(ms).toBeLessThan(8 * SECOND_MS);
});

test.concurrent('a head that never ends is waited for ten seconds', async () => {
  const { hostname, port } = new URL(server.address);
  const ms = await new Promise<number>(resolve => {
    const begun = Date.now();
    const socket = connect(Number(port), hostname, () => socket.write('GET /api/session HTTP/1.1\r\nHost: '));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(Date.now() - begun));
    socket.resume();
  });
  expect(ms).toBeLessThan(16 * SECOND_MS);
});

test('a body longer than sixteen kilobytes is not taken from nobody', async () => {
  const reply = await visitor.call('session.signIn', { body: { email: 'x'.repeat(20_000), password: 'x' } });
  expect([reply.status, reply.body.code]).toEqual([413, 'too-large']);
});

test('a compressed body is not inflated, whoever sends it', async () => {
  const bomb = gzipSync(Buffer.alloc(200_000, 32));
  const reply = await sendHalf(
    '/api/session',
    [
      'Content-Type: application/json',
      'Content-Encoding: gzip',
      `Content-Length: ${bomb.length}`,
      'Connection: close',
    ],
    bomb,
  );
  expect(reply.said).toMatch(/^HTTP\/1.1 400 /);
  expect(reply.said).toContain('Compressed requests are not taken');
});

test('thousands of unknown keys get a short answer that counts them', async () => {
  const keys = Object.fromEntries(Array.from({ length: 700 }, (_, index) => [`key-${index}`, 0]));
  const few = Object.fromEntries(Object.entries(keys).slice(0, 90));
  const begun = Date.now();
  const reply = await visitor.call('session.signIn', { body: few });
  const problems = (reply.body as ErrorBody).problems ?? [];
  expect([reply.status, problems.length, problems.at(-1)?.message]).toEqual([400, 51, 'and 42 more']);
  expect(JSON.stringify(reply.body).length).toBeLessThan(10_000);
  const many = await visitor.call('session.signIn', { body: keys });
  expect(many.body.problems?.[0]?.message).toMatch(/more than 100 values/);
  expect(Date.now() - begun).toBeLessThan(SECOND_MS);
});

test('a body of very many empty entries is refused before they are looked at', async () => {
  const begun = Date.now();
  const text = `{"events":[${'{},'.repeat(300_000)}{}]}`;
  const reply = await ottilie.call('class.append', { params: { section: 'hustle-1-monday' }, text });
  expect(reply.status).toBe(400);
  expect(reply.body.problems?.[0]?.message).toMatch(/more than 20,000 values/);
  expect(Date.now() - begun).toBeLessThan(SECOND_MS);
});

test('a key as long as the body is told by its beginning', async () => {
  const body = { person: 'x', ['k'.repeat(10_000)]: 1 };
  const reply = await visitor.call('session.demo', { body });
  expect(reply.status).toBe(400);
  expect(JSON.stringify(reply.body).length).toBeLessThan(1000);
});

test.each([
  ['NUL', 'a\u0000b'],
  ['half of a pair', 'a\ud800b'],
])('a text with %s is refused with its place, and nothing of it is stored', async (_, name) => {
  const figure = { id: 'odd', dance: 'hustle', name, kind: 'drill' };
  const reply = await ottilie.call('figure.create', { body: { figure } });
  expect([reply.status, reply.body.problems?.[0]?.at]).toEqual([400, '/figure/name']);
  expect((await ottilie.call('figure.read', { params: { figure: 'odd' } })).status).toBe(404);
});

test.each([
  '/api/courses/%00',
  '/api/courses/%E0%A4%A',
  `/api/jobs/${'-'.repeat(36)}`,
  '/api/sections/hustle-1-monday/lessons/1e30/recaps/students',
  '/api/sections/hustle-1-monday/lessons/-5/recaps/students',
  '/api/sections/hustle-1-monday/lessons/2000000000/recaps/students',
  '/api/sections/hustle-1-monday/lessons/1.5/recaps/nobody',
  '/api/share/%00',
  `/api/share/${'x'.repeat(5000)}`,
  '/api/courses?page=-1',
  '/api/courses?page=1e9',
  '/api/material?stamp=%00',
  '/api/material?course=a&course=b',
  '/api/courses?odd=1',
])('%s is refused in words, never with a 500', async path => {
  const { cookie } = await server.signIn({
    id: 'ottilie-marsh',
    name: '',
    role: 'director',
    studio: server.studioId,
  });
  const reply = await fetch(server.address + path, { headers: { cookie } });
  expect([400, 404]).toContain(reply.status);
  expect(((await reply.json()) as ErrorBody).message).toBeTruthy();
});

test('from however many addresses they come, all who are not signed in share what they may ask', async () => {
  const strict = await server.another(
    {},
    { crowdLimit: { all: 4, address: 4, session: 100_000 }, signInLimit: 1000 },
  );
  const bram = await strict.person('bram-okoro');
  const ask = (index: number, cookie = '') =>
    fetch(`${strict.address}/api/session`, { headers: { 'x-forwarded-for': `198.51.100.${index}`, cookie } });
  const begun = Date.now();
  const asked = Array.from({ length: 40 }, (_, index) => ask(index));
  const refused = await ask(99, 'map-step=s%3Aforged.signature');
  const statuses = (await Promise.all(asked)).map(({ status }) => status);
  expect(statuses.filter(status => status === 200).length).toBeLessThan(25);
  expect([refused.status, refused.headers.get('retry-after')]).toEqual([429, '2']);
  // Whoever asks again as soon as they are refused does so once a second.
  expect(Date.now() - begun).toBeGreaterThan(900);
  expect((await bram.call('course.list')).status).toBe(200);
  await strict.close();
});

test('an address that floods takes nothing from the others', async () => {
  const strict = await server.another(
    {},
    { crowdLimit: { all: 40, address: 2, session: 100_000 }, signInLimit: 1000 },
  );
  const ask = async (address: string) =>
    (await fetch(`${strict.address}/api/session`, { headers: { 'x-forwarded-for': address } })).status;
  const flood = await Promise.all(Array.from({ length: 200 }, () => ask('198.51.100.1')));
  expect(flood.filter(status => status === 200).length).toBeLessThan(20);
  const others = await Promise.all(Array.from({ length: 20 }, (_, index) => ask(`203.0.113.${index + 1}`)));
  expect(others).toEqual(others.map(() => 200));
  await strict.close();
});

test('a person who is signed in and floods is turned away, by how much they send; their colleagues are not', async () => {
  const strict = await server.another({}, { personLimit: 4, signInLimit: 1000 });
  const [bram, suki] = [await strict.person('bram-okoro'), await strict.person('suki-larch')];
  const figure = { id: 'x', dance: 'hustle', name: 'x'.repeat(300_000), kind: 'drill' };
  const long = [];
  for (let more = 0; more < 5; more += 1)
    long.push((await bram.call('figure.create', { body: { figure } })).status);
  expect(long).toEqual([400, 400, 429, 429, 429]);
  expect((await suki.call('course.list')).status).toBe(200);
  await strict.close();
});

test.each([`s%3Ax.${'%C3%A9'.repeat(43)}`, `s%3Ax.${'x'.repeat(43)}`, 's%3A', '%', 's%3Ax.'])(
  'a cookie of %s is nobody’s, never a 500',
  async value => {
    const reply = await fetch(`${server.address}/api/courses`, { headers: { cookie: `map-step=${value}` } });
    expect(reply.status).toBe(401);
  },
);

test('whoever is not signed in asks only so often, and whoever is does not notice', async () => {
  const strict = await server.another({}, { anonymousLimit: 20, signInLimit: 1000 });
  const crowd = await strict.person();
  const bram = await strict.person('bram-okoro');
  const statuses = new Set<number>();
  for (let asked = 0; asked < 25; asked += 1) statuses.add((await crowd.call('session.read')).status);
  expect([...statuses]).toEqual([200, 429]);
  expect((await crowd.call('share.read', { params: { token: 'x' } })).status).toBe(429);
  expect((await bram.call('course.list')).status).toBe(200);
  await strict.close();
});
