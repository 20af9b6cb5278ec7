import { randomUUID } from 'node:crypto';
import type { JobAnswer, JobFault, JobKind } from '@map-step/contract';
import { announce } from '../db/change-feed.ts';
import type { JobRow } from '../db/models.ts';
import type { StudioScope } from '../db/studio-scope.ts';

export interface JobProgress {
  readonly stage: string;
  readonly done: number;
  readonly total: number;
}

/** A run that has been silent for so long is taken to have died with its server. */
const SILENT_SECONDS = 15;

/** The state of long work: written on connections of its own, so that others see it while the work goes on. */
export function jobStore(scope: StudioScope) {
  return { ...jobEntries(scope), ...jobRuns(scope), ...jobStops(scope) };
}

const tellOf = (scope: StudioScope, id: string) => announce(scope, { topic: 'job', id });

function jobEntries(scope: StudioScope) {
  const { jobs } = scope.models;
  return {
    async add(id: string, kind: JobKind, person: string, input: string): Promise<void> {
      await jobs.create(
        { studioId: scope.studioId, id, kind, personId: person, input, state: 'waiting', stage: 'Waiting' },
        { transaction: scope.transaction },
      );
    },

    async find(id: string): Promise<JobAnswer | undefined> {
      const row = await jobs.findOne({ ...scope.where({ id }), attributes: { exclude: ['input'] } });
      return row ? answerOf(row) : undefined;
    },

    async readInput(id: string): Promise<string> {
      return (await jobs.findOne(scope.where({ id })))?.input ?? '';
    },
  };
}

function jobRuns(scope: StudioScope) {
  return {
    /**
     * Takes a job that waits and says which run of it this is. A studio has one job running at a time, so that those
     * of others do not wait for it: then this one is to wait. Undefined when there is nothing to do.
     */
    async begin(id: string): Promise<number | 'wait' | undefined> {
      // Two servers that ask at the same moment: the second sees what the first has begun.
      await scope.select("SELECT pg_advisory_xact_lock(hashtext('job ' || $1::text))", []);
      const [busy] = await scope.select(
        `SELECT id FROM jobs WHERE studio_id = $1 AND id <> $2 AND state = 'running'
           AND beat_at > now() - interval '${SILENT_SECONDS} seconds' LIMIT 1`,
        [id],
      );
      if (busy) return 'wait';
      const [row] = await scope.select<{ runs: number }>(
        `UPDATE jobs SET state = 'running', runs = runs + 1, beat_at = now()
         WHERE studio_id = $1 AND id = $2 AND state = 'waiting' AND NOT stop_asked RETURNING runs`,
        [id],
      );
      if (row) await tellOf(scope, id);
      return row?.runs;
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
           state = CASE state WHEN 'waiting' THEN 'stopped' ELSE state END
         WHERE studio_id = $1 AND id = $2 AND state IN ('waiting', 'running')`,
        [id],
      );
      await tellOf(scope, id);
    },

    /** Puts a job back whose server has died or is going; true when it has to be queued again. */
    async release(id: string, run?: number): Promise<boolean> {
      const silence = `beat_at < now() - interval '${SILENT_SECONDS} seconds'`;
      const rows = await scope.select(
        `UPDATE jobs SET state = 'waiting', stage = 'Waiting', done = 0
         WHERE studio_id = $1 AND id = $2 AND state = 'running'
           AND (runs = $3 OR ($3::integer IS NULL AND ${silence})) RETURNING id`,
        [id, run ?? null],
      );
      return rows.length > 0;
    },
  };
}

/** Makes a job and queues it, in the transaction of the scope. */
export async function queueJob(
  { jobs }: { jobs: { send(scope: StudioScope, job: string): Promise<void> } },
  scope: StudioScope,
  kind: JobKind,
  person: string,
  input: string,
): Promise<JobAnswer> {
  const id = randomUUID();
  const store = jobStore(scope);
  await store.add(id, kind, person, input);
  await jobs.send(scope, id);
  const job = await store.find(id);
  if (!job) throw new Error('a job that was just added is gone');
  return job;
}

function answerOf(row: JobRow): JobAnswer {
  const { id, kind, state, stage, done, total, personId, result, fault } = row;
  return { id, kind, state, stage, done, total, by: personId, result, fault };
}
