import type { JobAnswer } from '@map-step/contract';
import type { StudioScope } from '../../db/studio-scope.ts';
import type { Deps } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { route } from '../../http/route.ts';
import { jobStore } from '../../jobs/job-store.ts';

export const jobRoutes = [
  route('job.read', async (scope, { deps, params }) => {
    const job = await getJob(scope, params.job);
    await wake(deps, scope, job);
    return job;
  }),
  route('job.stop', async (scope, { params }) => {
    const { id } = await getJob(scope, params.job);
    await jobStore(scope).askToStop(id);
    return getJob(scope, id);
  }),
];

async function getJob(scope: StudioScope, id: string): Promise<JobAnswer> {
  const job = await jobStore(scope).find(id);
  if (!job) throw new HttpFault('not-found', 'There is no such work here.');
  return job;
}

/** Whoever looks at a job whose server has died puts it back into the queue. */
async function wake(deps: Deps, scope: StudioScope, { id, state }: JobAnswer): Promise<void> {
  if (state === 'running' && (await jobStore(scope).release(id))) await deps.jobs.send(scope);
}
