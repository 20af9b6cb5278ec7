import type { Danced } from '../memory/recall.ts';
import type { FigureLog, Log, Recap, Section } from '../model/document.ts';
import { standingLogs, standingPrepared } from './standing.ts';

/**
 * How many lessons a class has behind it: up to the last with a recap, and all before the newest logged one.
 * A lesson is finished by drafting its recap; one that is only logged is still running.
 */
export function lessonsBehind(logs: readonly Log[], recaps: readonly Pick<Recap, 'lesson'>[]): number {
  const recapped = recaps.map(({ lesson }) => lesson);
  const logged = logs.map(({ lesson }) => lesson - 1);
  return Math.max(0, ...recapped, ...logged);
}

/** Figures that were shaky when they were logged last. */
export function shakyFigures(logs: readonly Log[]): readonly string[] {
  const last = new Map<string, FigureLog>();
  for (const log of standingLogs(logs)) {
    const other = last.get(log.pattern);
    if (!other || other.lesson <= log.lesson) last.set(log.pattern, log);
  }
  return [...last.values()].flatMap(({ pattern, result }) => (result === 'shaky' ? [pattern] : []));
}

/** What is known of what a class did. */
export interface ClassHistory {
  readonly logs: readonly Log[];
  readonly recaps: readonly Pick<Recap, 'lesson'>[];
  /** Lessons whose day has passed, whether or not anybody wrote of them. */
  readonly over?: number;
}

export interface ClassProgress {
  /** Lessons behind the class. */
  readonly lessons: number;
  /** Those among them of which nobody wrote anything. */
  readonly unwritten: readonly number[];
  /** The lesson in which each figure was first reached. */
  readonly taught: { readonly [pattern: string]: number };
  /** The lesson in which each element was taught ahead of its figures. */
  readonly prepared: { readonly [element: string]: number };
  /** Figures that were planned, logged as not reached and never reached since. */
  readonly carried: readonly string[];
  /** Figures that were touched and never more than that: they come back as new. */
  readonly begun: readonly string[];
  /** The lesson in which each figure was first danced of those that had only been touched before it. */
  readonly returned: { readonly [pattern: string]: number };
}

/** What a class has really been taught in the lessons behind it. */
export function classProgress({ logs, recaps, over = 0 }: ClassHistory): ClassProgress {
  const lessons = Math.max(over, lessonsBehind(logs, recaps));
  const written = new Set([...logs, ...recaps].map(({ lesson }) => lesson));
  const all = Array.from({ length: lessons }, (_, index) => index + 1);
  const standing = standingLogs(logs)
    .filter(({ lesson }) => lesson <= lessons)
    .sort((a, b) => a.lesson - b.lesson);
  const taught: Record<string, number> = {};
  for (const { pattern, lesson, result } of standing)
    if (result !== 'not-reached') taught[pattern] ??= lesson;
  const danced: Record<string, number> = {};
  for (const { pattern, lesson, result } of standing)
    if (result === 'solid' || result === 'shaky') danced[pattern] ??= lesson;
  const missed = standing.filter(({ result }) => result === 'not-reached').map(({ pattern }) => pattern);
  return {
    lessons,
    unwritten: all.filter(lesson => !written.has(lesson)),
    taught,
    prepared: Object.fromEntries(
      standingPrepared(logs)
        .filter(({ lesson, result }) => lesson <= lessons && result !== 'not-reached')
        .map(({ element, lesson }) => [element, lesson]),
    ),
    carried: [...new Set(missed)].filter(pattern => taught[pattern] === undefined),
    begun: Object.keys(taught).filter(pattern => danced[pattern] === undefined),
    returned: Object.fromEntries(
      Object.entries(danced).filter(([pattern, lesson]) => lesson > (taught[pattern] ?? lesson)),
    ),
  };
}

/** What a class has danced in the lessons before one, each with its day: what its memory of a figure is made of. */
export function dancedBefore(
  { dates }: Pick<Section, 'dates'>,
  logs: readonly Log[],
  lesson: number,
): readonly Danced[] {
  return standingLogs(logs).flatMap(({ pattern, result, lesson: at }) => {
    const date = dates[at - 1];
    return date === undefined || at >= lesson ? [] : [{ pattern, result, date }];
  });
}

/** How many lessons of a class have had their day before `today`. */
export function lessonsPassed(dates: readonly string[], today: string): number {
  return dates.filter(date => date < today).length;
}

/** A class as its course is planned by it. */
export interface ClassSoFar {
  /** Of its lessons, in order. */
  readonly dates: readonly string[];
  /** Lessons of which its teachers have told that they are over. */
  readonly behind: number;
}

/**
 * How many lessons of a course are over, for the most advanced of the classes that are not at their end on `today`; where
 * all are, for the most advanced of all. A lesson is over when it was finished, or its day has passed.
 */
export function lessonsOver(classes: readonly ClassSoFar[], today: string): number {
  const running = classes.filter(({ dates }) => (dates.at(-1) ?? today) >= today);
  const counted = running.length > 0 ? running : classes;
  const over = ({ dates, behind }: ClassSoFar) => Math.max(behind, lessonsPassed(dates, today));
  return Math.max(0, ...counted.map(over));
}
