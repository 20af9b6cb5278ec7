import { createHmac, randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { isDeepStrictEqual } from 'node:util';
import {
  type AnswerOf,
  type Change,
  type ErrorBody,
  ROUTES,
  type RouteDefinition,
  type RouteName,
  type SignedInPerson,
} from '@map-step/contract';
import type { StudioDocument } from '@map-step/core';
import { Client } from 'pg';
import { pino } from 'pino';
import { inject } from 'vitest';
import { type AppOptions, createApp } from '../app.ts';
import { openComputer } from '../compute/computer.ts';
import { openChangeFeed } from '../db/change-feed.ts';
import { type Database, openDatabase } from '../db/database.ts';
import type { Deps } from '../deps.ts';
import { importDocument } from '../features/studio/import-service.ts';
import { createStudio, readStudioDocument } from '../features/studio/studio-store.ts';
import { HTTP_DEADLINES } from '../http/loose-ends.ts';
import { openJobQueue } from '../jobs/job-queue.ts';
import { TEMPLATE } from './cluster.ts';

export interface Reply<Name extends RouteName = RouteName> {
  readonly status: number;
  /** The answer, held to the schema of its route; or the refusal. */
  readonly body: AnswerOf<Name> & Partial<ErrorBody>;
  readonly headers: Headers;
}

/** Whatever a test would send: much of it is not what a route takes. */
interface Sent {
  readonly params?: Record<string, string | number>;
  readonly query?: URLSearchParams;
  readonly body?: unknown;
  readonly text?: string;
  readonly csrf?: string;
}

export interface TestPerson {
  call<Name extends RouteName>(name: Name, sent?: Sent): Promise<Reply<Name>>;
  /** Follows the live changes; resolves when the stream has begun. */
  follow(): Promise<{
    readonly reply: Reply;
    readonly changes: readonly Change[];
    end(): void;
    /** True once the server has ended it. */
    isOver(): boolean;
  }>;
}

/** One server process's worth: several can stand on one database. */
export interface ListeningServer {
  readonly database: Database;
  readonly address: string;
  /** Somebody with a browser of their own; signed in as a person of the demo, or as nobody. */
  person(id?: string): Promise<TestPerson>;
  setNow(now: Date): void;
  /** Takes no jobs any more. */
  leaveQueue(): Promise<void>;
  close(): Promise<void>;
}

export interface TestServer extends ListeningServer {
  readonly studioId: string;
  readonly databaseUrl: string;
  /** The same for the cluster's superuser. */
  readonly superuserUrl: string;
  /** A second server on the same database. */
  another(more?: Partial<Deps>, options?: Partial<AppOptions>): Promise<ListeningServer>;
  /** A session of somebody, without asking for a password. */
  signIn(person: SignedInPerson): Promise<{ cookie: string; csrf: string }>;
  sql(text: string): Promise<void>;
}

export const TODAY = '2026-03-09';
const SECRET = 'test';

/**
 * A server on a database of its own, with this studio in it and a second one beside it that has the same
 * content under the same ids. When the server closes, nothing of the second may have changed.
 */
export async function startTestServer(studio?: StudioDocument): Promise<TestServer> {
  const name = `map_step_test_${randomUUID().replaceAll('-', '')}`;
  const adminUrl = inject('databaseUrl');
  await runSql(adminUrl, `CREATE DATABASE ${name} TEMPLATE ${TEMPLATE}`);
  const databaseUrl = adminUrl.replace(/\/postgres$/, `/${name}`);
  const server = await listen(databaseUrl);
  const studioId = randomUUID();
  const twin = randomUUID();
  if (studio) for (const id of [studioId, twin]) await addStudio(server.database, id, studio);
  const readTwin = async () => studio && server.database.inStudio(twin, readStudioDocument);
  const before = await readTwin();
  return {
    ...server,
    studioId,
    databaseUrl,
    superuserUrl: inject('superuserUrl').replace(/\/postgres$/, `/${name}`),
    another: (more, options) => listen(databaseUrl, more, options),
    signIn: person => insertSession(databaseUrl, person),
    sql: text => runSql(databaseUrl, text),
    close: async () => {
      if (!isDeepStrictEqual(await readTwin(), before)) throw new Error('the other studio was changed');
      await server.close();
      await runSql(adminUrl, `DROP DATABASE ${name} WITH (FORCE)`);
    },
  };
}

/** A studio with all of this in it. */
export function addStudio(database: Database, id: string, document: StudioDocument): Promise<void> {
  return database.inStudio(id, async scope => {
    await createStudio(scope, document.studio, true);
    await importDocument(scope, document);
  });
}

/** A server on a database that is there. */
export async function listen(
  databaseUrl: string,
  more: Partial<Deps> = {},
  options: Partial<AppOptions> = {},
): Promise<ListeningServer> {
  let now = new Date(`${TODAY}T19:00:00Z`);
  const logger = pino({ level: 'silent' });
  const database = openDatabase(databaseUrl);
  const jobs = await openJobQueue({ databaseUrl, database, logger });
  const deps: Deps = {
    database,
    databaseUrl,
    computer: openComputer(),
    changes: openChangeFeed(databaseUrl),
    jobs,
    logger,
    now: () => now,
    today: TODAY,
    demo: true,
    founding: 'closed',
    secret: SECRET,
    ...more,
  };
  const app = createApp(deps, {
    secure: false,
    pages: 'nowhere',
    signInLimit: 5,
    anonymousLimit: 100_000,
    crowdLimit: { all: 100_000, address: 100_000, session: 100_000 },
    personLimit: 100_000,
    hosts: ['studio.example'],
    proxies: ['loopback'],
    ...options,
  });
  const server = createServer(HTTP_DEADLINES, app.express);
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    database: deps.database,
    address,
    person: id => openBrowser(address, id),
    setNow: date => {
      now = date;
    },
    leaveQueue: jobs.close,
    close: async () => {
      await closeServer(server);
      await app.close();
      await jobs.close();
      await deps.computer.close();
      await deps.changes.close();
      await deps.database.close();
    },
  };
}

async function insertSession(
  databaseUrl: string,
  person: SignedInPerson,
): Promise<{ cookie: string; csrf: string }> {
  const [sid, csrf] = [randomUUID(), randomUUID()];
  const owner = { studio: person.studio, id: person.id };
  const sess = { cookie: { originalMaxAge: 3_600_000, httpOnly: true, path: '/' }, owner, csrf };
  const insert = "INSERT INTO sessions (sid, sess, expire) VALUES ($1, $2, now() + interval '1 hour')";
  await runSql(databaseUrl, insert, [sid, sess]);
  const signature = createHmac('sha256', SECRET).update(sid).digest('base64').replace(/=+$/, '');
  return { cookie: `map-step=${encodeURIComponent(`s:${sid}.${signature}`)}`, csrf };
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
  const jar = new Map(session ? [['map-step', session.cookie]] : []);
  const cookies = () => [...jar.values()].join('; ');
  let csrf = session?.csrf ?? 'none';
  const call: TestPerson['call'] = async (
    name,
    { params = {}, query = '', body, text, csrf: given } = {},
  ) => {
    const { method, path, answer }: RouteDefinition = ROUTES[name];
    const filled = path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent(params[key] ?? ''));
    const content = text ?? (body === undefined ? undefined : JSON.stringify(body));
    const response = await fetch(`${address}${filled}?${query}`, {
      method,
      headers: { cookie: cookies(), 'x-csrf-token': given ?? csrf, 'content-type': 'application/json' },
      ...(content !== undefined && { body: content }),
    });
    for (const set of response.headers.getSetCookie()) {
      const [pair = ''] = set.split(';');
      const [name = ''] = pair.split('=');
      jar.set(name, pair);
    }
    const isJson = response.headers.get('content-type')?.includes('json');
    const isFile = response.headers.has('content-disposition');
    const told: unknown = isJson && !isFile ? await response.json() : await response.text();
    if (response.ok) answer.parse(told);
    if (isJson && !isFile) csrf = (told as { csrf?: string | null }).csrf ?? csrf;
    return { status: response.status, body: told as never, headers: response.headers };
  };
  if (id) await call('session.demo', { body: { person: id } });
  const follow: TestPerson['follow'] = async () => {
    const ending = new AbortController();
    const response = await fetch(address + ROUTES['live.follow'].path, {
      headers: { cookie: cookies() },
      signal: ending.signal,
    });
    const changes: Change[] = [];
    let isOver = false;
    void readStream(response, changes)
      .catch(() => undefined)
      .then(() => {
        isOver = true;
      });
    const reply = { status: response.status, body: {}, headers: response.headers };
    return { reply, changes, end: () => ending.abort(), isOver: () => isOver };
  };
  return { call, follow };
}

async function readStream(response: Response, changes: Change[]): Promise<void> {
  if (!response.body) return;
  let rest = '';
  for await (const chunk of response.body.pipeThrough(new TextDecoderStream())) {
    const events = (rest + chunk).split('\n\n');
    rest = events.pop() ?? '';
    for (const event of events)
      if (event.startsWith('data: ')) changes.push(JSON.parse(event.slice(6)) as Change);
  }
}

async function runSql(url: string, sql: string, values: unknown[] = []): Promise<void> {
  const client = new Client({ connectionString: url });
  await client.connect();
  await client.query(sql, values).finally(() => client.end());
}

function closeServer(server: Server): Promise<void> {
  server.closeAllConnections();
  return new Promise(resolve => server.close(() => resolve()));
}
