// The thread of one job: it has a connection of its own, works in one transaction, and tells how far it is.
import { parentPort, workerData } from 'node:worker_threads';
import { EVERYTHING, type JobAnswer, readTableOrder } from '@map-step/contract';
import { isBrokenText } from '@map-step/core';
import { announce } from './db/change-feed.ts';
import { openDatabase } from './db/database.ts';
import type { JobTerms } from './db/models.ts';
import type { StudioScope } from './db/studio-scope.ts';
import { HttpFault } from './faults/http-fault.ts';
import { undoImport } from './features/studio/import-plan.ts';
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
  const { input, found } = await database.inStudio(studio, async scope => ({
    input: await jobStore(scope).readInput(job),
    found: await jobStore(scope).find(job),
  }));
  const work = prepare(input, found);
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
  { text, terms }: { readonly text: string; readonly terms: JobTerms },
  found: JobAnswer | undefined,
): (scope: StudioScope) => Promise<JobAnswer['result']> {
  if (isBrokenText(text))
    throw new HttpFault('unusable-file', 'The file holds NUL characters. Save it as UTF-8 text.');
  const order = { job, person: found?.by ?? '', tell: progress };
  if (found?.kind === 'import-undo') return scope => undoImport(scope, text, order.person);
  if (found?.kind === 'table') {
    const table = readTableOrder(text);
    if (!table.ok)
      throw new HttpFault('unusable-file', 'This table cannot be read. Nothing was imported.', {
        problems: table.fault,
      });
    return scope => importTable(scope, table.value, order);
  }
  const document = readImport(text);
  const mode = found?.kind === 'import-preview' ? 'preview' : found?.kind === 'import-take' ? 'take' : 'add';
  return scope => importDocument(scope, document, { ...order, mode, others: terms.others ?? [] });
}
