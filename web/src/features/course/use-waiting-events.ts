import type { SectionAnswer, SentEvent, SignedInPerson } from '@map-step/contract';
import { useCallback, useMemo } from 'react';
import { keepEvent, ownerOf } from '../../api/outbox.ts';
import { useOutbox } from '../../api/use-outbox.ts';
import { withWaiting } from './with-waiting.ts';

/** The class with what this person has put down but the server has not got yet. */
export function useWaitingEvents(me: SignedInPerson | null, stored: SectionAnswer | undefined) {
  const id = stored?.section.id;
  const all = useOutbox(me);
  const waiting = useMemo(() => all.filter(event => event.section === id), [all, id]);
  const section = useMemo(() => stored && me && withWaiting(stored, waiting, me.id), [stored, waiting, me]);
  const keep = useCallback(
    (event: SentEvent) => {
      if (me && id) void keepEvent({ owner: ownerOf(me), section: id, ...event });
    },
    [me, id],
  );
  return { waiting, keep, section: section ?? undefined };
}
