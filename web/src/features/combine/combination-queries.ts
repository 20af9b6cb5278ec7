import type { Versioned } from '@map-step/contract';
import type { Combination, EveningFigures, Material } from '@map-step/core';
import { hashKey, queryOptions, skipToken } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { eveningInWorker } from '../../workers/sequences.ts';
import { keys } from '../course/course-queries.ts';

/** The combinations of a course, in the order in which they were kept. */
export function combinationsQuery(course: string) {
  return queryOptions({
    queryKey: keys.combinations(course),
    queryFn: () => call('combination.list', { query: { course } }),
    select: ({ combinations }) => combinations,
  });
}

/** A combination under the hands of who may write. */
export function combinationAggregate(id: string): Aggregate<Versioned<Combination>, Combination> {
  const params = { combination: id };
  return versionedAggregate<Combination>({
    key: keys.combination(id),
    read: () => call('combination.read', { params }),
    send: command => call('combination.command', { params, body: { command }, outlives: true }),
    onSaved: client => void client.invalidateQueries({ queryKey: keys.everyCombinationList }),
  });
}

/** What is proposed for an evening, worked out beside the page. */
export function eveningQuery(material: Material, stamp: string, figures: EveningFigures | undefined) {
  const queryKey = ['evening-combination', stamp, figures] as const;
  return queryOptions({
    queryKey,
    queryHash: hashKey(queryKey),
    queryFn: figures ? () => eveningInWorker(material, figures) : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
  });
}
