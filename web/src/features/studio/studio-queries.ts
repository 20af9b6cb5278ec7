import type { StudioAnswer } from '@map-step/contract';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** The studio itself: its name and ways, its people, rooms and holidays. */
export const studioQuery = queryOptions({
  queryKey: ['studio'],
  queryFn: () => call('studio.read'),
  staleTime: 300_000,
});

/** What a person is called; their id while nobody of it is known. */
export function personName(studio: StudioAnswer | undefined, id: string): string {
  return studio?.people.find(person => person.id === id)?.name ?? id;
}
