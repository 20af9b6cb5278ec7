import type { ImportResult, JobAnswer, TableResult } from '@map-step/contract';
import { readDocument, type StudioDocument } from '@map-step/core';
import { expect, vi } from 'vitest';
import type { TestPerson } from './test-server.ts';

/** What an import of a file came to. */
export function fileResult({ result, fault }: JobAnswer): ImportResult {
  if (!result || !('changedCount' in result)) throw new Error(fault?.message ?? 'this was not a file');
  return result;
}

/** What an import of a table came to. */
export function tableResult({ result, fault }: JobAnswer): TableResult {
  if (!result || !('totals' in result)) throw new Error(fault?.message ?? 'this was not a table');
  return result;
}

/** Takes an import back as its director does, and waits for it; the fault where it cannot be. */
export async function undoImport(director: TestPerson, import_: string): Promise<JobAnswer> {
  const { body } = await director.call('import.undo', { params: { job: import_ } });
  return waitForJob(director, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
}

/** The whole studio as its director takes it home. */
export async function exportStudio(director: TestPerson): Promise<StudioDocument> {
  const read = readDocument((await director.call('studio.export')).body);
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value;
}

/** Imports a file as its director does and waits until that has ended, well or not. */
export async function runImport(director: TestPerson, text: string): Promise<JobAnswer> {
  const { status, body } = await director.call('studio.import', { text });
  expect(status).toBe(200);
  return waitForJob(director, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
}

export async function waitForJob(
  director: TestPerson,
  id: string,
  isSo: (job: JobAnswer) => boolean,
): Promise<JobAnswer> {
  return vi.waitFor(
    async () => {
      const { body } = await director.call('job.read', { params: { job: id } });
      if (!isSo(body)) throw new Error(`the job is ${body.state}, ${body.stage}`);
      return body;
    },
    { timeout: 180_000, interval: 50 },
  );
}
