import type { Pattern, PatternKind, Placed, PlannedLesson } from '@map-step/core';

export const LANES = [
  { id: 'basics', word: 'Basics', kinds: ['basic'] },
  { id: 'patterns', word: 'Patterns', kinds: ['pattern'] },
  { id: 'turns', word: 'Turns', kinds: ['turn'] },
  { id: 'practice', word: 'Drills and qualities', kinds: ['drill', 'quality'] },
] as const satisfies readonly { id: string; word: string; kinds: readonly PatternKind[] }[];

/**
 * From so many lessons on the columns are narrow: a chip reaches over its own, up to the first review mark, and the
 * words of the minutes stand over their bar and not beside it.
 */
export const NARROW_LESSONS = 10;

export interface MapReview {
  readonly lesson: number;
  readonly minutes: number;
  /** The figure that takes it along. */
  readonly within?: string;
}

export interface LaneItem {
  readonly pattern: Pattern;
  readonly lesson: number;
  /** From 1. */
  readonly row: number;
  readonly reviews: readonly MapReview[];
}

/**
 * The items of a lane in rows, so that no chip lies on the review marks of another; greedy by lesson. They keep their
 * order: a figure that moves stays where it is in the page, and keeps the focus.
 */
export function packLane(
  patterns: readonly Pattern[],
  placed: Placed,
  lessons: readonly PlannedLesson[],
): readonly LaneItem[] {
  const items = patterns.flatMap(pattern => {
    const lesson = placed[pattern.id];
    return lesson === undefined ? [] : [{ pattern, lesson, reviews: reviewsOf(pattern.id, lessons) }];
  });
  const rowEnds: number[] = [];
  const rows = new Map<string, number>();
  for (const { pattern, lesson, reviews } of items.toSorted((a, b) => a.lesson - b.lesson)) {
    const free = rowEnds.findIndex(rowEnd => rowEnd < lesson);
    const row = free < 0 ? rowEnds.length : free;
    rowEnds[row] = Math.max(lesson, ...reviews.map(review => review.lesson));
    rows.set(pattern.id, row + 1);
  }
  return items.map(item => ({ ...item, row: rows.get(item.pattern.id) ?? 1 }));
}

function reviewsOf(id: string, lessons: readonly PlannedLesson[]): LaneItem['reviews'] {
  return lessons.flatMap(({ reviews }, index) => {
    const review = reviews.find(entry => entry.id === id);
    return review
      ? [
          {
            lesson: index + 1,
            minutes: review.minutes / 10,
            ...(review.within && { within: review.within }),
          },
        ]
      : [];
  });
}
