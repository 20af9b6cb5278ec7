import type { Change } from '@map-step/contract';
import type { InvalidateQueryFilters, QueryClient } from '@tanstack/react-query';
import { sessionQuery } from '../session/session-queries.ts';
import { courseQuery, keys } from './course-queries.ts';

/** Reads again what has changed, unless it is here already. */
export function readAgain(client: QueryClient, change: Change): void {
  if (change.topic === 'course') readCourseAgain(client, change);
  for (const filters of filtersOf(change)) {
    if (change.topic === 'everything') void client.invalidateQueries(filters);
    else askAgain(client, filters);
  }
}

/**
 * Asks again for what has changed. What is asked for the first time and has not been answered yet may have been read
 * before the change, and the cache would not ask again: it is asked once more when it is here.
 */
function askAgain(client: QueryClient, filters: InvalidateQueryFilters): void {
  void client.invalidateQueries(filters);
  for (const query of client.getQueryCache().findAll({ ...filters, fetchStatus: 'fetching' })) {
    if (query.state.data !== undefined) continue;
    const again = () => client.invalidateQueries({ queryKey: query.queryKey, exact: true });
    void query.promise?.then(again, () => undefined);
  }
}

/** What is read again whatever is here. */
function filtersOf({ topic, id }: Change): readonly InvalidateQueryFilters[] {
  switch (topic) {
    case 'course':
      return [{ queryKey: keys.courses }];
    case 'section':
      return [{ queryKey: keys.section(id) }, { queryKey: keys.courses }];
    case 'material':
      return [{ queryKey: keys.material }];
    case 'job':
      return [{ queryKey: ['job', id] }];
    case 'everything':
      return [{ predicate: ({ queryKey }) => queryKey[0] !== sessionQuery.queryKey[0] }];
    default:
      return topic satisfies never;
  }
}

/** The newest version of each course that was told of while a change of one's own was on its way. */
const toldMeanwhile = new Map<string, number>();

/** Reading while a change of one's own is on its way would show what stood before it. */
function readCourseAgain(client: QueryClient, { id, version = Number.POSITIVE_INFINITY }: Change): void {
  if (isSavingCourse(client, id)) toldMeanwhile.set(id, Math.max(version, toldMeanwhile.get(id) ?? 0));
  else readUnlessKnown(client, id, version);
}

/** Once the last change of one's own has been answered: its answer mostly holds what was told meanwhile. */
export function readWhatWasTold(client: QueryClient, id: string): void {
  const version = toldMeanwhile.get(id);
  if (version === undefined) return;
  toldMeanwhile.delete(id);
  readUnlessKnown(client, id, version);
}

function readUnlessKnown(client: QueryClient, id: string, version: number): void {
  const known = client.getQueryData(courseQuery(id).queryKey)?.version ?? 0;
  if (known < version) askAgain(client, { queryKey: keys.course(id) });
}

/** Settles as soon as no change of the course is on its way. */
export function courseSaved(client: QueryClient, id: string): Promise<void> {
  return new Promise(resolve => {
    const stop = client.getMutationCache().subscribe(() => look());
    const look = () => {
      if (isSavingCourse(client, id)) return;
      stop();
      resolve();
    };
    look();
  });
}

export function isSavingCourse(client: QueryClient, id: string): boolean {
  return client.isMutating({ mutationKey: keys.course(id) }) > 0;
}
