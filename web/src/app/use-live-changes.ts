import type { Change } from '@map-step/contract';
import { type QueryClient, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { followChanges } from '../api/live.ts';
import { changedKeys, readAfterSaving } from '../features/course/course-queries.ts';
import { sessionQuery } from '../features/session/session-queries.ts';

/** Reads again what others have changed, as long as somebody is signed in. */
export function useLiveChanges(isSignedIn: boolean): void {
  const client = useQueryClient();
  useEffect(
    () => (isSignedIn ? followChanges(change => readAgain(client, change)) : undefined),
    [client, isSignedIn],
  );
}

function readAgain(client: QueryClient, change: Change): void {
  if (change.topic === 'everything') {
    const others = ({ queryKey }: { queryKey: readonly unknown[] }) =>
      queryKey[0] !== sessionQuery.queryKey[0];
    void client.invalidateQueries({ predicate: others });
    return;
  }
  if (change.topic === 'course' && readAfterSaving(client, change.id)) return;
  for (const queryKey of changedKeys(change)) void client.invalidateQueries({ queryKey });
}
