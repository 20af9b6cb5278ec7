import type { BodyOf, SessionAnswer, SetupBody, SignInBody } from '@map-step/contract';
import { type QueryClient, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call, isPassing, setCsrf } from '../../api/client.ts';
import { bringBackAnswers, forgetAnswers, type Keeping } from '../../api/kept-answers.ts';
import { ownerOf } from '../../api/outbox.ts';

const sessionKey = ['session'] as const;
const KEPT = new Set<unknown>(['session', 'studio', 'material', 'courses', 'course', 'section']);

/** What stays in the browser for a time when no server answers. */
export const keeping: Keeping = {
  build: import.meta.env.VITE_BUILD ?? '',
  sessionKey,
  ownerOf: session => {
    const person = (session as SessionAnswer | undefined)?.person;
    return person ? ownerOf(person) : undefined;
  },
  isKept: ([root]) => KEPT.has(root),
};

export const sessionQuery = queryOptions({
  queryKey: sessionKey,
  queryFn: async ({ client }) => {
    try {
      const answer = await call('session.read');
      if (!answer.person) await forgetKept();
      return remember(answer);
    } catch (error) {
      if (isPassing(error) && client.getQueryData(sessionKey) === undefined)
        // A browser that keeps nothing brings nothing back: what counts is that the server is away.
        await bringBackAnswers(client, keeping, Date.now()).catch(() => undefined);
      throw error;
    }
  },
  staleTime: 60_000,
});

function remember(answer: SessionAnswer): SessionAnswer {
  setCsrf(answer.csrf);
  return answer;
}

/** A browser that cannot forget has kept nothing either. */
function forgetKept(): Promise<void> {
  return forgetAnswers().catch(() => undefined);
}

type Entrance =
  | { readonly demo: string }
  | { readonly account: SignInBody }
  | { readonly setup: SetupBody }
  | { readonly invitation: string; readonly body: BodyOf<'invitation.accept'> };

/** Signs in, by one click, by password, by a link, or by founding a studio. */
export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entrance: Entrance) => {
      if ('demo' in entrance) return call('session.demo', { body: { person: entrance.demo } });
      if ('account' in entrance) return call('session.signIn', { body: entrance.account });
      if ('setup' in entrance) return call('setup.create', { body: entrance.setup });
      return call('invitation.accept', { params: { token: entrance.invitation }, body: entrance.body });
    },
    onSuccess: answer => begin(client, answer),
  });
}

/** Goes to another studio of the same account. */
export function useEnterStudio() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (studio: string) => call('account.enter', { body: { studio } }),
    onSuccess: answer => begin(client, answer),
  });
}

async function begin(client: QueryClient, answer: SessionAnswer): Promise<void> {
  await forgetOthers(client);
  client.setQueryData(sessionQuery.queryKey, remember(answer));
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => call('session.signOut'),
    onSuccess: async () => {
      setCsrf(null);
      await forgetOthers(client);
      return client.invalidateQueries({ queryKey: sessionQuery.queryKey });
    },
  });
}

/** What one person has loaded is not for the next. The session itself stays: the page watches it. */
function forgetOthers(client: QueryClient): Promise<void> {
  client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== sessionKey[0] });
  return forgetKept();
}
