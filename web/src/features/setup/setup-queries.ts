import type { AnswerOf, SetUpEntries, SetUpKind } from '@map-step/contract';
import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from '../course/course-queries.ts';
import { ROOTS } from './entry-document.ts';

/** All dances and levels of the studio. */
export const framesQuery = queryOptions({
  queryKey: [...keys.material, 'frames', ''],
  queryFn: async () => {
    const { material } = await call('material.read', { query: {} });
    return { dances: material?.dances ?? [], levels: material?.levels ?? [] };
  },
});

export type DanceMaterial = NonNullable<AnswerOf<'material.read'>['material']>;

/** The figures of one dance with all that they are written in. */
export function danceQuery(dance: string) {
  return queryOptions({
    queryKey: [...keys.material, 'dance', dance],
    queryFn: async () => {
      const { material } = await call('material.read', { query: { dance } });
      return material ?? { dances: [], levels: [], patterns: [], elements: [] };
    },
  });
}

/** Makes a new entry; what shows it is read again. */
export function useCreateEntry<Kind extends SetUpKind>(kind: Kind) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entry: SetUpEntries[Kind]) => call('entry.create', { body: bodyOf(kind, entry) }),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ROOTS[kind] });
    },
  });
}

function bodyOf<Kind extends SetUpKind>(kind: Kind, entry: SetUpEntries[Kind]) {
  return { kind, entry } as { [One in SetUpKind]: { kind: One; entry: SetUpEntries[One] } }[SetUpKind];
}

/** Takes an entry away that nothing needs. */
export function useRemoveEntry() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (params: Parameters<typeof removeEntry>[0]) => removeEntry(params),
    onSuccess: () =>
      Promise.all(
        [keys.material, keys.studio, keys.courses].map(queryKey => client.invalidateQueries({ queryKey })),
      ),
  });
}

function removeEntry(params: {
  kind: SetUpKind | 'patterns' | 'courses' | 'sections';
  entry: string;
}): Promise<{ removed: string }> {
  return call('entry.remove', { params });
}
