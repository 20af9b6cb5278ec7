import type { Course, Log, LogResult } from '../model/document.ts';
import { minutesUntilDanced } from './minutes-until-danced.ts';
import { standingLogs } from './standing.ts';

export interface ClassBeside {
  readonly id: string;
  readonly logs: readonly Log[];
  /** Lessons that it has behind it. */
  readonly over: number;
}

export interface FigureBeside {
  readonly pattern: string;
  /** The lesson in which the plan has it; undefined where it is left out. */
  readonly lesson: number | undefined;
  /** Minutes that the plan gives it when it is new. */
  readonly planned: number | undefined;
  /** One a class, in their order. */
  readonly cells: readonly FigureInClass[];
}

export interface FigureInClass {
  readonly section: string;
  /** How it went last; undefined where nothing was said of it. */
  readonly result: LogResult | undefined;
  /** What it took until it was danced for the first time. */
  readonly minutes: number | undefined;
  /** The plan had it by now, and the class was not taught it. */
  readonly isLacking: boolean;
}

interface PlanOfCourse {
  readonly placed: { readonly [pattern: string]: number };
  /** Minutes of new figures by the plan. */
  readonly minutes: { readonly [pattern: string]: number };
}

/** The classes of a course beside each other: its figures in the order of the plan, what is left out of it last. */
export function sideBySide(
  { items }: Pick<Course, 'items'>,
  { placed, minutes }: PlanOfCourse,
  classes: readonly ClassBeside[],
): readonly FigureBeside[] {
  const seen = classes.map(({ id, logs, over }) => {
    const last = new Map<string, LogResult>();
    const reached = new Set<string>();
    for (const { pattern, result } of standingLogs(logs).toSorted((a, b) => a.lesson - b.lesson)) {
      last.set(pattern, result);
      if (result !== 'not-reached') reached.add(pattern);
    }
    return { id, last, reached, over, taken: minutesUntilDanced(logs) };
  });
  const lessonOf = (pattern: string) => placed[pattern] ?? Number.POSITIVE_INFINITY;
  return items
    .toSorted((a, b) => lessonOf(a.pattern) - lessonOf(b.pattern))
    .map(({ pattern }) => ({
      pattern,
      lesson: placed[pattern],
      planned: minutes[pattern],
      cells: seen.map(({ id, last, reached, over, taken }) => ({
        section: id,
        result: last.get(pattern),
        minutes: taken.get(pattern),
        isLacking: lessonOf(pattern) <= over && !reached.has(pattern),
      })),
    }));
}

export interface LearnedAcross {
  readonly pattern: string;
  readonly taken: readonly number[];
  readonly planned: number;
}

/** From so many classes on, and so many times what was planned or as much less, it is no accident. */
const CLASSES = 2;
const OFF = 1.25;
const MINUTES = 2;

/** Figures for which each of at least two classes took clearly more than planned, or each clearly less. */
export function learnedAcross(figures: readonly FigureBeside[]): readonly LearnedAcross[] {
  return figures.flatMap(({ pattern, planned, cells }): LearnedAcross[] => {
    const taken = cells.flatMap(({ minutes }) => minutes ?? []);
    if (planned === undefined || taken.length < CLASSES) return [];
    const isMore = taken.every(minutes => minutes >= planned * OFF && minutes >= planned + MINUTES);
    const isLess = taken.every(minutes => minutes * OFF <= planned && minutes <= planned - MINUTES);
    return isMore || isLess ? [{ pattern, taken, planned }] : [];
  });
}
