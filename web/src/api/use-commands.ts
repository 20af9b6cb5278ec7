import type { Versioned } from '@map-step/contract';
import {
  hashKey,
  type QueryKey,
  skipToken,
  useIsMutating,
  useQuery,
  useQueryClient,
} from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  type Aggregate,
  type Commands,
  commandKey,
  commandsOn,
  type Refusal,
  refusalKey,
} from './commands.ts';

/** The commands of this person on one thing; the same object for as long as it is the same thing. */
export function useCommands<Answer, Body extends object, Own>(
  aggregate: Aggregate<Answer, Body, Own>,
  by: string,
): Commands<Body, Own> {
  const client = useQueryClient();
  const id = hashKey(aggregate.key);
  // Of one thing there is one aggregate, whichever drawing made it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says which thing it is
  return useMemo(() => commandsOn(client, aggregate, by), [client, id, by]);
}

/** What was not taken of it, until it is decided or put away. */
export function useRefusal(key: QueryKey): Refusal | undefined {
  const { data } = useQuery<Refusal | null>({ queryKey: refusalKey(key), queryFn: skipToken });
  return data ?? undefined;
}

/** True while a change of it is on its way. */
export function useIsSaving(key: QueryKey): boolean {
  return useIsMutating({ mutationKey: commandKey(key) }) > 0;
}

/** What is answered as a body with its version and history. */
export function versionedAggregate<Body extends object>(
  calls: Pick<Aggregate<Versioned<Body>, Body>, 'key' | 'read' | 'send' | 'onSaved'>,
): Aggregate<Versioned<Body>, Body> {
  return {
    ...calls,
    bodyOf: ({ body }) => body,
    withBody: (answer, body) => ({ ...answer, body }),
    versionOf: ({ version }) => version,
    historyOf: ({ history }) => history,
  };
}
