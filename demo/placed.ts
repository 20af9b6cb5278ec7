import type { Placement } from '@map-step/core';

/** The figures of each lesson, with spaces between them, as placements. */
export const placed = (...lessons: readonly string[]): Placement[] =>
  lessons.flatMap((figures, index) =>
    figures
      .split(' ')
      .filter(Boolean)
      .map(pattern => ({ pattern, lesson: index + 1 })),
  );
