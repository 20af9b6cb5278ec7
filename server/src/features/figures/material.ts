import { createHash } from 'node:crypto';
import type { Material, MaterialAnswer } from '@map-step/contract';
import type { Course, Pattern } from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { courseAggregate } from '../courses/course-aggregate.ts';
import {
  dancesOf,
  listChanged,
  listElementsOf,
  listLevelsOf,
  listOfDances,
  printStamp,
  readMaterialStamps,
} from './material-store.ts';

/** Of which the figures are asked: a course, a dance, or of none. */
interface Asked {
  readonly course?: string | undefined;
  readonly dance?: string | undefined;
}

/**
 * The material of a course: its dances, its items, and what they need; or that of one dance. Of neither all dances and
 * levels, and no figures. Nothing but the stamp when all is as the asker has it.
 */
export async function readMaterial(
  scope: StudioScope,
  asked: Asked,
  known: string | undefined,
): Promise<MaterialAnswer> {
  const course =
    asked.course === undefined ? undefined : (await getStored(courseAggregate(scope, asked.course))).body;
  const dances = course ? dancesOfCourse(course) : asked.dance === undefined ? undefined : [asked.dance];
  const hash = hashOf([dances, itemsOf(course)]);
  const [knownHash, knownStamp = ''] = known?.split('/', 2) ?? [];
  // Read before the figures: what changes in between is then fetched once more, not passed over.
  const stamps = await readMaterialStamps(scope);
  if (knownHash === hash && printStamp(stamps, dancesOf(knownStamp)) === knownStamp)
    return { stamp: known ?? '', material: null };
  const material = dances ? await listMaterial(scope, dances, itemsOf(course)) : await listFrames(scope);
  const involved = material.dances.map(({ id }) => id);
  const stamp = `${hash}/${printStamp(stamps, involved)}`;
  if (knownHash !== hash) return { stamp, material };
  const { dances: danceIds, levels, patterns, elements } = await listChanged(scope, knownStamp);
  const isIn =
    (changed: ReadonlySet<string>) =>
    ({ id }: { readonly id: string }) =>
      changed.has(id);
  const idsOf = (entries: readonly { readonly id: string }[]) => entries.map(({ id }) => id);
  return {
    stamp,
    material: {
      dances: material.dances.filter(isIn(danceIds)),
      levels: material.levels.filter(isIn(levels)),
      patterns: material.patterns.filter(isIn(patterns)),
      elements: material.elements.filter(isIn(elements)),
    },
    order: {
      dances: idsOf(material.dances),
      levels: idsOf(material.levels),
      patterns: idsOf(material.patterns),
      elements: idsOf(material.elements),
    },
  };
}

/** All that a course is planned and taught with. */
export function materialOfCourse(scope: StudioScope, course: Course): Promise<Material> {
  return listMaterial(scope, dancesOfCourse(course), itemsOf(course));
}

/** All that some dances are planned and taught with, and figures besides. What a figure needs may be of another dance. */
export async function listMaterial(
  scope: StudioScope,
  dances: readonly string[],
  besides: readonly string[],
): Promise<Material> {
  const patterns = await listOfDances(scope, dances, besides);
  const involved = [...new Set([...dances, ...patterns.map(({ dance }: Pattern) => dance)])];
  return {
    dances: await documentStore(scope, 'dances').listSome(involved),
    levels: await listLevelsOf(scope, involved),
    patterns,
    elements: await listElementsOf(scope, involved),
  };
}

async function listFrames(scope: StudioScope): Promise<Material> {
  return {
    dances: await documentStore(scope, 'dances').list(),
    levels: await documentStore(scope, 'levels').list(),
    patterns: [],
    elements: [],
  };
}

function dancesOfCourse({ dances, lessons }: Course): readonly string[] {
  return [...new Set([...dances, ...lessons.flatMap(({ dance }) => dance ?? [])])];
}

function itemsOf(course: Course | undefined): readonly string[] {
  return course?.items.map(({ pattern }) => pattern) ?? [];
}

function hashOf(value: unknown): string {
  return createHash('sha256').update(JSON.stringify(value)).digest('base64url').slice(0, 12);
}
