import {
  draftRecaps,
  finishedLesson,
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
  return draftRecaps(finishedLesson(document, openLibrary(document), { section, course, lesson }));
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
