import { writeFileSync } from 'node:fs';
import {
  buildPlanProblem,
  draftRecap,
  judgePlan,
  openLibrary,
  type Recap,
  type StudioDocument,
  writeDocument,
} from '@map-step/core';
import { tarnStreet } from './tarn-street.ts';

/** The demo studio with a recap for each lesson that was taught, drafted as the Lesson room would. */
export function buildDemo(studio: StudioDocument): StudioDocument {
  return { ...studio, recaps: (studio.sections ?? []).flatMap(({ id }) => sectionRecaps(studio, id)) };
}

function sectionRecaps(studio: StudioDocument, sectionId: string): Recap[] {
  const section = studio.sections?.find(({ id }) => id === sectionId);
  const course = studio.courses?.find(({ id }) => id === section?.course);
  const logs = studio.logs?.filter(log => log.section === sectionId) ?? [];
  const library = openLibrary(studio);
  const problem = course && buildPlanProblem(library, course);
  if (!course || !problem?.ok) throw new Error(`${sectionId}: its course cannot be planned`);
  const placed = Object.fromEntries((course.placed ?? []).map(({ pattern, lesson }) => [pattern, lesson]));
  const { lessons } = judgePlan(problem.value, placed);
  const taught = Math.max(...logs.map(({ lesson }) => lesson));
  return Array.from({ length: taught }, (_, index) => index + 1).flatMap(lesson =>
    (['students', 'staff'] as const).map(audience => ({
      section: sectionId,
      lesson,
      audience,
      markdown: draftRecap({
        studio: studio.studio,
        course,
        library,
        lesson,
        audience,
        logs,
        introduced: lessons[lesson - 1]?.introduce ?? [],
        next: lessons[lesson]?.introduce ?? [],
      }),
      published: `${section?.dates[lesson - 1]}T20:30:00Z`,
    })),
  );
}

if (process.argv[1] === import.meta.filename)
  writeFileSync(new URL('tarn-street.json', import.meta.url), writeDocument(buildDemo(tarnStreet)));
