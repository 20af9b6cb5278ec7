import { chakra } from '@chakra-ui/react';
import type { FieldChange, Json } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { call } from '../../api/client.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button } from '../../ui/parts.tsx';
import { keys } from '../course/course-queries.ts';
import { JobProgress } from './job-progress.tsx';

/** Takes a whole import back, as long as nothing of it has been changed or used since. */
export function TakeBack({ job }: { job: string }) {
  const client = useQueryClient();
  const undo = useMutation({
    mutationFn: () => call('import.undo', { params: { job } }),
    onSuccess: answer => client.setQueryData(keys.job(answer.id), answer),
  });
  if (undo.data)
    return (
      <JobProgress
        id={undo.data.id}
        done={result =>
          'removed' in result && (
            <p>
              Taken back: {result.removed} removed, {result.restored} put back.
            </p>
          )
        }
      />
    );
  return (
    <>
      {undo.isError && <Failure error={undo.error} />}
      <Button mt="2" size="small" disabled={undo.isPending} onClick={() => undo.mutate()}>
        Take this whole import back
      </Button>
    </>
  );
}

interface ListProps {
  readonly title: string;
  readonly total: number;
  readonly shown: number;
  readonly children: ReactNode;
}

/** A part of what an import does, open while it is short. */
export function List({ title, total, shown, children }: ListProps) {
  return (
    <Disclosure
      title={
        <>
          {title}: {total}
          {shown < total && `, the first ${shown}`}
        </>
      }
      startsOpen={total <= 30}
    >
      <chakra.ul pl="5" fontSize="sm" maxH="16rem" overflowY="auto">
        {children}
      </chakra.ul>
    </Disclosure>
  );
}

/** `name from “Wrap” to “Harbour wrap”; minutes from nothing to 5`. */
export function changesInWords(fields: readonly FieldChange[]): string {
  return fields.map(({ field, from, to }) => `${field} from ${inWords(from)} to ${inWords(to)}`).join('; ');
}

function inWords(value: Json): string {
  if (value === null) return 'nothing';
  return typeof value === 'string' ? `“${value}”` : JSON.stringify(value);
}
