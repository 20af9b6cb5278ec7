import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { JOB_QUEUE } from '../db/job-tables.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { describeError } from '../faults/describe-error.ts';
import { startRun } from './job-run.ts';
import { jobStore } from './job-store.ts';

interface Ticket {
  readonly studio: string;
  readonly job: string;
}

/** Any server puts jobs in, any server takes them out; PostgreSQL gives each to one. */
export interface JobQueue {
  /** Queues a job in the transaction that made it. */
  send(scope: StudioScope, job: string): Promise<void>;
  /** Lets what runs here go back into the queue for another server. */
  close(): Promise<void>;
}

const POLL_SECONDS = 0.5;
/** Jobs that one server runs at a time, each of another studio. */
const AT_ONCE = 4;
const WAIT_SECONDS = 1;
const LONGEST_SECONDS = 3600;

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

  const send = async (scope: StudioScope, job: string, startAfter = 0): Promise<void> => {
    const ticket: Ticket = { studio: scope.studioId, job };
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
      retryLimit: 0,
      expireInSeconds: LONGEST_SECONDS,
      ...(startAfter > 0 && { startAfter }),
    });
  };

  const work = async (ticket: Ticket): Promise<void> => {
    const { studio, job } = ticket;
    const run = await database.inStudio(studio, async scope => {
      const begun = await jobStore(scope).begin(job);
      if (begun !== 'wait') return begun;
      await send(scope, job, WAIT_SECONDS);
      return undefined;
    });
    if (run === undefined) return;
    const isOver = await startRun({ databaseUrl, database, logger, studio, job, run }, closing.signal);
    if (isOver) return;
    await database.inStudio(studio, async scope => {
      if (await jobStore(scope).release(job, run)) await send(scope, job);
    });
  };
  for (let worker = 0; worker < AT_ONCE; worker += 1)
    await boss.work<Ticket>(JOB_QUEUE, { pollingIntervalSeconds: POLL_SECONDS }, async ([ticket]) => {
      if (ticket) await work(ticket.data);
    });

  return {
    send,
    async close() {
      closing.abort();
      await boss.stop({ graceful: true, wait: true, timeout: 5000 });
    },
  };
}
