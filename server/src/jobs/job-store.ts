import { randomUUID } from 'node:crypto';
import type { JobAnswer, JobFault, JobKind } from '@map-step/contract';
import { announce } from '../db/change-feed.ts';
import type { Database } from '../db/database.ts';
import type { JobRow, JobTerms } from '../db/models.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { HttpFault } from '../faults/http-fault.ts';

export interface JobProgress {
  readonly stage: string;
  readonly done: number;
  readonly total: number;
}

/** A run that has been silent for so long is taken to have died with its server. */
const SILENT = `beat_at < now() - interval '15 seconds'`;
/** Files of one studio that wait or are worked on. */
const MOST_WAITING = 5;
/** What a file did is told for so long; then nothing of it is kept but what it brought in. */
const KEPT_DAYS = 7;

export interface NewJob {
  readonly kind: JobKind;
  readonly person: string;
  readonly input: string | Uint8Array;
  readonly terms?: JobTerms;
}

/** The state of long work: written on connections of its own, so that others see it while the work goes on. */
export function jobStore(scope: StudioScope) {
  return { ...jobEntries(scope), ...jobRuns(scope), ...jobStops(scope) };
}

const tellOf = (scope: StudioScope, id: string) => announce(scope, { topic: 'job', id });

function jobEntries(scope: StudioScope) {
  const { jobs } = scope.models;
  return {
    /** Refused when too many wait already. */
    async add(id: string, { kind, person, input, terms }: NewJob): Promise<void> {
      await lockJobs(scope);
      const waiting = await jobs.count(scope.where({ state: ['waiting', 'running'] }));
      if (waiting >= MOST_WAITING)
        throw new HttpFault(
          'too-many',
          `${MOST_WAITING} files of this studio are waiting already. Wait until one is through, or stop one.`,
        );
      await scope.select(
        `INSERT INTO jobs (studio_id, id, kind, person_id, input, terms, stage)
         VALUES ($1, $2, $3, $4, $5::bytea, $6::jsonb, 'Waiting') RETURNING id`,
        [
          id,
          kind,
          person,
          typeof input === 'string' ? Buffer.from(input) : input,
          terms ? JSON.stringify(terms) : null,
        ],
      );
    },

    async isAnyWaiting(): Promise<boolean> {
      return (await jobs.count(scope.where({ state: 'waiting' }))) > 0;
    },

    async find(id: string): Promise<JobAnswer | undefined> {
      const row = await jobs.findOne({ ...scope.where({ id }), attributes: { exclude: ['input', 'terms'] } });
      return row ? answerOf(row) : undefined;
    },

    async readInput(id: string): Promise<{ readonly text: string; readonly terms: JobTerms }> {
      const row = await jobs.findOne(scope.where({ id }));
      return { text: row?.input?.toString('utf8') ?? '', terms: row?.terms ?? {} };
    },
  };
}

function jobRuns(scope: StudioScope) {
  return {
    /**
     * Takes the oldest job that waits and says which run of it this is. A studio has one job running at a time: then this
     * one is to wait. Undefined when there is nothing to do.
     */
    async beginNext(): Promise<{ readonly job: string; readonly run: number } | 'wait' | undefined> {
      // Two servers that ask at the same moment: the second sees what the first has begun.
      await lockJobs(scope);
      await scope.select(
        `UPDATE jobs SET state = 'waiting', stage = 'Waiting', done = 0
         WHERE studio_id = $1 AND state = 'running' AND NOT stop_asked AND ${SILENT} RETURNING id`,
      );
      await scope.select(
        `UPDATE jobs SET state = 'stopped', input = NULL
         WHERE studio_id = $1 AND stop_asked AND (state = 'waiting' OR state = 'running' AND ${SILENT}) RETURNING id`,
      );
      const [busy] = await scope.select(
        `SELECT id FROM jobs WHERE studio_id = $1 AND state = 'running' LIMIT 1`,
      );
      if (busy) return 'wait';
      const [row] = await scope.select<{ id: string; runs: number }>(
        `UPDATE jobs SET state = 'running', runs = runs + 1, beat_at = now()
         WHERE studio_id = $1 AND id = (SELECT id FROM jobs WHERE studio_id = $1 AND state = 'waiting'
           ORDER BY created_at, id LIMIT 1) RETURNING id, runs`,
      );
      if (!row) return undefined;
      await tellOf(scope, row.id);
      return { job: row.id, run: row.runs };
    },

    /** Notes how far a run is, and says whether it goes on: nobody stopped it or took it over. */
    async beat(id: string, run: number, { stage, done, total }: JobProgress): Promise<boolean> {
      const [row] = await scope.select<{ goes_on: boolean }>(
        `UPDATE jobs SET stage = $4, done = $5, total = $6, beat_at = now()
         WHERE studio_id = $1 AND id = $2 AND runs = $3 AND state = 'running'
         RETURNING NOT stop_asked AS goes_on`,
        [id, run, stage, done, total],
      );
      await tellOf(scope, id);
      return row?.goes_on ?? false;
    },

    /**
     * Ends a run in the transaction of its work: false when it was stopped or is not the run that counts, and
     * then the work must not be kept.
     */
    async finish(id: string, run: number, result: JobAnswer['result']): Promise<boolean> {
      return end(id, run, `state = 'done', result = $4::jsonb`, JSON.stringify(result));
    },

    async fail(id: string, run: number, fault: JobFault): Promise<boolean> {
      return end(id, run, `state = 'failed', fault = $4::jsonb`, JSON.stringify(fault));
    },
  };

  async function end(id: string, run: number, state: string, value: string): Promise<boolean> {
    const rows = await scope.select(
      `UPDATE jobs SET ${state}, input = NULL
       WHERE studio_id = $1 AND id = $2 AND runs = $3 AND state = 'running' AND NOT stop_asked RETURNING id`,
      [id, run, value],
    );
    await tellOf(scope, id);
    return rows.length > 0;
  }
}

function jobStops(scope: StudioScope) {
  return {
    /** Ends a run that was told to stop, or a job that has not begun. */
    async markStopped(id: string): Promise<void> {
      await scope.select(
        `UPDATE jobs SET state = 'stopped', input = NULL
         WHERE studio_id = $1 AND id = $2 AND stop_asked AND state IN ('waiting', 'running')`,
        [id],
      );
      await tellOf(scope, id);
    },

    async askToStop(id: string): Promise<void> {
      await scope.select(
        `UPDATE jobs SET stop_asked = true,
           state = CASE state WHEN 'waiting' THEN 'stopped' ELSE state END,
           input = CASE state WHEN 'waiting' THEN NULL ELSE input END
         WHERE studio_id = $1 AND id = $2 AND state IN ('waiting', 'running')`,
        [id],
      );
      await tellOf(scope, id);
    },

    /** Puts a job back whose server has died or is going; true when it has to be queued again. */
    async release(id: string, run?: number): Promise<boolean> {
      const rows = await scope.select(
        `UPDATE jobs SET state = 'waiting', stage = 'Waiting', done = 0
         WHERE studio_id = $1 AND id = $2 AND state = 'running'
           AND (runs = $3 OR ($3::integer IS NULL AND ${SILENT})) RETURNING id`,
        [id, run ?? null],
      );
      return rows.length > 0;
    },
  };
}

/** Makes a job and queues it, in the transaction of the scope. */
export async function queueJob(
  { jobs }: { jobs: { send(scope: StudioScope): Promise<void> } },
  scope: StudioScope,
  order: NewJob,
): Promise<JobAnswer> {
  const id = randomUUID();
  const store = jobStore(scope);
  await store.add(id, order);
  await jobs.send(scope);
  const job = await store.find(id);
  if (!job) throw new Error('a job that was just added is gone');
  return job;
}

/** Whoever adds a job of a studio, or begins one, waits for who does at the same moment. */
async function lockJobs(scope: StudioScope): Promise<void> {
  await scope.select("SELECT pg_advisory_xact_lock(hashtext('job ' || $1::text))");
}

/** Studios for which something waits, or ran on a server that may have died. */
export async function listStudiosWithJobs(database: Database): Promise<readonly string[]> {
  const rows = await database.select<{ studio_id: string }>(
    `SELECT DISTINCT studio_id FROM jobs WHERE state IN ('waiting', 'running')`,
    [],
  );
  return rows.map(({ studio_id }) => studio_id);
}

/** Files and what they did are not kept for ever. */
export async function expireJobs(database: Database): Promise<void> {
  await database.select(
    `DELETE FROM jobs WHERE created_at < now() - $1 * interval '1 day'
       AND NOT (state = 'running' AND NOT ${SILENT}) RETURNING id`,
    [KEPT_DAYS],
  );
}

function answerOf(row: JobRow): JobAnswer {
  const { id, kind, state, stage, done, total, personId, result, fault } = row;
  return { id, kind, state, stage, done, total, by: personId, result, fault };
}
