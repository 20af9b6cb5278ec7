import { type ClassProgress, classProgress } from '../class/progress.ts';
import { addDays } from '../model/days.ts';
import type { Log, Recap, Section } from '../model/document.ts';
import type { Placed } from '../plan/problem.ts';

/** What is known of a class on a day. */
export interface ClassFacts {
  readonly dates: Section['dates'];
  readonly logs: readonly Log[];
  /** Recaps for its students that were published, and drafts. */
  readonly recaps: readonly (Pick<Recap, 'lesson'> & { readonly isPublished: boolean })[];
  /** The plan that its teachers follow. */
  readonly plan: Placed;
}

/** Where a class stands on a day; lessons count from 1. */
export interface ClassStanding {
  readonly today?: number;
  readonly tomorrow?: number;
  /** The next lesson from today on. */
  readonly next?: number;
  /** Past lessons of which nothing was logged. */
  readonly unlogged: readonly number[];
  /** Past lessons whose students have nothing to read yet. */
  readonly unrecapped: readonly number[];
  /** Figures that the plan had in the lessons behind it and that it has not reached. */
  readonly behind: readonly string[];
  /** Figures it has been taught that the plan has in lessons to come. */
  readonly ahead: readonly string[];
}

/** Where a class stands: its next evenings, what is still to be written of those past, what it lacks and has more. */
export function classStanding({ dates, logs, recaps, plan }: ClassFacts, today: string): ClassStanding {
  const lessonOn = (date: string) => dates.indexOf(date) + 1 || undefined;
  const progress = classProgress({ logs, recaps });
  const past = dates.flatMap((date, index) => (date < today ? [index + 1] : []));
  const logged = new Set(logs.map(({ lesson }) => lesson));
  const told = new Set(recaps.flatMap(({ lesson, isPublished }) => (isPublished ? lesson : [])));
  const next = dates.findIndex(date => date >= today) + 1;
  const [tonight, tomorrow] = [lessonOn(today), lessonOn(addDays(today, 1))];
  return {
    ...(tonight !== undefined && { today: tonight }),
    ...(tomorrow !== undefined && { tomorrow }),
    ...(next > 0 && { next }),
    unlogged: past.filter(lesson => !logged.has(lesson)),
    unrecapped: past.filter(lesson => !told.has(lesson)),
    ...driftFrom(plan, progress),
  };
}

function driftFrom(
  plan: Placed,
  { lessons, taught }: ClassProgress,
): Pick<ClassStanding, 'behind' | 'ahead'> {
  const planned = Object.entries(plan);
  return {
    behind: planned.flatMap(([id, lesson]) => (lesson <= lessons && taught[id] === undefined ? [id] : [])),
    ahead: planned.flatMap(([id, lesson]) => (lesson > lessons && taught[id] !== undefined ? [id] : [])),
  };
}
