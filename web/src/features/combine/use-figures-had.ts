import { type Course, type EveningFigures, type Library, type Placed, usableFigures } from '@map-step/core';
import { useMemo } from 'react';
import { useClass, useCourse, usePlace, usePlan } from '../course/course-context.ts';

/** The dance of a lesson, else of the one looked at, and what the class has had by it: by its own plan where it has one. */
export function useFiguresHad(asked?: number): EveningFigures | undefined {
  const { library, answer } = useCourse();
  const { saved } = usePlan();
  const { classPlan } = useClass();
  const place = usePlace();
  const lesson = asked ?? place.lesson;
  const placed = classPlan?.answer.placed ?? saved.placed;
  return useMemo(
    () => figuresHad(library, answer.course, placed, lesson),
    [library, answer.course, placed, lesson],
  );
}

function figuresHad(
  library: Library,
  { dances, level, lessons }: Pick<Course, 'dances' | 'level' | 'lessons'>,
  placed: Placed,
  lesson: number,
): EveningFigures | undefined {
  const dance = library.dances.get(lessons[lesson - 1]?.dance ?? dances[0] ?? '');
  if (!dance) return undefined;
  const order = library.levels.get(level ?? '')?.order ?? 0;
  const all = usableFigures(library, dance.id);
  const isBelow = (id: string | undefined) => (library.levels.get(id ?? '')?.order ?? order) < order;
  return {
    dance,
    known: all.filter(({ figure }) => isBelow(figure.pattern.level)).map(({ id }) => id),
    lessons: Array.from({ length: lesson }, (_, index) =>
      all.filter(({ id }) => placed[id] === index + 1).map(({ id }) => id),
    ),
  };
}
