import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { Client } from 'pg';
import { afterAll, beforeAll, expect, inject, test } from 'vitest';
import { TEMPLATE } from './cluster.ts';
import { eventsOf } from './events.ts';

const root = fileURLToPath(new URL('../../../', import.meta.url));
const name = `map_step_crash_${randomUUID().replaceAll('-', '')}`;
const adminUrl = () => inject('databaseUrl');
const url = () => adminUrl().replace(/\/postgres$/, `/${name}`);

async function admin(sql: string): Promise<void> {
  const client = new Client({ connectionString: adminUrl() });
  await client.connect();
  await client.query(sql);
  await client.end();
}

beforeAll(() => admin(`CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`));
afterAll(() => admin(`DROP DATABASE ${name} WITH (FORCE)`));

async function startServer() {
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: url(),
      MAPSTEP_DEMO: '1',
      MAPSTEP_DEMO_FILE: 'demo/tarn-street.json',
      SESSION_SECRET: 'the same after a restart',
      PORT: '0',
    },
  });
  const [line] = (await once(child.stdout, 'data')) as [Buffer];
  const address = /http:\/\/\S+/.exec(String(line))?.[0] ?? '';
  return {
    address,
    end: async (...signals: readonly NodeJS.Signals[]) => {
      for (const signal of signals) child.kill(signal);
      return (await once(child, 'exit'))[0] as number | null;
    },
  };
}

test('a tap that was acknowledged is there after kill -9, and its sender is still signed in', async () => {
  const first = await startServer();
  const post = (address: string, path: string, body: unknown, cookie = '', csrf = 'x') =>
    fetch(address + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'x-csrf-token': csrf, cookie },
      body: JSON.stringify(body),
    });
  const signIn = await post(first.address, '/api/session/demo', { person: 'bram-okoro' });
  const cookie = signIn.headers.get('set-cookie')?.split(';')[0] ?? '';
  const { csrf } = (await signIn.json()) as { csrf: string };
  const id = randomUUID();
  const log = { id, lesson: 5, pattern: 'wrap', result: 'solid', at: '2026-03-09T19:20:00Z' };
  const body = eventsOf('log', log);
  const tap = await post(first.address, '/api/sections/hustle-1-monday/events', body, cookie, csrf);
  expect(tap.status).toBe(200);
  await first.end('SIGKILL');

  const second = await startServer();
  const reply = await fetch(`${second.address}/api/sections/hustle-1-monday`, { headers: { cookie } });
  const section = (await reply.json()) as { logs: { id: string }[] };
  expect(section.logs.filter(log => log.id === id)).toHaveLength(1);
  expect(await second.end('SIGTERM')).toBe(0);
});

test('Ctrl C tells the server twice, itself and through what started it: it ends in peace', async () => {
  const server = await startServer();
  expect(await server.end('SIGINT', 'SIGTERM')).toBe(0);
});
