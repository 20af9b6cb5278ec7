import { randomBytes } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { openComputer } from './compute/computer.ts';
import { openChangeFeed } from './db/change-feed.ts';
import { openDatabase } from './db/database.ts';
import type { Deps } from './deps.ts';
import { describeError } from './faults/describe-error.ts';
import { loadDemo } from './features/studio/demo.ts';
import { HTTP_DEADLINES } from './http/loose-ends.ts';
import { type JobQueue, openJobQueue } from './jobs/job-queue.ts';

const env = process.env;
const databaseUrl = env.DATABASE_URL;
if (!databaseUrl) {
  process.stderr.write(
    'Set DATABASE_URL to a PostgreSQL database, or use npm start, which brings its own.\n',
  );
  process.exit(2);
}
const LAST_REQUESTS_MS = 1500;
const port = Number(env.PORT ?? 4170);
const logger = pino({ level: env.LOG_LEVEL ?? 'warn' });
const database = openDatabase(databaseUrl);
let jobs: JobQueue;
let secret: string;
try {
  await database.migrate();
  secret = env.SESSION_SECRET ?? (await database.shareSecret('session', randomBytes(32).toString('hex')));
  jobs = await openJobQueue({ databaseUrl, database, logger });
} catch (error) {
  giveUp(error);
}
const deps: Deps = {
  database,
  databaseUrl,
  computer: openComputer(),
  changes: openChangeFeed(databaseUrl),
  jobs,
  logger,
  now: () => new Date(),
  demo: env.MAPSTEP_DEMO === '1',
  founding: foundingOf(env.MAPSTEP_NEW_STUDIOS),
  secret,
  ...(env.MAPSTEP_TODAY && { today: env.MAPSTEP_TODAY }),
};

if (deps.demo && env.MAPSTEP_DEMO_FILE) await loadDemo(deps, env.MAPSTEP_DEMO_FILE).catch(giveUp);
/** Requests a second of one person. */
const personRate = Number(env.MAPSTEP_PERSON_RATE ?? 60);
const app = createApp(deps, {
  secure: env.BEHIND_TLS === '1',
  pages: env.MAPSTEP_PAGES ?? 'web/dist',
  signInLimit: 20,
  anonymousLimit: 600,
  crowdLimit: { all: 40, address: 10, session: personRate / 3 },
  personLimit: personRate,
  hosts: listOf(env.MAPSTEP_HOSTS),
  proxies: listOf(env.MAPSTEP_PROXIES ?? 'loopback'),
});
const server = createServer(HTTP_DEADLINES, app.express);
server.listen(port, env.MAPSTEP_BIND ?? '127.0.0.1', () => {
  const { port: open, address, family } = server.address() as AddressInfo;
  process.stdout.write(`Map Step is at http://${family === 'IPv6' ? `[${address}]` : address}:${open}\n`);
});
server.on('error', error => {
  process.stderr.write(`Cannot listen on port ${port}: ${error.message}. Set PORT to a free one.\n`);
  process.exit(1);
});

/** Who may found one more studio: nobody, unless it is said. */
function foundingOf(said = 'closed'): Deps['founding'] {
  if (said === 'open' || said === 'invitation' || said === 'closed') return said;
  process.stderr.write('MAPSTEP_NEW_STUDIOS is open, invitation or closed.\n');
  process.exit(2);
}

/** Names with commas between them. */
function listOf(names = ''): readonly string[] {
  return names.split(',').flatMap(name => name.trim().toLowerCase() || []);
}

function giveUp(error: unknown): never {
  logger.error({ fault: describeError(error) }, 'could not start');
  const reason = error instanceof Error ? error.message : 'for an unknown reason';
  process.stderr.write(
    `The database could not be prepared: ${reason || 'it does not answer'}. Check DATABASE_URL.\n`,
  );
  process.exit(1);
}

let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, stop);

/** Lets running requests end, cuts what only listens, then closes the database; once, whatever else tells it to. */
function stop(): void {
  if (isStopping) return;
  isStopping = true;
  server.close(async () => {
    await app.close();
    await jobs.close();
    await deps.computer.close();
    await deps.changes.close();
    await deps.database.close();
    process.exit(0);
  });
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), LAST_REQUESTS_MS).unref();
}
