import type { Library } from '../library/library.ts';
import type { Course, Section, StudioDocument } from '../model/document.ts';
import { followedPlacing } from '../plan/placed-order.ts';
import type { FinishedLesson } from './draft-recaps.ts';

/** A lesson of a class as its recaps are drafted from it, out of a whole studio. */
export function finishedLesson(
  document: StudioDocument,
  library: Library,
  {
    section,
    course,
    lesson,
  }: { readonly section: Section; readonly course: Course; readonly lesson: number },
): FinishedLesson {
  const own = <Entry extends { readonly section: string; readonly lesson: number }>(
    entries: readonly Entry[] = [],
  ) => entries.filter(entry => entry.section === section.id && entry.lesson <= lesson);
  const published = document.plans?.findLast(plan => plan.course === course.id && plan.published);
  const { settings } = document;
  return {
    studio: document.studio,
    ...(typeof settings?.['localRules'] === 'string' && { localRules: settings['localRules'] }),
    tellsOtherCounts: settings?.['otherCounts'] === true,
    ...{ course, library, lesson },
    published: followedPlacing(course, published),
    logs: own(document.logs),
    notes: own(document.notes),
    attendance: own(document.attendance),
    students: document.students ?? [],
    members: section.students,
    dates: section.dates,
    combinations: document.combinations ?? [],
    staff: section.staff,
    people: document.people ?? [],
    marks: (document.checks ?? [])
      .filter(check => check.section === section.id && check.date === section.dates[lesson - 1])
      .flatMap(check => check.marks),
    recaps: own(document.recaps).filter(recap => recap.lesson < lesson),
  };
}
