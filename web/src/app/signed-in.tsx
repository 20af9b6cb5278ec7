import { useQuery } from '@tanstack/react-query';
import { Outlet } from 'react-router';
import { sessionQuery } from '../features/session/session-queries.ts';
import { SignInPage } from '../features/session/sign-in-page.tsx';
import { chakra } from '../theme/chakra.ts';
import { Failure } from '../ui/failure.tsx';
import { Skeleton } from '../ui/parts.tsx';
import { useLiveChanges } from './use-live-changes.ts';

/** Everything behind it is for people who are signed in; the address stays, so that they land where they meant to. */
export function SignedIn() {
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
      {reason && <Failure error={reason} retry={() => void session.refetch()} />}
      <Outlet />
    </>
  );
}
