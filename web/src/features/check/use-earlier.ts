import type { CheckListAnswer } from '@map-step/contract';
import { checkCandidates, type ItemResult, itemResults, type Readiness, readiness } from '@map-step/core';
import { skipToken, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { useClass } from '../course/course-context.ts';
import { checkAggregate } from './check-queries.ts';

export interface EarlierCheck {
  /** Under student and role. */
  readonly byCandidate: ReadonlyMap<string, Readiness>;
  readonly items: readonly ItemResult[];
}

/** What the half-way check before this one said; undefined where there was none. */
export function useEarlier(
  checks: CheckListAnswer['checks'],
  id: string,
  section: string,
): EarlierCheck | undefined {
  const { section: own } = useClass();
  const index = checks.findIndex(check => check.id === id);
  const earlier = checks.slice(0, Math.max(0, index)).findLast(({ kind }) => kind === 'half-way');
  const aggregate = checkAggregate(section, earlier?.id ?? '');
  const { data } = useQuery({ queryKey: aggregate.key, queryFn: earlier ? aggregate.read : skipToken });
  return useMemo(() => {
    if (!data || !own) return undefined;
    const told = readiness(data.body.items, data.body.marks, checkCandidates(own.section, data.body));
    return {
      byCandidate: new Map(told.map(one => [`${one.student} ${one.role}`, one])),
      items: itemResults(data.body.items, told),
    };
  }, [data, own]);
}
