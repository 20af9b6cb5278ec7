import type { Change } from '@map-step/contract';
import type { InvalidateQueryFilters, QueryClient, QueryKey } from '@tanstack/react-query';
import { isSaving, whenSaved } from '../../api/commands.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { courseQuery, keys } from './course-queries.ts';
import { readSince } from './read-since.ts';

/** Reads again what has changed, unless it is here already. */
export function readAgain(client: QueryClient, change: Change): void {
  if (change.topic === 'course') readCourseAgain(client, change);
  if ((change.topic === 'section' || change.topic === 'check') && change.seq !== undefined)
    void readEvents(client, change, change.seq);
  else readAll(client, change);
}

function readAll(client: QueryClient, change: Change): void {
  for (const filters of filtersOf(change)) {
    if (change.topic === 'everything') void client.invalidateQueries(filters);
    else askAgain(client, filters);
  }
}

/**
 * Asks again for what has changed, and for what a change of one's own is on its way to once that is saved. What is asked
 * for the first time and has not been answered yet may have been read before the change, and the cache would not ask
 * again: it is asked once more when it is here.
 */
function askAgain(client: QueryClient, filters: InvalidateQueryFilters): void {
  const again = (queryKey: QueryKey) => client.invalidateQueries({ queryKey, exact: true });
  for (const query of client.getQueryCache().findAll(filters)) {
    const { queryKey, state } = query;
    if (isSaving(client, queryKey)) void whenSaved(client, queryKey).then(() => again(queryKey));
    else void again(queryKey);
    if (state.fetchStatus === 'fetching' && state.data === undefined)
      void query.promise?.then(
        () => again(queryKey),
        () => undefined,
      );
  }
}

/** What happened in a class is added to what is known of it; what only sums it up is asked for again. */
async function readEvents(client: QueryClient, change: Change, seq: number): Promise<void> {
  if (!(await readSince(client, change.id, seq))) {
    readAll(client, change);
    return;
  }
  const sums: readonly InvalidateQueryFilters[] =
    change.topic === 'check'
      ? [{ queryKey: keys.checks(change.id) }]
      : [{ queryKey: keys.courses }, ...OVERVIEWS];
  for (const filters of sums) askAgain(client, filters);
}

/** What tells of all classes together. */
const OVERVIEWS: readonly InvalidateQueryFilters[] = [{ queryKey: keys.today }, { queryKey: keys.term }];

/** What is read again whatever is here. */
function filtersOf({ topic, id }: Change): readonly InvalidateQueryFilters[] {
  switch (topic) {
    case 'course':
      return [{ queryKey: keys.courses }, ...OVERVIEWS];
    case 'section':
      return [{ queryKey: keys.section(id) }, { queryKey: keys.courses }, ...OVERVIEWS];
    case 'check':
      return [{ queryKey: keys.checks(id) }, { queryKey: keys.everyCheck(id) }];
    case 'material':
      return [{ queryKey: keys.material }, { queryKey: keys.everyFigure }];
    case 'combination':
      return [{ queryKey: keys.everyCombinationList }, { queryKey: keys.combination(id) }];
    case 'draft':
      return [{ queryKey: keys.drafts }];
    case 'studio':
      // It may be what somebody is called, or may do.
      return [{ queryKey: keys.studio }, { queryKey: sessionQuery.queryKey }];
    case 'job':
      return [{ queryKey: keys.job(id) }];
    case 'everything':
      return [{ predicate: ({ queryKey }) => queryKey[0] !== sessionQuery.queryKey[0] }];
    default:
      return topic satisfies never;
  }
}

/** What a change of one's own on its way is answered with mostly holds what is told meanwhile. */
function readCourseAgain(client: QueryClient, { id, version = Number.POSITIVE_INFINITY }: Change): void {
  const queryKey = keys.course(id);
  const read = () => {
    const known = client.getQueryData(courseQuery(id).queryKey)?.version ?? 0;
    if (known < version) askAgain(client, { queryKey });
  };
  if (isSaving(client, queryKey)) void whenSaved(client, queryKey).then(read);
  else read();
}
