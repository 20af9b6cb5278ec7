import {
  draftRecaps,
  followedPlacing,
  openLibrary,
  type RecapDrafts,
  type StudioDocument,
  shotList,
} from '@map-step/core';
import { readSoundStudio, readStudio } from './files.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

/** The recaps of a lesson that a class has logged, for its students and its staff. */
export function recap(args: Arguments): RecapDrafts {
  const [file = '', sectionId = '', number = ''] = takeWords(args, 'FILE', 'SECTION', 'N');
  const { document, section, course, lesson } = findLesson(file, sectionId, number);
  const own = <Entry extends { readonly section: string; readonly lesson: number }>(
    entries: readonly Entry[] = [],
  ) => entries.filter(entry => entry.section === section.id && entry.lesson <= lesson);
  const published = document.plans?.findLast(plan => plan.course === course.id && plan.published);
  return draftRecaps({
    studio: document.studio,
    ...(typeof document.settings?.['localRules'] === 'string' && {
      localRules: document.settings['localRules'],
    }),
    tellsOtherCounts: document.settings?.['otherCounts'] === true,
    course,
    library: openLibrary(document),
    published: followedPlacing(course, published),
    lesson,
    logs: own(document.logs),
    notes: own(document.notes),
    attendance: own(document.attendance),
    students: document.students ?? [],
    members: section.students,
    dates: section.dates,
    combinations: document.combinations ?? [],
    recaps: Array.from({ length: lesson - 1 }, (_, before) => ({ lesson: before + 1 })),
  });
}

/** The takes by which a lesson's new figures are filmed. */
export function shots(args: Arguments) {
  const [file = '', sectionId = '', number = ''] = takeWords(args, 'FILE', 'SECTION', 'N');
  const { document, section, course, lesson } = findLesson(file, sectionId, number);
  const logs = (document.logs ?? []).filter(log => log.section === section.id);
  const { studio } = document;
  return shotList({ library: openLibrary(document), studio, lessons: course.lessons.length, lesson, logs });
}

function findLesson(file: string, sectionId: string, number: string) {
  const whole = readStudio(file);
  const section = whole.sections?.find(({ id }) => id === sectionId);
  const course = whole.courses?.find(({ id }) => id === section?.course);
  if (!section || !course) {
    const there = (whole.sections ?? []).map(({ id }) => id).join(', ') || 'none';
    throw new UsageError(`${file}: /sections: there is no class "${sectionId}"; there are: ${there}`);
  }
  const lesson = Number(number);
  if (!Number.isInteger(lesson) || lesson < 1 || lesson > course.lessons.length)
    throw new UsageError(`N must be a whole number from 1 to ${course.lessons.length}, not "${number}"`);
  const document: StudioDocument = readSoundStudio(file, new Set(course.items.map(({ pattern }) => pattern)));
  return { document, section, course, lesson };
}
