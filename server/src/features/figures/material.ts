import { createHash } from 'node:crypto';
import type { MaterialAnswer } from '@map-step/contract';
import type { Course, Material, Pattern } from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { courseAggregate } from '../courses/course-aggregate.ts';
import {
  dancesOf,
  listElementsOf,
  listLevelsOf,
  listOfDances,
  printStamp,
  readMaterialStamps,
} from './material-store.ts';

/**
 * The material of a course: its dances, its items, and what they need. Without a course no figures; nothing
 * but the stamp when all is as the asker has it.
 */
export async function readMaterial(
  scope: StudioScope,
  id: string | undefined,
  known: string | undefined,
): Promise<MaterialAnswer> {
  const course = id === undefined ? undefined : (await getStored(courseAggregate(scope, id))).body;
  const asked = hashOf([dancesOfCourse(course), itemsOf(course)]);
  const [knownAsked, knownStamp = ''] = known?.split('/', 2) ?? [];
  // Read before the figures: what changes in between is then fetched once more, not passed over.
  const stamps = await readMaterialStamps(scope);
  if (knownAsked === asked && printStamp(stamps, dancesOf(knownStamp)) === knownStamp)
    return { stamp: known ?? '', material: null };
  const material = await listMaterial(scope, course);
  const involved = material.dances.map(({ id: dance }) => dance);
  return { stamp: `${asked}/${printStamp(stamps, involved)}`, material };
}

/** All that a course is planned and taught with. What a figure needs may be of another dance. */
export async function listMaterial(scope: StudioScope, course: Course | undefined) {
  const dances = dancesOfCourse(course);
  const patterns = await listOfDances(scope, dances, itemsOf(course));
  const involved = [...new Set([...dances, ...patterns.map(({ dance }: Pattern) => dance)])];
  return {
    dances: await documentStore(scope, 'dances').listSome(involved),
    levels: await listLevelsOf(scope, involved),
    patterns,
    elements: await listElementsOf(scope, involved),
  } satisfies Material;
}

function dancesOfCourse(course: Course | undefined): readonly string[] {
  return [
    ...new Set([...(course?.dances ?? []), ...(course?.lessons.flatMap(({ dance }) => dance ?? []) ?? [])]),
  ];
}

function itemsOf(course: Course | undefined): readonly string[] {
  return course?.items.map(({ pattern }) => pattern) ?? [];
}

function hashOf(value: unknown): string {
  return createHash('sha256').update(JSON.stringify(value)).digest('base64url').slice(0, 12);
}
