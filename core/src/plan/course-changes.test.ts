import { describe, expect, test } from 'vitest';
import type { Course } from '../model/document.ts';
import { tenths } from '../model/units.ts';
import { laid } from '../test/plan-problems.ts';
import {
  addLesson,
  canDropLesson,
  changeItem,
  changeLesson,
  dropItem,
  dropLesson,
  dropSecondLook,
  placeItems,
  takeSpareUse,
  takeWhatIf,
  withBlock,
} from './course-changes.ts';

const fixed = { arrive: 5, combine: 10, dance: 10, recap: 5 };
const course: Course = {
  id: 'quay-1',
  dances: ['hustle'],
  name: 'Quay 1',
  format: 'series',
  approach: 'steps-first',
  lookalikes: 'apart',
  lessons: [
    { minutes: 60, fixed },
    { minutes: 75, fixed },
    { minutes: 60, fixed: { ...fixed, check: 15 } },
  ],
  items: [
    { pattern: 'walk', value: 'must', from: 1 },
    { pattern: 'sway', value: 'should', pin: 3 },
    { pattern: 'turn', value: 'could', gate: true },
  ],
  placed: [
    { pattern: 'walk', lesson: 1 },
    { pattern: 'sway', lesson: 3 },
  ],
};
const lies = ({ placed = [] }: Course) =>
  Object.fromEntries(placed.map(({ pattern, lesson }) => [pattern, lesson]));
const pinOf = ({ items }: Course, id: string) => items.find(({ pattern }) => pattern === id)?.pin;

describe('lessons', () => {
  test('one more comes before the last and is like the one before it; what lies or is pinned in the last goes along', () => {
    const longer = addLesson(course);
    expect(longer.lessons.map(({ minutes }) => minutes)).toEqual([60, 75, 75, 60]);
    expect(longer.lessons.at(-1)).toEqual(course.lessons.at(-1));
    expect(lies(longer)).toEqual({ walk: 1, sway: 4 });
    expect(pinOf(longer, 'sway')).toBe(4);
  });

  test('taken away again, all is as it was', () => {
    expect(dropLesson(addLesson(course))).toEqual(course);
  });

  test('one that holds a figure stays, and so do the last two', () => {
    const full = placeItems(course, { turn: 2 });
    expect(canDropLesson(3, { walk: 1, turn: 2 })).toBe(false);
    expect(dropLesson(full)).toBe(full);
    expect(canDropLesson(3, { walk: 1, sway: 3 })).toBe(true);
    expect(canDropLesson(2, {})).toBe(false);
  });

  test('a course without lessons has none to be like', () => {
    expect(addLesson({ ...course, lessons: [] }).lessons).toEqual([]);
  });

  test('a block is taken away where a lesson may do without it, and is at none where it may not', () => {
    const { check: _, ...without } = { ...fixed, check: 15 };
    expect(withBlock({ ...fixed, check: 15 }, 'check', undefined)).toEqual(without);
    expect(withBlock(fixed, 'arrive', undefined)).toEqual({ ...fixed, arrive: 0 });
    expect(withBlock(fixed, 'warmUp', 8)).toEqual({ ...fixed, warmUp: 8 });
  });

  test('one lesson is changed, and one that is not there changes nothing', () => {
    expect(changeLesson(course, 1, { minutes: 90 }).lessons.map(({ minutes }) => minutes)).toEqual([
      60, 90, 60,
    ]);
    expect(changeLesson(course, 7, { minutes: 90 })).toBe(course);
  });
});

describe('figures', () => {
  test('are moved and left out, in the order of the items', () => {
    expect(placeItems(course, { sway: null, turn: 2, walk: 2 }).placed).toEqual([
      { pattern: 'walk', lesson: 2 },
      { pattern: 'turn', lesson: 2 },
    ]);
  });

  test('a rule is set, and taken away by undefined; the others stay', () => {
    expect(changeItem(course, 'sway', { pin: undefined, to: 3 }).items[1]).toEqual({
      pattern: 'sway',
      value: 'should',
      to: 3,
    });
    expect(changeItem(course, 'turn', { gate: undefined }).items[2]).toEqual({
      pattern: 'turn',
      value: 'could',
    });
    expect(changeItem(course, 'walk', { value: 'could' }).items[0]).toEqual({
      pattern: 'walk',
      value: 'could',
      from: 1,
    });
  });
});

describe('what was tried is taken as one change', () => {
  test('a lesson more, with the figures where they then lie and the pin with them', () => {
    const taken = takeWhatIf(course, { kind: 'lesson' }, laid({ walk: 1, sway: 4, turn: 3 }));
    expect(taken.lessons).toHaveLength(4);
    expect(lies(taken)).toEqual({ walk: 1, sway: 4, turn: 3 });
    expect(pinOf(taken, 'sway')).toBe(4);
  });

  test('minutes more in each lesson', () => {
    const taken = takeWhatIf(course, { kind: 'minutes', minutes: 5 }, laid({ turn: 1 }));
    expect(taken.lessons.map(({ minutes }) => minutes)).toEqual([65, 80, 65]);
    expect(lies(taken)).toEqual({ turn: 1 });
  });

  test('a figure away leaves the lessons as they are', () => {
    const taken = takeWhatIf(course, { kind: 'without', id: 'walk' }, laid({ sway: 3 }));
    expect(taken.lessons).toBe(course.lessons);
    expect(lies(taken)).toEqual({ sway: 3 });
  });
});

describe('free minutes are used as one change', () => {
  const use = (kind: Parameters<typeof takeSpareUse>[1]['kind'], id: string, lesson: number) =>
    takeSpareUse(course, { kind, id, lesson, minutes: tenths(40) });

  test('what was left out is placed; what is new to the course comes in as a could', () => {
    expect(lies(use('left-out', 'turn', 2))).toMatchObject({ turn: 2 });
    const wider = use('next-level', 'spin', 2);
    expect(lies(wider)).toMatchObject({ spin: 2 });
    expect(wider.items.at(-1)).toEqual({ pattern: 'spin', value: 'could' });
  });

  test('a second look is of one lesson, once, and is taken back', () => {
    const once = use('second-look', 'walk', 2);
    expect(once.lessons.map(({ again }) => again)).toEqual([undefined, ['walk'], undefined]);
    const twice = takeSpareUse(once, { kind: 'second-look', id: 'walk', lesson: 2, minutes: tenths(40) });
    expect(twice.lessons[1]?.again).toEqual(['walk']);
    expect(dropSecondLook(once, 2, 'walk').lessons[1]).toEqual(course.lessons[1]);
    expect(dropSecondLook(course, 2, 'walk')).toBe(course);
  });

  test('a figure that goes takes its second looks along; one more lesson is like the one before, without its looks', () => {
    const looked = use('second-look', 'walk', 2);
    const without = dropItem(looked, 'walk');
    expect(without.items.map(({ pattern }) => pattern)).toEqual(['sway', 'turn']);
    expect(without.lessons.every(({ again }) => again === undefined)).toBe(true);
    expect(addLesson(looked).lessons.map(({ again }) => again)).toEqual([
      undefined,
      ['walk'],
      undefined,
      undefined,
    ]);
  });
});
