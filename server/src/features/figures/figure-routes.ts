import { createHash } from 'node:crypto';
import type { MaterialAnswer } from '@map-step/contract';
import type { Course } from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { route } from '../../http/route.ts';
import { courseAggregate } from '../courses/course-aggregate.ts';
import { figureAggregate } from './figure-aggregate.ts';
import {
  dancesOf,
  listElementsOf,
  listLevelsOf,
  listOfDances,
  printStamp,
  readMaterialStamps,
} from './material-store.ts';

export const figureRoutes = [
  route('material.read', (scope, { query }) => readMaterial(scope, query.course, query.stamp)),
  route('figure.create', (scope, { who, body: { figure } }) =>
    createDocument(figureAggregate(scope, figure.id), 'patterns', who.id, figure),
  ),
  route('figure.read', (scope, { params }) => tellVersioned(figureAggregate(scope, params.figure))),
  route('figure.command', (scope, { who, params, body }) =>
    runDocumentCommand(figureAggregate(scope, params.figure), who.id, body.command),
  ),
];

/**
 * The material of a course: its dances, its items, and what they need. Without a course no figures; nothing
 * but the stamp when all is as the asker has it.
 */
async function readMaterial(
  scope: StudioScope,
  id: string | undefined,
  known: string | undefined,
): Promise<MaterialAnswer> {
  const course = id === undefined ? undefined : (await getStored(courseAggregate(scope, id))).body;
  const dances = [...new Set([...(course?.dances ?? []), ...lessonDances(course)])];
  const items = course?.items.map(({ pattern }) => pattern) ?? [];
  const asked = hashOf([dances, items]);
  const [knownAsked, knownStamp = ''] = known?.split('/', 2) ?? [];
  // Read before the figures: what changes in between is then fetched once more, not passed over.
  const stamps = await readMaterialStamps(scope);
  if (knownAsked === asked && printStamp(stamps, dancesOf(knownStamp)) === knownStamp)
    return { stamp: known ?? '', material: null };
  const patterns = await listOfDances(scope, dances, items);
  // What a figure needs may be of another dance: the stamp speaks for that too.
  const involved = [...new Set([...dances, ...patterns.map(({ dance }) => dance)])];
  const material = {
    dances: await documentStore(scope, 'dances').listSome(involved),
    levels: await listLevelsOf(scope, involved),
    patterns,
    elements: await listElementsOf(scope, involved),
  };
  return { stamp: `${asked}/${printStamp(stamps, involved)}`, material };
}

function lessonDances(course: Course | undefined): readonly string[] {
  return course?.lessons.flatMap(({ dance }) => dance ?? []) ?? [];
}

function hashOf(value: unknown): string {
  return createHash('sha256').update(JSON.stringify(value)).digest('base64url').slice(0, 12);
}
