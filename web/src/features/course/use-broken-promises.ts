import { type BrokenPromise, brokenPromises } from '@map-step/core';
import { useClass } from './course-context.ts';

/** What the class that is looked at was promised and did not get, or will not; undefined while its plan is not known. */
export function useBrokenPromises(): readonly BrokenPromise[] | undefined {
  const { section, classPlan } = useClass();
  if (!section || !classPlan) return undefined;
  const { answer, progress } = classPlan;
  const { recaps, logs } = section;
  return brokenPromises({ recaps, logs, placed: answer.placed, behind: progress.lessons });
}
