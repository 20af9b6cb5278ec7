import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys } from '../course/course-queries.ts';

/** How each person comes in; the director's to know. */
export const accountsQuery = queryOptions({
  queryKey: [...keys.studio, 'accounts'],
  queryFn: () => call('people.accounts'),
});

/** One's own account. */
export const accountQuery = queryOptions({
  queryKey: ['account'],
  queryFn: () => call('account.read'),
});
