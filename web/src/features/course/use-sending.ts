import type { CheckAnswer, SignedInPerson } from '@map-step/contract';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { type OutboxCalls, ownerOf, sendFor } from '../../api/outbox.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { keys, sectionQuery } from './course-queries.ts';
import { withWaiting } from './with-waiting.ts';

/** What waits of the person who is signed in is sent, whatever page they are on. */
export function useSending(me: SignedInPerson | null): void {
  const client = useQueryClient();
  const by = me?.id;
  const owner = me ? ownerOf(me) : undefined;
  useEffect(() => (by && owner ? sendFor(owner, callsOf(client, by)) : undefined), [client, by, owner]);
}

/** What has arrived stands among what is known before it is forgotten as waiting. */
function callsOf(client: QueryClient, by: string): OutboxCalls {
  return {
    onSent(event) {
      if (event.kind === 'mark')
        client.setQueryData<CheckAnswer>(
          keys.check(event.section, event.check),
          answer => answer && { ...answer, body: withWaiting(answer.body, [event], by) },
        );
      client.setQueryData(
        sectionQuery(event.section).queryKey,
        answer => answer && withWaiting(answer, [event], by),
      );
    },
    onSessionLost: () => void client.invalidateQueries({ queryKey: sessionQuery.queryKey }),
  };
}
