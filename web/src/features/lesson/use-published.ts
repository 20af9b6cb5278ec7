import { type Placed, placedOf } from '@map-step/core';
import { useCourse, usePlan } from '../course/course-context.ts';

/** Where the figures lie in the plan that the classes follow. */
export function usePublished(): Placed {
  const { answer } = useCourse();
  const { saved } = usePlan();
  return answer.published ? placedOf(answer.published) : saved;
}
