import type { SessionAnswer, SetupBody, SignInBody } from '@map-step/contract';
import { type QueryClient, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call, setCsrf } from '../../api/client.ts';

export const sessionQuery = queryOptions({
  queryKey: ['session'],
  queryFn: async () => remember(await call<SessionAnswer>('session.read')),
  staleTime: 60_000,
});

function remember(answer: SessionAnswer): SessionAnswer {
  setCsrf(answer.csrf);
  return answer;
}

type Entrance = { readonly demo: string } | { readonly account: SignInBody } | { readonly setup: SetupBody };

/** Signs in, by one click, by password, or by founding a studio. */
export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entrance: Entrance) => {
      if ('demo' in entrance) return call<SessionAnswer>('session.demo', { body: { person: entrance.demo } });
      if ('account' in entrance) return call<SessionAnswer>('session.signIn', { body: entrance.account });
      return call<SessionAnswer>('setup.create', { body: entrance.setup });
    },
    onSuccess: answer => {
      forgetOthers(client);
      client.setQueryData(sessionQuery.queryKey, remember(answer));
    },
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call('session.signOut'),
    onSuccess: () => {
      setCsrf(null);
      forgetOthers(client);
      return client.invalidateQueries({ queryKey: sessionQuery.queryKey });
    },
  });
}

/** What one person has loaded is not for the next. The session itself stays: the page watches it. */
function forgetOthers(client: QueryClient): void {
  client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== sessionQuery.queryKey[0] });
}
