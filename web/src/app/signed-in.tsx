import { chakra } from '@chakra-ui/react';
import type { SignedInPerson } from '@map-step/contract';
import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { lazy, type ReactNode, Suspense, useCallback, useState } from 'react';
import { Outlet } from 'react-router';
import { useSending } from '../features/course/use-sending.ts';
import { sessionQuery } from '../features/session/session-queries.ts';
import { SignInPage } from '../features/session/sign-in-page.tsx';
import { OpenPalette } from '../features/shell/open-palette.ts';
import { Failure } from '../ui/failure.tsx';
import { Skeleton } from '../ui/parts.tsx';
import { type ActiveShortcut, activeShortcuts, useShortcuts } from '../ui/shortcuts.ts';
import { LeftOutRows } from './left-out.tsx';
import { useLiveChanges } from './use-live-changes.ts';

/** Everything behind it is for people who are signed in; the address stays, so that they land where they meant to. */
export function SignedIn() {
  const client = useQueryClient();
  const session = useQuery(sessionQuery);
  useLiveChanges(Boolean(session.data?.person));
  useSending(session.data?.person ?? null);
  const reason = session.error ?? session.failureReason;
  if (!session.data)
    return (
      <chakra.main p="6">
        {reason ? <Failure error={reason} retry={() => void session.refetch()} /> : <Skeleton lines={8} />}
      </chakra.main>
    );
  if (!session.data.person) return <SignInPage session={session.data} />;
  return (
    <WithPalette me={session.data.person}>
      {reason && (
        <Failure error={reason} retry={() => void session.refetch()}>
          <p>It was last heard on {format(lastHeard(client), "d MMM 'at' HH:mm")}.</p>
        </Failure>
      )}
      <LeftOutRows />
      <Outlet />
    </WithPalette>
  );
}

/** Loaded when it is first asked for. */
const Palette = lazy(async () => ({ default: (await import('../features/palette/palette.tsx')).Palette }));

function WithPalette({ me, children }: { me: SignedInPerson; children: ReactNode }) {
  // What can be done from it is what could be done when it was opened: nothing listens behind it.
  const [actions, setActions] = useState<readonly ActiveShortcut[]>();
  const open = useCallback(() => setActions(activeShortcuts()), []);
  useShortcuts({ palette: open });
  return (
    <OpenPalette value={open}>
      {children}
      {actions && (
        <Suspense>
          <Palette me={me} actions={actions} close={() => setActions(undefined)} />
        </Suspense>
      )}
    </OpenPalette>
  );
}

/** When anything of what the page knows came from the server. */
function lastHeard(client: QueryClient): number {
  const queries = client.getQueryCache().getAll();
  return Math.max(...queries.map(({ state }) => state.dataUpdatedAt));
}
