import { type BrokenPromise, brokenPromises, figureName, keptPlacing, lessonsPassed } from '@map-step/core';
import { useQueries } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useDeferredValue } from 'react';
import { Notice } from '../../../ui/notice.tsx';
import { type PlanContent, useCourse } from '../../course/course-context.ts';
import { classPlanQuery, sectionQuery } from '../../course/course-queries.ts';
import { promiseInWords } from '../../course/promise-words.ts';

/** What the classes were promised and would not get in time by this plan, though they would by the one they follow. */
export function PromisesAtRisk({ plan }: { plan: PlanContent }) {
  const { library } = useCourse();
  const { placed, ahead } = useDeferredValue(plan.draft);
  const found = useBrokenBy({ placed, ahead });
  if (found.length === 0) return null;
  return (
    <Notice tone="now" title="Promised, and not kept by this plan">
      {found.map(({ name, promise }) => (
        <p key={`${name} ${promise.pattern}`}>
          {name} was promised {figureName(library, promise.pattern)} for lesson {promise.lesson + 1}: by this
          plan {promiseInWords(promise)}.
        </p>
      ))}
    </Notice>
  );
}

interface AtRisk {
  /** `Monday 19:00`. */
  readonly name: string;
  readonly promise: BrokenPromise;
}

/** For each class the promises that its plan would break if it followed this one. */
function useBrokenBy(placing: Pick<PlanContent['draft'], 'placed' | 'ahead'>): readonly AtRisk[] {
  const { answer, material, today } = useCourse();
  const { course, published, sections } = answer;
  const classes = useQueries({ queries: sections.map(({ id }) => sectionQuery(id)) }).map(({ data }) => data);
  const plansBy = (by: typeof placing | undefined) =>
    classes.map(data =>
      by && data
        ? classPlanQuery(material, course, by, data, lessonsPassed(data.section.dates, today))
        : { ...classPlanQuery(material, course, placing, undefined, 0) },
    );
  const followed = published ? keptPlacing(published) : undefined;
  const now = useQueries({ queries: plansBy(followed) });
  const then = useQueries({ queries: plansBy(followed && placing) });
  return classes.flatMap((data, index): AtRisk[] => {
    const [before, after] = [now[index]?.data, then[index]?.data];
    if (!data || !before?.ok || !after?.ok) return [];
    const brokenIn = ({ answer: { placed }, progress }: typeof before.value) =>
      brokenPromises({ recaps: data.recaps, logs: data.logs, placed, behind: progress.lessons });
    const already = new Set(brokenIn(before.value).map(({ pattern }) => pattern));
    const [day] = data.section.dates;
    const name = `${day ? format(parseISO(day), 'EEEE') : course.name} ${data.section.start}`;
    return brokenIn(after.value)
      .filter(({ pattern, isOver }) => !isOver && !already.has(pattern))
      .map(promise => ({ name, promise }));
  });
}
