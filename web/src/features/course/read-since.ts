import type { CheckAnswer, SectionAnswer, SinceAnswer } from '@map-step/contract';
import { withNewest } from '@map-step/core';
import type { QueryClient } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { keys, sectionQuery } from './course-queries.ts';

/**
 * Adds to what is known of a class what happened up to this event; false when nothing is known to which it could be added,
 * or it could not be asked for: then all of it is read again.
 */
export async function readSince(client: QueryClient, id: string, seq: number): Promise<boolean> {
  const { queryKey } = sectionQuery(id);
  // What is being read at this moment may be older than the event, and would take its place.
  const reading = client.getQueryCache().findAll({ queryKey, fetchStatus: 'fetching' });
  await Promise.allSettled(reading.map(({ promise }) => promise));
  for (;;) {
    const known = client.getQueryData<SectionAnswer>(queryKey);
    if (!known) return false;
    if (known.seq >= seq) return true;
    const since = await client
      .fetchQuery({
        queryKey: [...keys.since(id), known.seq],
        queryFn: () =>
          call('class.since', {
            params: { section: id },
            query: { after: known.seq },
          }),
        staleTime: 0,
        gcTime: 0,
      })
      .catch(() => undefined);
    if (!since) return false;
    addEvents(client, id, since);
    // An answer that somebody else had asked for may end before the event: it is asked for again, unless nothing came at all.
    if (since.seq === known.seq) return true;
  }
}

function addEvents(client: QueryClient, id: string, { events, seq }: SinceAnswer): void {
  client.setQueryData<SectionAnswer>(
    sectionQuery(id).queryKey,
    known => known && { ...withNewest(known, events), seq: Math.max(known.seq, seq) },
  );
  const marks = events.filter(event => event.kind === 'mark');
  for (const check of new Set(marks.map(mark => mark.check)))
    client.setQueryData<CheckAnswer>(
      keys.check(id, check),
      known =>
        known && {
          ...known,
          body: withNewest(
            known.body,
            marks.filter(mark => mark.check === check),
          ),
        },
    );
}
