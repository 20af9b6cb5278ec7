// `npm run faults [-- KILLS]`: what happens to acknowledged writes when the server is killed in the middle of
// them again and again, and when PostgreSQL goes away under load. Prints the counts; exit 1 when one is off.
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { ensurePackages } from './packages.mjs';
import { ensurePostgres, startCluster, startThrowawayCluster } from './postgres.mjs';
import { say } from './say.mjs';
import { startServerProcess } from './server-process.mjs';

const CLIENTS = 8;
/** How many writes are acknowledged, at the most, before the next kill falls among them. */
const WRITES_A_KILL = 40;
const LONGEST_STORM_MS = 5000;
const AWAY_MS = 20_000;
const PORT = 41_733;
const FIGURES = [
  'wrap',
  'gather',
  'throw-out',
  'cross-over',
  'right-turn',
  'left-turn',
  'unwrap',
  'leaders-turn',
];

const root = fileURLToPath(new URL('..', import.meta.url));
const kills = Number(process.argv[2] ?? 200);
ensurePackages(root);
ensurePostgres();
await ensureBuilt(root);
const cluster = await startThrowawayCluster({ fast: false });
const failures = [];

let server = await startServer();
const clients = await Promise.all(Array.from({ length: CLIENTS }, (_, index) => openClient(index)));
const before = await clients[0].get('/api/courses/hustle-1');
await killRepeatedly();
await verify('after the kills');
await loseDatabase();
await verify('after the database was away');
await server.stop('SIGTERM');
cluster.remove();
for (const failure of failures) say(`WRONG: ${failure}`);
say(failures.length === 0 ? 'Nothing acknowledged was lost.' : `${failures.length} things are wrong.`);
process.exit(failures.length === 0 ? 0 : 1);

async function killRepeatedly() {
  for (let kill = 1; kill <= kills; kill += 1) {
    const end = Date.now() + LONGEST_STORM_MS;
    const enough = count('taps') + count('commands') + 1 + Math.random() * WRITES_A_KILL;
    const storm = clients.map(client => client.storm(end));
    while (count('taps') + count('commands') < enough && Date.now() < end)
      await new Promise(resolve => setTimeout(resolve, 3));
    await server.stop('SIGKILL');
    await Promise.all(storm);
    server = await startServer();
    if (kill % 20 === 0)
      say(`${kill} kills, ${count('taps')} taps and ${count('commands')} commands acknowledged`);
  }
}

async function loseDatabase() {
  const storm = clients.map(client => client.storm(Date.now() + AWAY_MS + 4000));
  await new Promise(resolve => setTimeout(resolve, 1000));
  cluster.stop();
  await new Promise(resolve => setTimeout(resolve, AWAY_MS));
  await startCluster(cluster.folder, { port: cluster.port });
  await Promise.all(storm);
  const refused = clients.flatMap(client => client.refused);
  const plain = refused.filter(
    ({ status, retry, code }) => status === 503 && retry && code === 'database-away',
  );
  say(
    `database away ${AWAY_MS / 1000} s: ${refused.length} requests refused, ${plain.length} of them with 503 and Retry-After`,
  );
  for (const odd of refused.filter(refusal => !plain.includes(refusal)))
    say(`not plain: ${JSON.stringify(odd)}`);
  if (plain.length === 0 || plain.length < refused.length)
    failures.push(`${refused.length - plain.length} refusals were not a plain 503`);
}

/** Every acknowledged write is there once, the history is whole, and no command is half done. */
async function verify(when) {
  const { logs } = await clients[0].get('/api/sections/hustle-1-monday');
  const stored = new Map();
  for (const { id } of logs) stored.set(id, (stored.get(id) ?? 0) + 1);
  const taps = clients.flatMap(client => client.taps);
  const lost = taps.filter(id => stored.get(id) !== 1);
  const history = await readHistory();
  const told = new Set(history.map(({ what }) => what));
  const commands = clients.flatMap(client => client.commands);
  const forgotten = commands.filter(what => !told.has(what));
  const { version, course } = await clients[0].get('/api/courses/hustle-1');
  const replayed = replay(history);
  const placed = Object.fromEntries(course.placed.map(({ pattern, lesson }) => [pattern, lesson]));
  say(`${when}: ${taps.length} taps acknowledged, ${lost.length} lost or doubled`);
  say(
    `${when}: ${commands.length} commands acknowledged, ${forgotten.length} not in the history of ${history.length}`,
  );
  if (lost.length) failures.push(`${when}: ${lost.length} taps lost or doubled`);
  if (forgotten.length) failures.push(`${when}: ${forgotten.length} commands forgotten`);
  if (version !== before.version + history.length)
    failures.push(`${when}: version ${version} after ${history.length} commands`);
  if (JSON.stringify(sorted(replayed)) !== JSON.stringify(sorted(placed)))
    failures.push(`${when}: the history does not lead to what stands`);
}

/** The whole history, which the API tells only in part. */
async function readHistory() {
  const { Client } = await import('pg').then(({ default: pg }) => pg);
  const client = new Client({ connectionString: cluster.url('postgres') });
  await client.connect();
  const { rows } = await client.query(
    "SELECT what, after FROM history WHERE aggregate = 'course' ORDER BY id",
  );
  await client.end();
  return rows;
}

function replay(history) {
  const placed = Object.fromEntries(before.course.placed.map(({ pattern, lesson }) => [pattern, lesson]));
  for (const { after } of history) Object.assign(placed, after);
  return placed;
}

function sorted(placed) {
  return Object.entries(placed).sort(([a], [b]) => (a < b ? -1 : 1));
}

function count(what) {
  return clients.reduce((sum, client) => sum + client[what].length, 0);
}

async function openClient(index) {
  const signIn = await request('/api/session/demo', { person: 'ottilie-marsh' }, { 'x-csrf-token': 'x' });
  const cookie = signIn.headers.get('set-cookie').split(';')[0];
  const { csrf } = await signIn.json();
  const headers = { cookie, 'x-csrf-token': csrf };
  const client = {
    taps: [],
    commands: [],
    refused: [],
    get,
    storm,
  };
  const figure = FIGURES[index];
  let sent = 0;

  async function storm(until) {
    while (Date.now() < until) {
      try {
        await (sent % 2 === 0 ? tap() : command());
        sent += 1;
      } catch {
        return;
      }
    }
  }

  /** Reads, and as a page does asks again while the server says to wait. */
  async function get(path) {
    for (;;) {
      const reply = await request(path, undefined, headers);
      if (reply.status !== 503) return reply.json();
      await new Promise(resolve => setTimeout(resolve, 500));
    }
  }

  async function tap() {
    const id = randomUUID();
    const log = { id, lesson: 5, pattern: figure, result: 'solid', at: new Date().toISOString() };
    const reply = await request('/api/sections/hustle-1-monday/logs', { logs: [log] }, headers);
    await note(reply, () => client.taps.push(id));
  }

  /** Each client moves a figure of its own, so that none of them clashes. */
  async function command() {
    const state = await request('/api/courses/hustle-1', undefined, headers);
    if (state.status !== 200) {
      await note(state, () => undefined);
      return;
    }
    const { course, version } = await state.json();
    const from = course.placed.find(({ pattern }) => pattern === figure).lesson;
    const why = `${figure} ${randomUUID()}`;
    const moves = [{ pattern: figure, from, to: (from % 7) + 1 }];
    const reply = await request(
      '/api/courses/hustle-1/commands',
      { seen: version, command: { kind: 'place', why, moves } },
      headers,
    );
    await note(reply, () => client.commands.push(why));
  }

  async function note(reply, onAcknowledged) {
    if (reply.status === 200) {
      await reply.arrayBuffer();
      onAcknowledged();
      return;
    }
    const { code, message } = await reply.json().catch(() => ({}));
    client.refused.push({ status: reply.status, retry: reply.headers.get('retry-after'), code, message });
    await new Promise(resolve => setTimeout(resolve, 200));
  }
  return client;
}

function request(path, body, headers) {
  return fetch(`http://127.0.0.1:${PORT}${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { ...headers, 'content-type': 'application/json' },
    ...(body !== undefined && { body: JSON.stringify(body) }),
  });
}

function startServer() {
  const settings = { SESSION_SECRET: 'the same for every start', LOG_LEVEL: 'fatal', PORT: String(PORT) };
  return startServerProcess(root, cluster.url('postgres'), settings);
}
