import { queryOptions, skipToken } from '@tanstack/react-query';
import { call } from '../../api/client.ts';

const ROOT = ['student'] as const;
const MOST_NAMES = 200;

/** Everything that one student is in. */
export function studentQuery(id: string) {
  return queryOptions({
    queryKey: [...ROOT, id],
    queryFn: () => call('student.read', { params: { student: id } }),
  });
}

/** Students with these letters in their name; nothing under two letters. */
export function foundQuery(named: string) {
  return queryOptions({
    queryKey: [...ROOT, 'found', named],
    queryFn: named.length < 2 ? skipToken : () => call('student.find', { query: { named } }),
  });
}

/** Those whom the studio knows among names that are about to be entered. */
export function knownQuery(names: readonly string[]) {
  const asked = [...new Set(names)].sort().slice(0, MOST_NAMES);
  return queryOptions({
    queryKey: [...ROOT, 'known', asked],
    queryFn: asked.length === 0 ? skipToken : () => call('student.match', { body: { names: asked } }),
    placeholderData: previous => previous,
  });
}
