import type { ImportResult, JobAnswer } from '@map-step/contract';
import { expect, vi } from 'vitest';
import type { TestPerson } from './test-server.ts';

/** Imports a file as its director does and waits until that has ended, well or not. */
export async function runImport(director: TestPerson, text: string): Promise<JobAnswer<ImportResult>> {
  const { status, body } = await director.call<JobAnswer>('studio.import', { text });
  expect(status).toBe(200);
  return waitForJob(director, body.id, ({ state }) => state !== 'waiting' && state !== 'running');
}

export async function waitForJob<Result = ImportResult>(
  director: TestPerson,
  id: string,
  isSo: (job: JobAnswer<Result>) => boolean,
): Promise<JobAnswer<Result>> {
  return vi.waitFor(
    async () => {
      const { body } = await director.call<JobAnswer<Result>>('job.read', { params: { job: id } });
      if (!isSo(body)) throw new Error(`the job is ${body.state}, ${body.stage}`);
      return body;
    },
    { timeout: 100_000, interval: 50 },
  );
}
