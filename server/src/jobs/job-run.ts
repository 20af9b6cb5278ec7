import { Worker } from 'node:worker_threads';
import type { JobFault } from '@map-step/contract';
import type { Logger } from 'pino';
import { builtThread } from '../built.ts';
import type { Database } from '../db/database.ts';
import { describeError } from '../faults/describe-error.ts';
import { type JobProgress, jobStore } from './job-store.ts';

/** What a thread is told. */
export interface RunOrder {
  readonly databaseUrl: string;
  readonly studio: string;
  readonly job: string;
  /** The how-manieth attempt this is: a run that was taken over can no longer end the job. */
  readonly run: number;
}

/** What a thread tells. */
export type RunMessage =
  | { readonly kind: 'progress'; readonly progress: JobProgress }
  | { readonly kind: 'fault'; readonly fault: JobFault };

const BEAT_MS = 250;
const DIED: JobFault = { message: 'This work ended unexpectedly. Nothing was changed; try again.' };
const LONGEST_MINUTES = 15;
const MOST_MEGABYTES = 512;
const SMALLER = 'Nothing was changed; send it in smaller parts.';

/**
 * Runs a job in a thread of its own, so that requests go on meanwhile. A stop ends the thread, and with its
 * connection its transaction: nothing half is left. False when the server is closing and another must do it.
 */
export async function startRun(
  order: RunOrder & { database: Database; logger: Logger },
  closing: AbortSignal,
): Promise<boolean> {
  const { database, logger, ...told } = order;
  const { studio, job, run } = told;
  const inJob = <Answer>(work: (store: ReturnType<typeof jobStore>) => Promise<Answer>) =>
    database.inStudio(studio, scope => work(jobStore(scope)));
  const thread = new Worker(builtThread('job-thread'), {
    workerData: told,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEGABYTES, maxYoungGenerationSizeMb: 16 },
  });
  let progress: JobProgress = { stage: 'Starting', done: 0, total: 0 };
  let fault: JobFault | undefined;
  thread.on('message', (message: RunMessage) => {
    if (message.kind === 'progress') progress = message.progress;
    else fault = message.fault;
  });
  thread.on('error', error => {
    logger.error({ fault: describeError(error), job }, 'a job died');
    fault ??=
      'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY'
        ? { message: `This file needs more than the ${MOST_MEGABYTES} MB that one may take. ${SMALLER}` }
        : DIED;
  });
  const overdue = setTimeout(() => {
    fault = { message: `This took longer than ${LONGEST_MINUTES} minutes and was given up. ${SMALLER}` };
    void thread.terminate();
  }, LONGEST_MINUTES * 60_000);
  const ended = new Promise<number>(resolve => thread.once('exit', resolve));
  const leave = () => void thread.terminate();
  if (closing.aborted) leave();
  else closing.addEventListener('abort', leave, { once: true });
  let isBeating = false;
  const beat = setInterval(async () => {
    if (isBeating) return;
    isBeating = true;
    const goesOn = await inJob(store => store.beat(job, run, progress)).catch(() => true);
    if (!goesOn) await thread.terminate();
    isBeating = false;
  }, BEAT_MS);
  const code = await ended;
  clearInterval(beat);
  clearTimeout(overdue);
  closing.removeEventListener('abort', leave);
  if (closing.aborted && code !== 0) return false;
  if (fault || code !== 0)
    await inJob(async store => {
      await store.markStopped(job);
      await store.fail(job, run, fault ?? DIED);
    });
  return true;
}
