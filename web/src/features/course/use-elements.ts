import { elementsOf, type TaughtElement } from '@map-step/core';
import { useMemo } from 'react';
import { useCourse } from './course-context.ts';

/** The elements of the course's figures, each with the figures that have it. */
export function useElements(): ReadonlyMap<string, TaughtElement> {
  const { answer, library } = useCourse();
  const { items } = answer.course;
  return useMemo(
    () =>
      elementsOf(
        library,
        items.map(({ pattern }) => pattern),
      ),
    [library, items],
  );
}

/** How an element of the course's figures is called. */
export function useElementName(): (id: string) => string {
  const elements = useElements();
  return id => elements.get(id)?.name ?? id;
}
