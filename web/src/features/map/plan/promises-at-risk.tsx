import type { SectionAnswer } from '@map-step/contract';
import {
  type BrokenPromise,
  brokenPromises,
  type ClassPlan,
  countDifferences,
  figureName,
  keptPlacing,
  lessonsPassed,
  type Placing,
} from '@map-step/core';
import { useQueries } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { useDeferredValue, useMemo } from 'react';
import { Notice } from '../../../ui/notice.tsx';
import { type PlanContent, useCourse } from '../../course/course-context.ts';
import { classPlanQuery, sectionQuery } from '../../course/course-queries.ts';
import { promiseInWords } from '../../course/promise-words.ts';

/** What the classes were promised and would not get in time by this plan, though they would by the one they follow. */
export function PromisesAtRisk({ plan }: { plan: PlanContent }) {
  const { library } = useCourse();
  const { placed, ahead } = useDeferredValue(plan.draft);
  const draft = useMemo(() => ({ placed, ahead }), [placed, ahead]);
  const found = useBrokenBy(draft);
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

/** For each class the promises that its plan would break if it followed this one. A class that nothing is open for is not planned. */
function useBrokenBy(draft: Placing): readonly AtRisk[] {
  const { answer, material, today } = useCourse();
  const { course, published, sections } = answer;
  const classes = useQueries({ queries: sections.map(({ id }) => sectionQuery(id)), combine: loaded });
  // The keys are long: they are made anew only when something of them has changed.
  const asked = useMemo(() => {
    const followed = published ? keptPlacing(published) : undefined;
    if (!followed || countDifferences(followed, draft) === 0) return [];
    return classes.filter(hasOpenPromise).map(data => {
      const passed = lessonsPassed(data.section.dates, today);
      const queryBy = (placing: Placing) => classPlanQuery(material, course, placing, data, passed);
      return { data, byNow: queryBy(followed), byDraft: queryBy(draft) };
    });
  }, [classes, published, draft, material, course, today]);
  const now = useQueries({ queries: asked.map(({ byNow }) => byNow) });
  const then = useQueries({ queries: asked.map(({ byDraft }) => byDraft) });
  return asked.flatMap(({ data }, index): AtRisk[] => {
    const [before, after] = [now[index]?.data, then[index]?.data];
    if (!before?.ok || !after?.ok) return [];
    const brokenIn = ({ answer: { placed }, progress }: ClassPlan) =>
      brokenPromises({ recaps: data.recaps, logs: data.logs, placed, behind: progress.lessons });
    const already = new Set(brokenIn(before.value).map(({ pattern }) => pattern));
    const [day] = data.section.dates;
    const name = `${day ? format(parseISO(day), 'EEEE') : course.name} ${data.section.start}`;
    return brokenIn(after.value)
      .filter(({ pattern, isOver }) => !isOver && !already.has(pattern))
      .map(promise => ({ name, promise }));
  });
}

function loaded(results: readonly { readonly data: SectionAnswer | undefined }[]): readonly SectionAnswer[] {
  return results.flatMap(({ data }) => data ?? []);
}

/** True where its newest recap promises something. */
function hasOpenPromise({ recaps }: SectionAnswer): boolean {
  const last = Math.max(0, ...recaps.map(({ lesson }) => lesson));
  return recaps.some(
    ({ lesson, audience, promises, published }) =>
      lesson === last && audience === 'students' && published !== null && promises.length > 0,
  );
}
