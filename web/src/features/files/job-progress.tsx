import { chakra } from '@chakra-ui/react';
import type { JobAnswer } from '@map-step/contract';
import type { ReactNode } from 'react';
import { Advance } from '../../ui/advance.tsx';
import { Failure, Problems } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { isGoing, useJob } from './use-job.ts';

interface JobProgressProps {
  readonly id: string;
  /** What is shown when it is done. */
  done(result: NonNullable<JobAnswer['result']>): ReactNode;
}

/** Long work from its beginning to its end: progress and a way to stop it, then what came of it. */
export function JobProgress({ id, done }: JobProgressProps) {
  const { job, error, stop } = useJob(id);
  if (!job) return error ? <Failure error={error} /> : null;
  if (isGoing(job))
    return (
      <Notice tone="now" title={`${job.stage} …`}>
        <chakra.div display="flex" gap="3" alignItems="center" mt="1">
          <Advance label="Import" done={job.done} total={job.total} />
          <Label>{job.total > 0 ? `${job.done} of ${job.total} entries` : ''}</Label>
          <Button size="small" onClick={() => stop.mutate()} disabled={stop.isPending}>
            Stop
          </Button>
        </chakra.div>
      </Notice>
    );
  if (job.state === 'stopped') return <Notice tone="now" title="It was stopped. Nothing was changed." />;
  if (job.fault)
    return (
      <Notice tone="stop" title={job.fault.message}>
        <Problems problems={job.fault.problems} />
      </Notice>
    );
  return job.result ? done(job.result) : null;
}
