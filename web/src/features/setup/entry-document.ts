import type { SetUpEntries, SetUpKind, StudioDecisions, Versioned } from '@map-step/contract';
import type { QueryKey } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { keys } from '../course/course-queries.ts';

/** What is read again when an entry of the kind has changed. */
export const ROOTS: Readonly<Record<SetUpKind, QueryKey>> = {
  dances: keys.material,
  levels: keys.material,
  elements: keys.material,
  rooms: keys.studio,
  people: keys.studio,
  students: keys.studio,
};

/** An entry that a director sets up by itself. */
export function entryAggregate<Kind extends SetUpKind>(
  kind: Kind,
  id: string,
): Aggregate<Versioned<SetUpEntries[Kind]>, SetUpEntries[Kind]> {
  const params = { kind, entry: id };
  // The answer is of the kind that was asked for.
  const ofKind = (answer: Versioned<SetUpEntries[SetUpKind]>) => answer as Versioned<SetUpEntries[Kind]>;
  const key = [...ROOTS[kind], 'entry', kind, id];
  return versionedAggregate<SetUpEntries[Kind]>({
    key,
    read: async () => ofKind(await call('entry.read', { params })),
    send: async command => ofKind(await call('entry.command', { params, body: { command }, outlives: true })),
    onSaved: client =>
      void client.invalidateQueries({
        queryKey: ROOTS[kind],
        predicate: ({ queryKey }) => !isSame(queryKey, key),
      }),
  });
}

/** What the studio decides for all that is planned and taught in it. */
export const decisionsAggregate: Aggregate<
  Versioned<StudioDecisions>,
  StudioDecisions
> = versionedAggregate<StudioDecisions>({
  key: [...keys.studio, 'document'],
  read: () => call('studio.document'),
  send: command => call('studio.command', { body: { command }, outlives: true }),
  onSaved: client => void client.invalidateQueries({ queryKey: keys.studio, exact: true }),
});

function isSame(one: QueryKey, other: QueryKey): boolean {
  return one.join('/') === other.join('/');
}
