import { type ClassPlan, type Log, type LogResult, standingLogs } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { planClassInWorker } from '../../workers/planner.ts';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { usePublished } from './use-published.ts';

export interface Supposed {
  readonly pattern: string;
  readonly result: LogResult;
}

/** The class's plan as it would be if these entries stood in the log of this lesson, and the lesson were finished. */
export function usePlanWith(supposed: readonly Supposed[]): ClassPlan | undefined {
  const { material, materialStamp, answer } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const published = usePublished();
  const logs = section?.logs ?? [];
  const { data } = useQuery({
    queryKey: [
      'plan-with',
      section?.section.id,
      lesson,
      standingLogs(logs),
      supposed,
      published,
      materialStamp,
    ],
    queryFn: () =>
      planClassInWorker(material, answer.course, published, {
        logs: [...logs, ...supposed.map(entryOf)],
        recaps: [...(section?.recaps ?? []), { lesson }],
        over: lesson,
      }),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  return data?.ok ? data.value : undefined;

  function entryOf({ pattern, result }: Supposed, index: number): Log {
    return {
      id: `00000000-0000-4000-8000-${String(index).padStart(12, '0')}`,
      ...{ section: section?.section.id ?? '', lesson, pattern, result, by: '', at: '9999-12-31T00:00:00Z' },
    };
  }
}
