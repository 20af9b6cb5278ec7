import type { Attendance, Log, Section } from '../model/document.ts';
import { standingLogs } from './standing.ts';

/** Since when each is in a class, and when its lessons are. */
export type Joining = Pick<Section, 'students' | 'dates'>;

/**
 * The figures that each student lacks: introduced in lessons of which the student was in none, being noted as away or not in the
 * class yet. A figure is introduced in the lessons up to the first in which it was danced solid or shaky: a review after that
 * does not stand in for it. In the order in which they were danced first; students who lack nothing are left out.
 */
export function missedFigures(
  logs: readonly Log[],
  attendance: readonly Attendance[],
  joining?: Joining,
): ReadonlyMap<string, readonly string[]> {
  const away = new Map<string, Set<number>>();
  for (const { student, lesson, here } of attendance) {
    const lessons = away.get(student) ?? new Set();
    if (here) lessons.delete(lesson);
    else lessons.add(lesson);
    away.set(student, lessons);
  }
  const joined = joining ? firstLessons(joining) : new Map<string, number>();
  const introduced = introducingLessons(logs);
  const missed = [...new Set([...away.keys(), ...joined.keys()])].map(student => {
    const wasAway = (lesson: number) =>
      lesson < (joined.get(student) ?? 1) || away.get(student)?.has(lesson) === true;
    const lacking = [...introduced].filter(([, lessons]) => lessons.every(wasAway));
    return [student, lacking.map(([pattern]) => pattern)] as const;
  });
  return new Map(missed.filter(([, figures]) => figures.length > 0));
}

/** Of each figure the lessons in which it was introduced. */
function introducingLessons(logs: readonly Log[]): ReadonlyMap<string, readonly number[]> {
  const introduced = new Map<string, number[]>();
  const danced = new Set<string>();
  for (const { pattern, lesson, result } of standingLogs(logs).toSorted((a, b) => a.lesson - b.lesson)) {
    if (result === 'not-reached' || danced.has(pattern)) continue;
    introduced.set(pattern, [...(introduced.get(pattern) ?? []), lesson]);
    if (result !== 'touched') danced.add(pattern);
  }
  return introduced;
}

/** The first lesson of each who joined after the class had begun. */
function firstLessons({ students, dates }: Joining): ReadonlyMap<string, number> {
  const first = new Map<string, number>();
  for (const { student, from } of students) {
    const lesson = from === undefined ? 1 : dates.filter(date => date < from).length + 1;
    first.set(student, Math.min(lesson, first.get(student) ?? lesson));
  }
  return new Map([...first].filter(([, lesson]) => lesson > 1));
}
