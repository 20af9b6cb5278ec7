import type { SignedInPerson } from '@map-step/contract';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { followOutbox, ownerOf, sendWaiting, type WaitingLog, waitingLogs } from './outbox.ts';

/** One's own entries that wait, sent again when the connection or the page comes back. */
export function useOutbox(
  person: SignedInPerson | null,
  onSent: (entry: WaitingLog) => void,
): readonly WaitingLog[] {
  const all = useSyncExternalStore(followOutbox, waitingLogs);
  const owner = person ? ownerOf(person) : undefined;
  useEffect(() => {
    if (!owner) return;
    const send = () => void sendWaiting(owner, onSent);
    send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, [owner, onSent]);
  return useMemo(() => all.filter(entry => entry.owner === owner), [all, owner]);
}
