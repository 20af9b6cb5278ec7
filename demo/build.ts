import { writeFileSync } from 'node:fs';
import {
  draftRecaps,
  finishedLesson,
  openLibrary,
  type Recap,
  type StudioDocument,
  writeDocument,
} from '@map-step/core';
import { tarnStreet } from './tarn-street.ts';

/** The demo studio with a recap for each lesson that was taught, drafted as the Lesson room would. */
function buildDemo(studio: StudioDocument): StudioDocument {
  return { ...studio, recaps: (studio.sections ?? []).flatMap(({ id }) => sectionRecaps(studio, id)) };
}

function sectionRecaps(studio: StudioDocument, sectionId: string): Recap[] {
  const section = studio.sections?.find(({ id }) => id === sectionId);
  const course = studio.courses?.find(({ id }) => id === section?.course);
  if (!section || !course) throw new Error(`${sectionId}: there is no such class`);
  const logs = studio.logs?.filter(log => log.section === sectionId) ?? [];
  const taught = Math.max(...logs.map(({ lesson }) => lesson));
  const library = openLibrary(studio);
  return Array.from({ length: taught }, (_, index) => index + 1).flatMap(lesson => {
    const drafts = draftRecaps(finishedLesson(studio, library, { section, course, lesson }));
    return (['students', 'staff'] as const).map(audience => ({
      section: sectionId,
      lesson,
      audience,
      markdown: drafts[audience],
      ...(drafts.promises.length > 0 && { promises: drafts.promises }),
      published: `${section.dates[lesson - 1]}T20:30:00Z`,
    }));
  });
}

const [, , file = new URL('tarn-street.json', import.meta.url)] = process.argv;
writeFileSync(file, writeDocument(buildDemo(tarnStreet)));
