import type { JobAnswer } from '@map-step/contract';
import { useMutation, useQuery } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from '../course/course-queries.ts';

const LOOK_AGAIN_MS = 1000;

/** Long work: how far it is, and how to stop it. It goes on when this page is closed. */
export function useJob(id: string) {
  const { data: job, error } = useQuery({
    queryKey: keys.job(id),
    queryFn: () => call('job.read', { params: { job: id } }),
    refetchInterval: query => (isGoing(query.state.data) ? LOOK_AGAIN_MS : false),
  });
  const stop = useMutation({ mutationFn: () => call('job.stop', { params: { job: id } }) });
  return { job, error, stop };
}

export function isGoing(job: JobAnswer | undefined): boolean {
  return job?.state === 'waiting' || job?.state === 'running';
}
