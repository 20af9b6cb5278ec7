import type { NextTermAnswer } from '@map-step/contract';
import { nextTerm } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { getStudio } from '../studio/studio-store.ts';
import { listNewestChecks, resultsOf } from './newest-checks.ts';

/** Who could come to each level next term, by the newest check of each class. */
export async function readNextTerm(
  scope: StudioScope,
  clock: Pick<Deps, 'now' | 'today'>,
): Promise<NextTermAnswer> {
  const today = todayIn(clock, (await getStudio(scope)).timezone);
  const newest = await listNewestChecks(scope, today);
  const dances = new Map((await documentStore(scope, 'dances').list()).map(({ id, name }) => [id, name]));
  const levels = await documentStore(scope, 'levels').list();
  const classes = newest.map(one => ({ level: one.course.level, results: resultsOf(one) }));
  const named = new Map(levels.map(level => [level.id, level]));
  return {
    levels: nextTerm(levels, classes).map(one => ({
      ...one,
      name: named.get(one.level)?.name ?? one.level,
      dance: dances.get(named.get(one.level)?.dance ?? '') ?? '',
    })),
    checks: newest.map(({ section, course, check: { kind, date } }) => ({
      section: section.id,
      course: course.id,
      name: course.name,
      kind,
      date,
    })),
  };
}
