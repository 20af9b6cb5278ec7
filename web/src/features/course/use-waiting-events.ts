import type { CheckAnswer, SectionAnswer, SentEvent, SignedInPerson } from '@map-step/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { keepEvent, ownerOf, sendWaiting, type WaitingEvent } from '../../api/outbox.ts';
import { useOutbox } from '../../api/use-outbox.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { keys, sectionQuery } from './course-queries.ts';
import { withWaiting } from './with-waiting.ts';

/** The class with what this person has put down but the server has not got yet. */
export function useWaitingEvents(me: SignedInPerson | null, stored: SectionAnswer | undefined) {
  const client = useQueryClient();
  const id = stored?.section.id;
  const calls = useMemo(
    () => ({
      onSent: (event: WaitingEvent) => {
        const by = me?.id ?? '';
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
    }),
    [client, me],
  );
  const all = useOutbox(me, calls);
  const waiting = useMemo(() => all.filter(event => event.section === id), [all, id]);
  const section = useMemo(() => stored && me && withWaiting(stored, waiting, me.id), [stored, waiting, me]);
  const keep = useCallback(
    (event: SentEvent) => {
      if (!me || !id) return;
      const owner = ownerOf(me);
      void keepEvent({ owner, section: id, ...event }).then(() => sendWaiting(owner, calls));
    },
    [me, id, calls],
  );
  return { waiting, keep, section: section ?? undefined };
}
