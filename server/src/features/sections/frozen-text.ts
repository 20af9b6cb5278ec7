import { freezeBlocks, openLibrary } from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { courseAggregate } from '../courses/course-aggregate.ts';
import { materialOfCourse } from '../figures/material.ts';
import { getStudio } from '../studio/studio-store.ts';
import { getSection } from './rights.ts';

/** A text with its blocks as the figures of the class's course are at this moment. */
export async function frozenText(scope: StudioScope, section: string, markdown: string): Promise<string> {
  if (!markdown.includes('{{')) return markdown;
  const { course: id } = await getSection(scope, section);
  const { body: course } = await getStored(courseAggregate(scope, id));
  const library = openLibrary(await materialOfCourse(scope, course));
  return freezeBlocks(markdown, { library, studio: await getStudio(scope) });
}
