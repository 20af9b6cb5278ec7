import { type ClassPlan, findReversals, keptPlacing, type Reversal } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { useClass, useCourse, usePlan } from '../../course/course-context.ts';
import { classPlanQuery } from '../../course/course-queries.ts';

/** What the plan of the class moved after the evening before the last and took back after the last. */
export function useReversals(): readonly Reversal[] {
  const { classPlan } = useClass();
  const over = classPlan?.progress.lessons ?? 0;
  const [earlier, between] = [usePlanAfter(over - 2), usePlanAfter(over - 1)];
  return classPlan && earlier && between ? findReversals(earlier, between, classPlan) : [];
}

/** The plan of the class as it was after so many lessons; undefined where that is none. */
function usePlanAfter(lessons: number): ClassPlan | undefined {
  const { material, answer } = useCourse();
  const { section } = useClass();
  const { saved } = usePlan();
  const published = answer.published ? keptPlacing(answer.published) : saved;
  const upTo = <Entry extends { readonly lesson: number }>(entries: readonly Entry[]) =>
    entries.filter(({ lesson }) => lesson <= lessons);
  const then =
    section && lessons >= 0
      ? { ...section, logs: upTo(section.logs), recaps: upTo(section.recaps) }
      : undefined;
  const { data, isPlaceholderData } = useQuery(
    classPlanQuery(material, answer.course, published, then, lessons),
  );
  return data?.ok && !isPlaceholderData ? data.value : undefined;
}
