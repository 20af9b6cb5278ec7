import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { JOB_QUEUE } from '../db/job-tables.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { describeError } from '../faults/describe-error.ts';
import { startRun } from './job-run.ts';
import { expireJobs, jobStore, listStudiosWithJobs } from './job-store.ts';

/** A studio that has something to be done. */
interface Ticket {
  readonly studio: string;
}

/** Any server puts studios in, any server takes them out; PostgreSQL gives each to one. */
export interface JobQueue {
  /** Has the jobs of a studio done, once the transaction that made one is over; a studio stands in the queue once. */
  send(scope: StudioScope): Promise<void>;
  /** Lets what runs here go back into the queue for another server. */
  close(): Promise<void>;
}

const POLL_SECONDS = 0.5;
/** Jobs that one server runs at a time, each of another studio. */
const AT_ONCE = 2;
const WAIT_SECONDS = 1;
const LONGEST_SECONDS = 3600;
const CLEAN_MS = 3_600_000;

export interface JobQueueOptions {
  readonly databaseUrl: string;
  readonly database: Database;
  readonly logger: Logger;
}

export async function openJobQueue(options: JobQueueOptions): Promise<JobQueue> {
  const { databaseUrl, database, logger } = options;
  const boss = new PgBoss({ connectionString: databaseUrl, max: AT_ONCE, schedule: false, migrate: false });
  const closing = new AbortController();
  boss.on('error', error => logger.warn({ fault: describeError(error) }, 'the job queue'));
  await boss.start();

  const send = async (scope: StudioScope, startAfter = 0): Promise<void> => {
    const ticket: Ticket = { studio: scope.studioId };
    const db = {
      executeSql: async (sql: string, values: unknown[]) => ({
        rows: await scope.run(
          sql,
          values.map(value => value ?? null),
        ),
      }),
    };
    await boss.send(JOB_QUEUE, ticket, {
      db,
      singletonKey: scope.studioId,
      retryLimit: 0,
      expireInSeconds: LONGEST_SECONDS,
      ...(startAfter > 0 && { startAfter }),
    });
  };

  const work = async ({ studio }: Ticket): Promise<void> => {
    const begun = await database.inStudio(studio, async scope => {
      const next = await jobStore(scope).beginNext();
      if (next === 'wait') await send(scope, WAIT_SECONDS);
      return next;
    });
    if (begun === undefined || begun === 'wait') return;
    const isOver = await startRun({ databaseUrl, database, logger, studio, ...begun }, closing.signal);
    await database.inStudio(studio, async scope => {
      if (!isOver) await jobStore(scope).release(begun.job, begun.run);
      if (await jobStore(scope).isAnyWaiting()) await send(scope);
    });
  };
  for (let worker = 0; worker < AT_ONCE; worker += 1)
    await boss.work<Ticket>(JOB_QUEUE, { pollingIntervalSeconds: POLL_SECONDS }, async ([ticket]) => {
      if (ticket) await work(ticket.data);
    });

  // What a server that died has left.
  for (const studio of await listStudiosWithJobs(database))
    await database.inStudio(studio, scope => send(scope));
  const clean = () =>
    expireJobs(database).catch(error => logger.warn({ fault: describeError(error) }, 'old jobs'));
  await clean();
  const cleaning = setInterval(clean, CLEAN_MS);
  cleaning.unref();

  return {
    send,
    async close() {
      clearInterval(cleaning);
      closing.abort();
      await boss.stop({ graceful: true, wait: true, timeout: 5000 });
    },
  };
}
