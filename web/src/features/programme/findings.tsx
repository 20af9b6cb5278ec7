import { chakra } from '@chakra-ui/react';
import type { FindingsAnswer } from '@map-step/contract';
import { takeMend } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { commandsOn } from '../../api/commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { courseAggregate } from '../course/course-commands.ts';
import { sessionQuery } from '../session/session-queries.ts';

type Finding = FindingsAnswer['findings'][number];
type Mend = NonNullable<Finding['mend']>;

/** What hurts in the levels of a dance, each with the change that would mend it, taken with one key. */
export function Findings({ dance, findings }: { dance: string; findings: readonly Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <Disclosure title={`Worth a look in ${dance}: ${findings.length}`} size="small">
      <chakra.ul listStyleType="none" p="0" display="grid" gap="2">
        {findings.map(({ code, level, message, mend }) => (
          <chakra.li key={`${code} ${level} ${message}`} display="grid" gap="1" justifyItems="start">
            <span>{message}.</span>
            {mend && <TakeMend mend={mend} level={level} />}
          </chakra.li>
        ))}
      </chakra.ul>
    </Disclosure>
  );
}

function TakeMend({ mend, level }: { mend: Mend; level: string }) {
  const take = useTakeMend(mend, level);
  const costs = mend.costs.map(
    ({ level: of, before, after }) => `${of} then takes ${after} min instead of ${before}`,
  );
  if (take.isSuccess)
    return (
      <Label role="status">
        Changed, and seen by nobody until it is published:{' '}
        {mend.courses.map(({ id, name }, index) => (
          <span key={id}>
            {index > 0 && ', '}
            <Link to={`/courses/${id}/map`}>{name}</Link>
          </span>
        ))}
        .
      </Label>
    );
  return (
    <chakra.span display="flex" gap="2" alignItems="center" flexWrap="wrap">
      <Button size="small" disabled={take.isPending} onClick={() => take.mutate()}>
        {mend.words}
      </Button>
      <Label>{costs.join('; ')}</Label>
      {take.isError && <Failure error={take.error} />}
    </chakra.span>
  );
}

/** Changes the drafts of the courses; what their teachers follow stays. */
function useTakeMend({ change, courses, words }: Mend, level: string) {
  const client = useQueryClient();
  const { data: session } = useQuery(sessionQuery);
  return useMutation({
    mutationFn: async () => {
      for (const { id } of courses) {
        const aggregate = courseAggregate(id);
        await client.fetchQuery({ queryKey: aggregate.key, queryFn: aggregate.read });
        commandsOn(client, aggregate, session?.person?.id ?? '').edit(words, now =>
          takeMend(now, change, level),
        );
      }
    },
  });
}
