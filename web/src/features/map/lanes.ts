import type { Pattern, PatternKind, Placed, PlannedLesson } from '@map-step/core';

export const LANES = [
  { id: 'basics', word: 'Basics', kinds: ['basic'] },
  { id: 'patterns', word: 'Patterns', kinds: ['pattern'] },
  { id: 'turns', word: 'Turns', kinds: ['turn'] },
  { id: 'practice', word: 'Drills and qualities', kinds: ['drill', 'quality'] },
] as const satisfies readonly { id: string; word: string; kinds: readonly PatternKind[] }[];

export interface LaneItem {
  readonly pattern: Pattern;
  readonly lesson: number;
  /** From 1. */
  readonly row: number;
  readonly reviews: readonly { readonly lesson: number; readonly minutes: number }[];
}

/** The items of a lane in rows, so that no chip lies on the review marks of another; greedy by lesson. */
export function packLane(
  patterns: readonly Pattern[],
  placed: Placed,
  lessons: readonly PlannedLesson[],
): readonly LaneItem[] {
  const items = patterns
    .flatMap(pattern => {
      const lesson = placed[pattern.id];
      return lesson === undefined ? [] : [{ pattern, lesson, reviews: reviewsOf(pattern.id, lessons) }];
    })
    .sort((a, b) => a.lesson - b.lesson);
  const rowEnds: number[] = [];
  return items.map(item => {
    const end = Math.max(item.lesson, ...item.reviews.map(({ lesson }) => lesson));
    const free = rowEnds.findIndex(rowEnd => rowEnd < item.lesson);
    const row = free < 0 ? rowEnds.length : free;
    rowEnds[row] = end;
    return { ...item, row: row + 1 };
  });
}

function reviewsOf(id: string, lessons: readonly PlannedLesson[]): LaneItem['reviews'] {
  return lessons.flatMap(({ reviews }, index) => {
    const review = reviews.find(entry => entry.id === id);
    return review ? [{ lesson: index + 1, minutes: review.minutes / 10 }] : [];
  });
}
