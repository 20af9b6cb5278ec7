// The thread of one job: it has a connection of its own, works in one transaction, and tells how far it is.
import { parentPort, workerData } from 'node:worker_threads';
import { EVERYTHING, type JobAnswer, type TableOrder } from '@map-step/contract';
import { announce } from './db/change-feed.ts';
import { openDatabase } from './db/database.ts';
import type { StudioScope } from './db/studio-scope.ts';
import { HttpFault } from './faults/http-fault.ts';
import { importDocument, readImport } from './features/studio/import-service.ts';
import { importTable } from './features/studio/import-table.ts';
import { toFault } from './http/errors.ts';
import type { RunMessage, RunOrder } from './jobs/job-run.ts';
import { jobStore } from './jobs/job-store.ts';

const { databaseUrl, studio, job, run } = workerData as RunOrder;
const tell = (message: RunMessage) => parentPort?.postMessage(message);
const progress = (stage: string, done = 0, total = 0) =>
  tell({ kind: 'progress', progress: { stage, done, total } });

const database = openDatabase(databaseUrl, 1);
try {
  progress('Reading the file');
  const { text, found } = await database.inStudio(studio, async scope => ({
    text: await jobStore(scope).readInput(job),
    found: await jobStore(scope).find(job),
  }));
  const work = prepare(text, found);
  await database.inStudio(studio, async scope => {
    const result = await work(scope);
    if (!(await jobStore(scope).finish(job, run, result)))
      throw new HttpFault('conflict', 'This import was stopped. Nothing was imported.');
    await announce(scope, EVERYTHING);
  });
} catch (error) {
  const { message, details } = toFault(error);
  tell({ kind: 'fault', fault: { message, ...(details.problems && { problems: details.problems }) } });
} finally {
  await database.close();
}

/** What can be read before the transaction is read here; the rest works inside it. */
function prepare(
  text: string,
  found: JobAnswer | undefined,
): (scope: StudioScope) => Promise<JobAnswer['result']> {
  const order = { job, person: found?.by ?? '', tell: progress };
  if (found?.kind === 'table') {
    const table = JSON.parse(text) as TableOrder;
    return scope => importTable(scope, table, order);
  }
  const document = readImport(text);
  const mode = found?.kind === 'import-preview' ? 'preview' : found?.kind === 'import-take' ? 'take' : 'add';
  return scope => importDocument(scope, document, { ...order, mode });
}
