// The statements behind each kind of request, run without the server: what the database alone takes for them.
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import { pino } from 'pino';
import { createApp } from '../../server/src/app.ts';
import { openComputer } from '../../server/src/compute/computer.ts';
import { openChangeFeed } from '../../server/src/db/change-feed.ts';
import { openDatabase } from '../../server/src/db/database.ts';
import { ACTIONS, pickAction } from './actions.ts';
import type { StudioSize } from './big-studio.ts';
import { act, StopWatch, signIn, type Timed } from './load.ts';
import { clock } from './stolen-time.ts';

interface Statement {
  readonly text: string;
  readonly values: readonly unknown[];
}

type Traces = ReadonlyMap<string, readonly (readonly Statement[])[]>;

const SAMPLES = 20;
const PEOPLE = 50;
const CONNECTIONS = 10;
const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}/g;

/** Runs the same mix as the load, as statements only. */
export async function runBare(databaseUrl: string, size: StudioSize, seconds: number): Promise<Timed> {
  const traces = await captureTraces(databaseUrl, size);
  const pool = new pg.Pool({ connectionString: databaseUrl, max: CONNECTIONS });
  const watch = new StopWatch();
  const end = Date.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: PEOPLE }, async (_, index) => {
      let next = Date.now() + (1000 * index) / PEOPLE;
      while (next < end) {
        await wait(Math.max(0, next - Date.now()));
        next += 1000;
        const { name } = pickAction();
        const samples = traces.get(name) ?? [];
        const trace = asNew(samples[Math.floor(Math.random() * samples.length)] ?? []);
        const begun = clock();
        const client = await pool.connect();
        for (const { text, values } of trace) await client.query(text, [...values]);
        client.release();
        watch.note(name, begun);
      }
    }),
  );
  const timed = watch.stop();
  await pool.end();
  return timed;
}

/** The statements of some requests of each kind, told one request at a time by a server in this process. */
async function captureTraces(databaseUrl: string, size: StudioSize): Promise<Traces> {
  let trace: Statement[] = [];
  const restore = spyOnQueries(statement => trace.push(statement));
  const database = openDatabase(databaseUrl);
  const changes = openChangeFeed(databaseUrl);
  const jobs = { send: () => Promise.reject(new Error('no job is queued here')) };
  const deps = {
    database,
    databaseUrl,
    computer: openComputer(),
    changes,
    jobs,
    logger: pino({ level: 'silent' }),
    now: () => new Date(),
    demo: true,
    founding: 'closed' as const,
    secret: 'bench',
  };
  const app = createApp(deps, {
    secure: false,
    pages: 'none',
    signInLimit: 99,
    anonymousLimit: 1_000_000,
    crowdLimit: { all: 1_000_000, address: 1_000_000, session: 100_000 },
    personLimit: 1_000_000,
    hosts: [],
    proxies: ['loopback'],
  });
  const server = createServer(app.express);
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const browser = await signIn(address);
  const traces = new Map<string, (readonly Statement[])[]>();
  for (const action of ACTIONS) {
    const own: (readonly Statement[])[] = [];
    for (let sample = 0; sample < SAMPLES; sample += 1) {
      trace = [];
      const { refusal } = await act(address, browser, action, size);
      if (refusal === undefined) own.push(trace);
    }
    traces.set(action.name, own);
  }
  server.closeAllConnections();
  server.close();
  await app.close();
  await changes.close();
  await database.close();
  restore();
  return traces;
}

function spyOnQueries(tell: (statement: Statement) => void): () => void {
  const { query } = pg.Client.prototype;
  const spied = function (this: pg.Client, ...args: unknown[]) {
    const [first, values] = args;
    const asked = typeof first === 'string' ? { text: first, values } : (first as Statement);
    if (!asked.text.startsWith('LISTEN'))
      tell({ text: asked.text, values: Array.isArray(asked.values) ? asked.values : [] });
    return (query as (...all: unknown[]) => unknown).apply(this, args);
  };
  pg.Client.prototype.query = spied as typeof query;
  return () => {
    pg.Client.prototype.query = query;
  };
}

/** The same statements under new ids, so that they write again instead of finding their rows. */
function asNew(trace: readonly Statement[]): readonly Statement[] {
  const [first] =
    trace
      .find(({ text }) => text.includes('INSERT INTO'))
      ?.text.match(UUID)
      ?.slice(1) ?? [];
  if (first === undefined) return trace;
  const fresh = randomUUID();
  const swap = (value: unknown) => (typeof value === 'string' ? value.replaceAll(first, fresh) : value);
  return trace.map(({ text, values }) => ({ text: String(swap(text)), values: values.map(swap) }));
}
