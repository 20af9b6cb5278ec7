import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

/** The studio itself: its name and ways, its people, rooms and holidays. */
export const studioQuery = queryOptions({
  queryKey: ['studio'],
  queryFn: () => call('studio.read'),
  staleTime: 300_000,
});
