import { keptPlacing, type Placing } from '@map-step/core';
import { useCourse, usePlan } from '../course/course-context.ts';

/** The plan that the classes follow. */
export function usePublished(): Placing {
  const { answer } = useCourse();
  const { saved } = usePlan();
  return answer.published ? keptPlacing(answer.published) : saved;
}
