// What a director changes in a course, each as one change from course to course: what belongs to it goes with it.
import type { Course, CourseItem, CourseLesson, FixedBlocks, Placement } from '../model/document.ts';
import { type AheadMoves, aheadDifferences, moveAhead } from './differences.ts';
import { draftPlacing, placedInOrder, placedOf } from './placed-order.ts';
import type { Placed, Placing } from './problem.ts';
import type { Moves } from './reasons.ts';
import type { SpareUse } from './spare.ts';
import type { WhatIf } from './what-if.ts';

/** Figures moved to lessons, or out of the plan with null, and elements taught ahead or not; all else stays. */
export function placeItems(course: Course, moves: Moves, ahead: AheadMoves = {}): Course {
  const others = (course.placed ?? []).filter(({ pattern }) => !Object.hasOwn(moves, pattern));
  const moved = Object.entries(moves).flatMap(([pattern, lesson]): Placement[] =>
    lesson === null ? [] : [{ pattern, lesson }],
  );
  const { placedAhead = [], ...rest } = course;
  const shown = moveAhead(placedAhead, ahead);
  return placedInOrder({
    ...rest,
    placed: [...others, ...moved],
    ...(shown.length > 0 && { placedAhead: shown }),
  });
}

/** One more lesson like the one before the last, put before the last; what lies in the last, or is pinned there, goes along. */
export function addLesson(course: Course): Course {
  const { lessons } = course;
  const model = lessons.at(-2) ?? lessons.at(-1);
  if (!model) return course;
  // Which figures it looks at again is its own.
  const { again: _, ...like } = model;
  return moveLesson(
    { ...course, lessons: lessons.toSpliced(lessons.length - 1, 0, like) },
    lessons.length,
    lessons.length + 1,
  );
}

/** True when, of so many lessons, the one before the last holds nothing and can be taken away. */
export function canDropLesson(count: number, placed: Placed): boolean {
  return count > 2 && Object.values(placed).every(lesson => lesson !== count - 1);
}

/** The course without the lesson before the last; the same course where that holds something. */
export function dropLesson(course: Course): Course {
  const { lessons } = course;
  if (!canDropLesson(lessons.length, placedOf(course))) return course;
  return moveLesson(
    { ...course, lessons: lessons.toSpliced(lessons.length - 2, 1) },
    lessons.length,
    lessons.length - 1,
  );
}

/** One lesson otherwise; counted from 0. */
export function changeLesson(course: Course, index: number, change: Partial<CourseLesson>): Course {
  const lesson = course.lessons[index];
  return lesson ? { ...course, lessons: course.lessons.with(index, { ...lesson, ...change }) } : course;
}

/** A block of a lesson at so many minutes; without, where a lesson may do without it, else at none. */
export function withBlock(
  fixed: FixedBlocks,
  block: keyof FixedBlocks,
  minutes: number | undefined,
): FixedBlocks {
  if (minutes !== undefined) return { ...fixed, [block]: minutes };
  switch (block) {
    case 'warmUp':
    case 'recall':
    case 'check': {
      const { [block]: _, ...rest } = fixed;
      return rest;
    }
    case 'arrive':
    case 'combine':
    case 'dance':
    case 'recap':
      return { ...fixed, [block]: 0 };
    default:
      return block satisfies never;
  }
}

/** The course with a use of its free minutes: a figure placed, taken in where it is new to the course, or looked at again. */
export function takeSpareUse(course: Course, { kind, id, lesson }: SpareUse): Course {
  switch (kind) {
    case 'left-out':
      return placeItems(course, { [id]: lesson });
    case 'this-level':
    case 'next-level': {
      const item = { pattern: id, value: 'could' } as const;
      return placeItems({ ...course, items: [...course.items, item] }, { [id]: lesson });
    }
    case 'second-look': {
      const again = course.lessons[lesson - 1]?.again ?? [];
      return changeLesson(course, lesson - 1, { again: [...again.filter(one => one !== id), id] });
    }
    default:
      return kind satisfies never;
  }
}

/** The course without a figure, and without the second looks at it; where it lies stays to be cleared first. */
export function dropItem(course: Course, id: string): Course {
  const items = course.items.filter(({ pattern }) => pattern !== id);
  return course.lessons.reduce<Course>((changed, _, index) => dropSecondLook(changed, index + 1, id), {
    ...course,
    items,
  });
}

/** The course without the second look of a lesson, counted from 1, at a figure. */
export function dropSecondLook(course: Course, lesson: number, id: string): Course {
  const now = course.lessons[lesson - 1];
  if (!now?.again?.includes(id)) return course;
  const { again, ...rest } = now;
  const others = again.filter(one => one !== id);
  const next = others.length > 0 ? { ...rest, again: others } : rest;
  return { ...course, lessons: course.lessons.with(lesson - 1, next) };
}

/** The course as a tried change would have it, its figures where they then lie; what was pinned is pinned there. */
export function takeWhatIf(course: Course, whatIf: WhatIf, to: Placing): Course {
  const away = (course.placed ?? []).map(({ pattern }) => [pattern, null] as const);
  const moved = placeItems(
    withWhatIf(course, whatIf),
    { ...Object.fromEntries(away), ...to.placed },
    aheadDifferences(draftPlacing(course), to),
  );
  const items = moved.items.map(item => {
    const lesson = to.placed[item.pattern];
    return item.pin === undefined || lesson === undefined ? item : { ...item, pin: lesson };
  });
  return { ...moved, items };
}

/** The rules of one figure changed; a rule that is set to undefined is taken away. */
export function changeItem(
  course: Course,
  id: string,
  more: { readonly [Rule in keyof CourseItem]?: CourseItem[Rule] | undefined },
): Course {
  const items = course.items.map(item => {
    if (item.pattern !== id) return item;
    const { pin, from, to, gate, layers, ...rest } = { ...item, ...more };
    return {
      ...rest,
      pattern: id,
      value: more.value ?? item.value,
      ...(pin !== undefined && { pin }),
      ...(from !== undefined && { from }),
      ...(to !== undefined && { to }),
      ...(gate && { gate }),
      ...(layers !== undefined && { layers }),
    };
  });
  return { ...course, items };
}

function withWhatIf(course: Course, whatIf: WhatIf): Course {
  switch (whatIf.kind) {
    case 'minutes':
      return {
        ...course,
        lessons: course.lessons.map(lesson => ({ ...lesson, minutes: lesson.minutes + whatIf.minutes })),
      };
    case 'lesson':
      return addLesson(course);
    case 'unpin':
      return changeItem(course, whatIf.id, { pin: undefined });
    case 'without':
      return course;
    default:
      return whatIf satisfies never;
  }
}

/** What lies in a lesson that is now another by number goes along, and what is pinned there. */
function moveLesson(course: Course, from: number, to: number): Course {
  const inIt = (course.placed ?? []).filter(({ lesson }) => lesson === from);
  const items = course.items.map(item => (item.pin === from ? { ...item, pin: to } : item));
  return placeItems({ ...course, items }, Object.fromEntries(inIt.map(({ pattern }) => [pattern, to])));
}
