import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from '../course/course-queries.ts';

export const todayQuery = queryOptions({
  queryKey: [...keys.today, 'work'],
  queryFn: () => call('programme.today'),
});

/** Asked for apart, by the director: every mend is tried. */
export const findingsQuery = queryOptions({
  queryKey: [...keys.today, 'findings'],
  queryFn: () => call('programme.findings'),
  staleTime: 60_000,
});

/** Asked for apart: it reads whole dances. */
export const comingFaultsQuery = queryOptions({
  queryKey: [...keys.today, 'faults'],
  queryFn: () => call('programme.faults'),
  staleTime: 60_000,
});
