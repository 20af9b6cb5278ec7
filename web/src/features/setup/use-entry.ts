import type { SetUpKind } from '@map-step/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useCommands } from '../../api/use-commands.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { entryAggregate } from './entry-document.ts';

/** An entry as it stands, and this person's commands on it; not asked for while it is not there. */
export function useEntry<Kind extends SetUpKind>(kind: Kind, id: string, isThere = true) {
  const { data: session } = useQuery(sessionQuery);
  const document = useMemo(() => entryAggregate(kind, id), [kind, id]);
  const { data, error } = useQuery({
    queryKey: document.key,
    queryFn: document.read,
    enabled: isThere,
  });
  const commands = useCommands(document, session?.person?.id ?? '');
  return { data, error, commands, key: document.key };
}
