import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { followChanges } from '../api/live.ts';
import { readAgain } from '../features/course/read-again.ts';

/** Reads again what others have changed, as long as somebody is signed in. */
export function useLiveChanges(isSignedIn: boolean): void {
  const client = useQueryClient();
  useEffect(
    () => (isSignedIn ? followChanges(change => readAgain(client, change)) : undefined),
    [client, isSignedIn],
  );
}
