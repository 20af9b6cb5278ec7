import type { SignedInPerson } from '@map-step/contract';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import {
  followOutbox,
  type OutboxCalls,
  ownerOf,
  sendWaiting,
  stopSending,
  type WaitingEvent,
  waitingEvents,
} from './outbox.ts';

/** One's own entries that wait, sent again when the connection or the page comes back. */
export function useOutbox(person: SignedInPerson | null, calls: OutboxCalls): readonly WaitingEvent[] {
  const all = useSyncExternalStore(followOutbox, waitingEvents);
  const owner = person ? ownerOf(person) : undefined;
  useEffect(() => {
    if (!owner) return;
    const send = () => void sendWaiting(owner, calls);
    send();
    window.addEventListener('online', send);
    return () => {
      window.removeEventListener('online', send);
      stopSending();
    };
  }, [owner, calls]);
  return useMemo(() => all.filter(entry => entry.owner === owner), [all, owner]);
}
