import type { Attendance, Log } from '../model/document.ts';
import { standingLogs } from './standing.ts';

/**
 * The figures that each student lacks: danced by the class in lessons in which the student was noted as away, and in none
 * in which the student was not. In the order in which they were danced first; students who lack nothing are left out.
 */
export function missedFigures(
  logs: readonly Log[],
  attendance: readonly Attendance[],
): ReadonlyMap<string, readonly string[]> {
  const away = new Map<string, Set<number>>();
  for (const { student, lesson, here } of attendance) {
    const lessons = away.get(student) ?? new Set();
    if (here) lessons.delete(lesson);
    else lessons.add(lesson);
    away.set(student, lessons);
  }
  const danced = new Map<string, number[]>();
  for (const { pattern, lesson, result } of standingLogs(logs).toSorted((a, b) => a.lesson - b.lesson))
    if (result !== 'not-reached') danced.set(pattern, [...(danced.get(pattern) ?? []), lesson]);
  const missed = [...away].map(([student, lessons]) => {
    const lacking = [...danced].filter(([, evenings]) => evenings.every(lesson => lessons.has(lesson)));
    return [student, lacking.map(([pattern]) => pattern)] as const;
  });
  return new Map(missed.filter(([, figures]) => figures.length > 0));
}
