// What of today's work the first page shows to whom, in words.
import type { TodayAnswer, TodaysClass } from '@map-step/contract';
import { addDays, isOnStaff } from '@map-step/core';

/** A lesson of which something is still to be written. */
export interface OpenLesson {
  readonly of: TodaysClass;
  readonly lesson: number;
  readonly date: string;
  readonly missing: 'log' | 'recap' | 'both';
}

/** One's own classes come first; a class is one's own on the day that is meant. */
export function ownFirst(classes: readonly TodaysClass[], person: string, date: string): TodaysClass[] {
  const isOwn = (one: TodaysClass) => isOnStaff(one, person, date);
  return classes.toSorted((a, b) => Number(isOwn(b)) - Number(isOwn(a)));
}

/** The classes that have an evening today, or tomorrow. */
export function eveningsOf({ classes }: TodayAnswer, day: 'today' | 'tomorrow'): readonly TodaysClass[] {
  return classes.filter(({ standing }) => standing[day] !== undefined);
}

/** Past lessons without a log or without a recap that students can read, the oldest first. */
export function openLessons(classes: readonly TodaysClass[]): readonly OpenLesson[] {
  return classes
    .flatMap(of => {
      const { unlogged, unrecapped } = of.standing;
      const lessons = [...new Set([...unlogged, ...unrecapped])];
      return lessons.map((lesson): OpenLesson => {
        const isLogged = !unlogged.includes(lesson);
        const missing = isLogged ? 'recap' : unrecapped.includes(lesson) ? 'both' : 'log';
        return { of, lesson, date: of.dates[lesson - 1] ?? '', missing };
      });
    })
    .sort((a, b) => a.date.localeCompare(b.date));
}

/** Of a teacher only the lessons that they gave; of a director all. */
export function toWrite(answer: TodayAnswer, person: string, isDirector: boolean): readonly OpenLesson[] {
  return openLessons(answer.classes).filter(({ of, date }) => isDirector || isOnStaff(of, person, date));
}

/** Classes that are behind or ahead of their plan. */
export function drifts({ classes }: TodayAnswer): readonly TodaysClass[] {
  return classes.filter(({ standing }) => standing.behind.length + standing.ahead.length > 0);
}

/** A day as people say it from today. */
export function dayInWords(date: string, today: string, print: (date: string) => string): string {
  if (date === today) return 'tonight';
  if (date === addDays(today, 1)) return 'tomorrow';
  return print(date);
}

const SHOWN = 4;
const LIST = new Intl.ListFormat('en');

/** “Wrap, Gather and 2 more”. */
export function namesInWords(names: readonly string[]): string {
  if (names.length <= SHOWN) return LIST.format(names);
  return LIST.format([...names.slice(0, SHOWN - 1), `${names.length - SHOWN + 1} more`]);
}
