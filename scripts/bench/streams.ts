// `npm run bench -- streams [STREAMS] [WRITERS] [SECONDS]`: pages that look at classes in which people mark: what a mark costs each
// who looks, and how long until it is seen; for a tenth of them, half of them, and all.
import { randomUUID } from 'node:crypto';
import { Agent, get, type IncomingMessage } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import type { Change } from '@map-step/contract';
import { Client } from 'pg';
import { orFew } from '../small.mjs';
import { DEMO, mostMemory, say, tell, withBigServer } from './big-server.ts';
import { type StudioSize, timesAsBig } from './big-studio.ts';
import { ask, type Browser, percentile, signIn } from './load.ts';
import { clock } from './stolen-time.ts';

/** One person may have twenty streams; the big studio has forty people. */
const STREAMS_A_PERSON = 20;
const MARK_EVERY_MS = 5000;
const CLASSES = orFew(50, 4);
const IDLE_SECONDS = orFew(5, 1);

interface Found {
  readonly marks: number;
  /** Milliseconds from the answer to who marked until who looks has it. */
  readonly seen: readonly number[];
  readonly requests: number;
  readonly bytes: number;
  readonly transactions: number;
  readonly memoryMb: number;
}

export async function benchStreams(streams: number, writers: number, seconds: number): Promise<void> {
  const { block } = timesAsBig(1, DEMO);
  const size: StudioSize = {
    block,
    patterns: 2 * block,
    sections: CLASSES,
    students: CLASSES * 20,
    marks: 4000,
  };
  say(
    '| streams | marks | seen by each, p50 ms | p95 ms | requests | bytes | transactions a mark | server MB |',
  );
  say('|---|---|---|---|---|---|---|---|');
  await withBigServer(size, async server => {
    for (const share of [10, 2, 1]) {
      const viewers = Math.ceil(streams / share);
      tell(`${viewers} streams and ${writers} people who mark, for ${seconds} s …`);
      const found = await measure(server, { viewers, writers, seconds });
      const lookers = Math.max(1, found.seen.length);
      const cells = [
        viewers,
        found.marks,
        percentile(found.seen, 50).toFixed(0),
        percentile(found.seen, 95).toFixed(0),
        (found.requests / lookers).toFixed(2),
        Math.round(found.bytes / lookers),
        (found.transactions / Math.max(1, found.marks)).toFixed(1),
        found.memoryMb,
      ];
      say(`| ${cells.join(' | ')} |`);
    }
  });
}

interface Asked {
  readonly viewers: number;
  readonly writers: number;
  readonly seconds: number;
}

async function measure(
  { address, pid, databaseUrl }: { address: string; pid: number; databaseUrl: string },
  { viewers, writers, seconds }: Asked,
): Promise<Found> {
  const people = await Promise.all(
    Array.from({ length: Math.ceil(viewers / STREAMS_A_PERSON) }, (_, index) =>
      signIn(address, `person-${index}`),
    ),
  );
  const writer = await signIn(address);
  const acknowledged = new Map<string, number>();
  const pages = await Promise.all(
    Array.from({ length: viewers }, (_, index) => {
      const browser = people[Math.floor(index / STREAMS_A_PERSON)] ?? writer;
      return openPage(address, browser, `section-${index % CLASSES}`, acknowledged);
    }),
  );
  const idle = await transactionsWhile(databaseUrl, () => wait(IDLE_SECONDS * 1000));
  const begun = Date.now();
  const end = Date.now() + seconds * 1000;
  const marking = () =>
    Promise.all(
      Array.from({ length: writers }, async (_, index) => {
        await wait((MARK_EVERY_MS * index) / writers);
        while (Date.now() < end) {
          const next = Date.now() + MARK_EVERY_MS;
          const id = randomUUID();
          await mark(address, writer, `section-${index % CLASSES}`, id);
          acknowledged.set(id, clock());
          await wait(Math.max(0, next - Date.now()));
        }
      }),
    );
  const all = await transactionsWhile(databaseUrl, marking);
  // What the server does anyway, as looking for jobs, is not the marks'.
  const transactions = Math.max(0, all - (idle * (Date.now() - begun)) / (IDLE_SECONDS * 1000));
  for (const page of pages) page.close();
  const sum = (what: 'requests' | 'bytes') => pages.reduce((total, page) => total + page.cost[what], 0);
  return {
    marks: acknowledged.size,
    seen: pages.flatMap(({ cost }) => cost.seen),
    requests: sum('requests'),
    bytes: sum('bytes'),
    transactions,
    memoryMb: mostMemory(pid),
  };
}

async function mark(address: string, browser: Browser, section: string, id: string): Promise<void> {
  const entry = { id, lesson: 6, pattern: 'wrap-0', result: 'solid', at: new Date().toISOString() };
  const body = { events: [{ kind: 'log', entry }] };
  const reply = await ask(`${address}/api/sections/${section}/events`, 'POST', browser, body);
  if (reply.status !== 200) throw new Error(`${reply.status} ${reply.text()}`);
}

interface Page {
  readonly cost: { requests: number; bytes: number; readonly seen: number[] };
  close(): void;
}

const streamAgent = new Agent({ keepAlive: false });

/** A page that looks at a class: it follows the studio and asks for what came after what it knows. */
async function openPage(
  address: string,
  browser: Browser,
  section: string,
  acknowledged: ReadonlyMap<string, number>,
): Promise<Page> {
  const cost = { requests: 0, bytes: 0, seen: [] as number[] };
  const first = await ask(`${address}/api/sections/${section}`, 'GET', browser, undefined);
  let known = (JSON.parse(first.text()) as { seq: number }).seq;
  let asking = Promise.resolve();
  const askSince = async (seq: number) => {
    if (seq <= known) return;
    const reply = await ask(
      `${address}/api/sections/${section}/events?after=${known}`,
      'GET',
      browser,
      undefined,
    );
    const told = JSON.parse(reply.text()) as { events: { entry: { id: string } }[]; seq: number };
    cost.requests += 1;
    cost.bytes += reply.bytes;
    known = told.seq;
    for (const { entry } of told.events) {
      const begun = acknowledged.get(entry.id);
      // It may be seen before its writer is answered.
      cost.seen.push(begun === undefined ? 0 : clock() - begun);
    }
  };
  const stream = await new Promise<IncomingMessage>((resolve, reject) => {
    const headers = { cookie: browser.cookie };
    get(`${address}/api/live`, { headers, agent: streamAgent }, resolve).on('error', reject);
  });
  stream.setEncoding('utf8');
  stream.on('data', (text: string) => {
    for (const [, data = ''] of text.matchAll(/^data: (\{.*\})$/gm)) {
      const { topic, id, seq } = JSON.parse(data) as Change;
      if (topic !== 'section' || id !== section || seq === undefined) continue;
      cost.bytes += data.length;
      asking = asking.then(() => askSince(seq));
    }
  });
  stream.on('error', () => undefined);
  return { cost, close: () => stream.destroy() };
}

async function transactionsWhile(databaseUrl: string, work: () => Promise<unknown>): Promise<number> {
  const before = await countTransactions(databaseUrl);
  await work();
  return (await countTransactions(databaseUrl)) - before;
}

/** Transactions that this database has ended since it began, this question among them. */
async function countTransactions(databaseUrl: string): Promise<number> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  // What backends have counted comes in when they rest.
  await wait(1500);
  const { rows } = await client.query<{ count: string }>(
    'SELECT xact_commit + xact_rollback AS count FROM pg_stat_database WHERE datname = current_database()',
  );
  await client.end();
  return Number(rows[0]?.count ?? 0);
}
