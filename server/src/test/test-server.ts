import { createHmac, randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import {
  type ErrorBody,
  ROUTES,
  type RouteName,
  type SessionAnswer,
  type SignedInPerson,
} from '@map-step/contract';
import type { StudioDocument } from '@map-step/core';
import { Client } from 'pg';
import { pino } from 'pino';
import { inject } from 'vitest';
import { createApp } from '../app.ts';
import { type Database, openDatabase } from '../db/database.ts';
import { importDocument } from '../features/studio/import-service.ts';
import { createStudio } from '../features/studio/studio-store.ts';
import { TEMPLATE } from './cluster.ts';

export interface Reply<Answer = Record<string, unknown>> {
  readonly status: number;
  readonly body: Answer & Partial<ErrorBody>;
  readonly headers: Headers;
}

export interface TestPerson {
  call<Answer = Record<string, unknown>>(
    name: RouteName,
    options?: { params?: Record<string, string | number>; body?: unknown; text?: string; csrf?: string },
  ): Promise<Reply<Answer>>;
}

export interface TestServer {
  readonly database: Database;
  readonly studioId: string;
  readonly address: string;
  /** Somebody with a browser of their own; signed in as a person of the demo, or as nobody. */
  person(id?: string): Promise<TestPerson>;
  setNow(now: Date): void;
  /** A session of somebody, without asking for a password. */
  signIn(person: SignedInPerson): Promise<{ cookie: string; csrf: string }>;
  close(): Promise<void>;
}

export const TODAY = '2026-03-09';

/** A server on a database of its own, with this studio in it. */
export async function startTestServer(studio?: StudioDocument): Promise<TestServer> {
  const name = `map_step_test_${randomUUID().replaceAll('-', '')}`;
  const adminUrl = inject('databaseUrl');
  await runSql(adminUrl, `CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`);
  const databaseUrl = adminUrl.replace(/\/postgres$/, `/${name}`);
  const database = openDatabase(databaseUrl);
  const studioId = randomUUID();
  if (studio)
    await database.inStudio(studioId, async scope => {
      await createStudio(scope, studio.studio);
      await importDocument(scope, studio);
    });
  let now = new Date(`${TODAY}T19:00:00Z`);
  const deps = { database, logger: pino({ level: 'silent' }), now: () => now, today: TODAY, demo: true };
  const secret = 'test';
  const app = createApp(deps, {
    databaseUrl,
    secret,
    secure: false,
    pages: 'nowhere',
    signInLimit: 5,
  });
  const server = createServer(app.express);
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    database,
    studioId,
    address,
    person: id => openBrowser(address, id),
    signIn: async person => {
      const [sid, csrf] = [randomUUID(), randomUUID()];
      const sess = { cookie: { originalMaxAge: 3_600_000, httpOnly: true, path: '/' }, person, csrf };
      await runSql(
        databaseUrl,
        "INSERT INTO sessions (sid, sess, expire) VALUES ($1, $2, now() + interval '1 hour')",
        [sid, sess],
      );
      const signature = createHmac('sha256', secret).update(sid).digest('base64').replace(/=+$/, '');
      return { cookie: `map-step=${encodeURIComponent(`s:${sid}.${signature}`)}`, csrf };
    },
    setNow: date => {
      now = date;
    },
    close: async () => {
      await closeServer(server);
      await app.close();
      await database.close();
      await runSql(adminUrl, `DROP DATABASE ${name} WITH (FORCE)`);
    },
  };
}

/** A browser whose session is this person's, made as signing in makes it. */
export async function beginTestSession(
  server: TestServer,
  person: SignedInPerson | undefined,
): Promise<TestPerson> {
  return openBrowser(server.address, undefined, person && (await server.signIn(person)));
}

async function openBrowser(
  address: string,
  id?: string,
  session?: { cookie: string; csrf: string },
): Promise<TestPerson> {
  let cookie = session?.cookie ?? '';
  let csrf = session?.csrf ?? 'none';
  const call: TestPerson['call'] = async (name, { params = {}, body, text, csrf: given } = {}) => {
    const { method, path } = ROUTES[name];
    const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    const content = text ?? (body === undefined ? undefined : JSON.stringify(body));
    const response = await fetch(address + filled, {
      method,
      headers: { cookie, 'x-csrf-token': given ?? csrf, 'content-type': 'application/json' },
      ...(content !== undefined && { body: content }),
    });
    const set = response.headers.get('set-cookie');
    if (set) cookie = set.split(';')[0] ?? '';
    return { status: response.status, body: (await response.json()) as never, headers: response.headers };
  };
  if (id) {
    const signedIn = await call<SessionAnswer>('session.demo', { body: { person: id } });
    csrf = signedIn.body.csrf ?? csrf;
  }
  return { call };
}

async function runSql(url: string, sql: string, values: unknown[] = []): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query(sql, values);
  await client.end();
}

function closeServer(server: Server): Promise<void> {
  server.closeAllConnections();
  return new Promise(resolve => server.close(() => resolve()));
}
