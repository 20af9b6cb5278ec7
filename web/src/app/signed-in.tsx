import { chakra } from '@chakra-ui/react';
import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { Outlet } from 'react-router';
import { sessionQuery } from '../features/session/session-queries.ts';
import { SignInPage } from '../features/session/sign-in-page.tsx';
import { Failure } from '../ui/failure.tsx';
import { Skeleton } from '../ui/parts.tsx';
import { LeftOutRows } from './left-out.tsx';
import { useLiveChanges } from './use-live-changes.ts';

/** Everything behind it is for people who are signed in; the address stays, so that they land where they meant to. */
export function SignedIn() {
  const client = useQueryClient();
  const session = useQuery(sessionQuery);
  useLiveChanges(Boolean(session.data?.person));
  const reason = session.error ?? session.failureReason;
  if (!session.data)
    return (
      <chakra.main p="6">
        {reason ? <Failure error={reason} retry={() => void session.refetch()} /> : <Skeleton lines={8} />}
      </chakra.main>
    );
  if (!session.data.person) return <SignInPage session={session.data} />;
  return (
    <>
      {reason && (
        <Failure error={reason} retry={() => void session.refetch()}>
          <p>It was last heard on {format(lastHeard(client), "d MMM 'at' HH:mm")}.</p>
        </Failure>
      )}
      <LeftOutRows />
      <Outlet />
    </>
  );
}

/** When anything of what the page knows came from the server. */
function lastHeard(client: QueryClient): number {
  const queries = client.getQueryCache().getAll();
  return Math.max(...queries.map(({ state }) => state.dataUpdatedAt));
}
