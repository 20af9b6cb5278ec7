import type { SignedInPerson } from '@map-step/contract';
import { useMemo, useSyncExternalStore } from 'react';
import { followOutbox, ownerOf, type WaitingEvent, waitingEvents } from './outbox.ts';

/** One's own entries that wait. */
export function useOutbox(person: SignedInPerson | null): readonly WaitingEvent[] {
  const all = useSyncExternalStore(followOutbox, waitingEvents);
  const owner = person ? ownerOf(person) : undefined;
  return useMemo(() => all.filter(entry => entry.owner === owner), [all, owner]);
}
