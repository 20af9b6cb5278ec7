import { type CourseLesson, type PlannedLesson, placedOf } from '@map-step/core';
import { expect, test } from 'vitest';
import { lessonMinutes } from './lesson-minutes.ts';

const lesson: CourseLesson = {
  minutes: 60,
  fixed: { arrive: 3, warmUp: 5, recall: 6, combine: 6, dance: 7.5, recap: 3 },
};
const planned = (fresh: number, review: number) => ({ new: fresh, review }) as PlannedLesson;

test('fixed minutes are all blocks but recall: 3 + 5 + 6 + 7.5 + 3 = 24.5; the rest is free', () => {
  expect(lessonMinutes(lesson, planned(200, 55))).toEqual({
    length: 60,
    fixed: 24.5,
    review: 5.5,
    new: 20,
    free: 10,
  });
});

test('an overfull lesson has less than nothing free', () => {
  expect(lessonMinutes(lesson, planned(400, 0)).free).toBe(-4.5);
});

test('a lesson without a plan is free but for its blocks', () => {
  expect(lessonMinutes(lesson, undefined)).toMatchObject({ new: 0, review: 0, free: 35.5 });
});

test('a plan’s placements are found by figure; no plan places nothing', () => {
  expect(placedOf({ placed: [{ pattern: 'a', lesson: 2 }] })).toEqual({ a: 2 });
  expect(placedOf(null)).toEqual({});
});
