// Behind a real proxy on loopback that ends TLS: cookies, addresses and the promise to come back over TLS only.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { request as ask, type IncomingHttpHeaders, type RequestListener } from 'node:http';
import { request as askTls, createServer, type Server } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROUTES } from '@map-step/contract';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { demoStudio } from '../test/demo-studio.ts';
import { type ListeningServer, startTestServer, type TestServer } from '../test/test-server.ts';

let server: TestServer;
let behind: ListeningServer;
let proxy: Server;
let tlsPort: number;
const folder = mkdtempSync(join(tmpdir(), 'map-step-proxy-'));

/** A certificate for this test alone. */
function makeCertificate(): { key: string; cert: string } {
  const [key, cert] = [join(folder, 'key.pem'), join(folder, 'cert.pem')];
  const args = ['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=studio.example'];
  execFileSync('openssl', [...args, '-keyout', key, '-out', cert], { stdio: 'ignore' });
  return { key: readFileSync(key, 'utf8'), cert: readFileSync(cert, 'utf8') };
}

beforeAll(async () => {
  server = await startTestServer(demoStudio());
  behind = await server.another({}, { signInLimit: 3 });
  const passOn: RequestListener = (request, response) => {
    const headers = {
      ...request.headers,
      'x-forwarded-for': request.headers['x-client'],
      'x-forwarded-proto': 'https',
    };
    const onwards = ask(`${behind.address}${request.url}`, { method: request.method, headers }, answer => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
    });
    request.pipe(onwards);
  };
  proxy = createServer(makeCertificate(), passOn);
  await new Promise<void>(resolve => proxy.listen(0, '127.0.0.1', resolve));
  tlsPort = (proxy.address() as AddressInfo).port;
});
afterAll(async () => {
  proxy.closeAllConnections();
  proxy.close();
  await behind.close();
  await server.close();
  rmSync(folder, { recursive: true });
});

interface Asked {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
}

/** As a browser at an address of its own would, through the proxy. */
function through(
  path: string,
  client: string,
  body?: unknown,
  more: Record<string, string> = {},
): Promise<Asked> {
  return new Promise((resolve, reject) => {
    const headers = {
      host: 'studio.example',
      'x-client': client,
      'x-csrf-token': 'none',
      'content-type': 'application/json',
      ...more,
    };
    const options = { port: tlsPort, host: '127.0.0.1', path, headers, rejectUnauthorized: false };
    const sent = askTls({ ...options, method: body === undefined ? 'GET' : 'POST' }, answer => {
      answer.resume();
      answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers }));
    });
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

const signInPath = ROUTES['session.signIn'].path;
const demoPath = ROUTES['session.demo'].path;
const guess = (client: string) =>
  through(signInPath, client, { email: `${client}@pier.example`, password: 'x' });

test('behind TLS the cookie is given, secure, and works; the browser is told to come over TLS only', async () => {
  const entered = await through(demoPath, '203.0.113.1', { person: 'bram-okoro' });
  const cookie = entered.headers['set-cookie']?.find(one => one.startsWith('map-step='));
  expect(cookie).toMatch(/; Secure/i);
  expect(entered.headers['strict-transport-security']).toMatch(/max-age=\d{7,}/);
  const inside = await through(ROUTES['course.list'].path, '203.0.113.1', undefined, {
    cookie: cookie?.split(';')[0] ?? '',
  });
  expect(inside.status).toBe(200);
});

test('without TLS the cookie goes as it came, and nothing is promised', async () => {
  const direct = await fetch(`${behind.address}${demoPath}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'x-csrf-token': 'none' },
    body: JSON.stringify({ person: 'bram-okoro' }),
  });
  expect(direct.headers.get('set-cookie')).not.toMatch(/Secure/i);
  expect(direct.headers.get('strict-transport-security')).toBe(null);
});

test('each address behind the proxy is counted by itself', async () => {
  for (let attempt = 0; attempt < 3; attempt += 1) expect((await guess('203.0.113.5')).status).toBe(401);
  expect((await guess('203.0.113.5')).status).toBe(429);
  expect((await guess('203.0.113.6')).status).toBe(401);
});

test('a proxy that is not configured is not believed', async () => {
  const careful = await server.another({}, { proxies: [] });
  const reply = await fetch(`${careful.address}${demoPath}`, {
    method: 'POST',
    headers: {
      'content-type': 'application/json',
      'x-csrf-token': 'none',
      'x-forwarded-proto': 'https',
    },
    body: JSON.stringify({ person: 'bram-okoro' }),
  });
  expect(reply.headers.get('set-cookie')).not.toMatch(/Secure/i);
  await careful.close();
});

test.each([
  ['another name', { host: 'evil.example' }],
  [
    'another name, whatever it says it was asked for',
    { host: 'evil.example', 'x-forwarded-host': 'studio.example' },
  ],
  ['our name, asked for under another', { 'x-forwarded-host': 'evil.example' }],
  ['another site', { origin: 'https://evil.example' }],
  ['a page of nowhere', { origin: 'null' }],
  ['another site with our name in front', { origin: 'https://studio.example.evil.example' }],
])('what comes under %s is refused', async (_, headers) => {
  const reply = await through(demoPath, '203.0.113.9', { person: 'bram-okoro' }, headers);
  expect(reply.status).toBe(403);
  expect(reply.headers['set-cookie']).toBe(undefined);
});

test('what comes from a page of its own is taken', async () => {
  const origin = { origin: 'https://studio.example' };
  expect((await through(demoPath, '203.0.113.9', { person: 'bram-okoro' }, origin)).status).toBe(200);
});
