import type { NextTermAnswer } from '@map-step/contract';
import {
  addDays,
  type Check,
  type Course,
  checkCandidates,
  type Mark,
  nextTerm,
  readiness,
  type Section,
} from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { getStudio } from '../studio/studio-store.ts';

/** A final check speaks for next term for so long. */
const DAYS = 200;

interface FinalCheck {
  readonly section: Section;
  readonly course: Pick<Course, 'id' | 'name' | 'level'>;
  readonly check: Omit<Check, 'marks'>;
  readonly marks: readonly Mark[];
}

/** Who could come to each level next term, by the newest final check of each class. */
export async function readNextTerm(
  scope: StudioScope,
  clock: Pick<Deps, 'now' | 'today'>,
): Promise<NextTermAnswer> {
  const today = todayIn(clock, (await getStudio(scope)).timezone);
  const finals = await listFinals(scope, addDays(today, -DAYS));
  const dances = new Map((await documentStore(scope, 'dances').list()).map(({ id, name }) => [id, name]));
  const levels = await documentStore(scope, 'levels').list();
  const classes = finals.map(({ section, course, check, marks }) => ({
    level: course.level,
    results: readiness(check.items, marks, checkCandidates(section, { date: check.date, marks })),
  }));
  const named = new Map(levels.map(level => [level.id, level]));
  return {
    levels: nextTerm(levels, classes).map(one => ({
      ...one,
      name: named.get(one.level)?.name ?? one.level,
      dance: dances.get(named.get(one.level)?.dance ?? '') ?? '',
    })),
    checks: finals.map(({ section, course, check }) => ({
      section: section.id,
      course: course.id,
      name: course.name,
      date: check.date,
    })),
  };
}

function listFinals(scope: StudioScope, since: string): Promise<readonly FinalCheck[]> {
  return scope.select<FinalCheck>(
    `SELECT DISTINCT ON (c.body ->> 'section') s.body AS section, c.body AS "check",
       jsonb_build_object('id', o.id, 'name', o.body -> 'name') ||
         CASE WHEN o.body ? 'level' THEN jsonb_build_object('level', o.body -> 'level') ELSE '{}' END AS course,
       COALESCE((SELECT jsonb_agg(m.body - 'check' ORDER BY m.seq) FROM marks m
         WHERE m.studio_id = $1 AND m.check_id = c.id), '[]') AS marks
     FROM checks c JOIN sections s ON s.studio_id = $1 AND s.id = c.body ->> 'section'
       JOIN courses o ON o.studio_id = $1 AND o.id = s.course_id
     WHERE c.studio_id = $1 AND c.body ->> 'kind' = 'final' AND c.body ->> 'date' >= $2
     ORDER BY c.body ->> 'section', c.body ->> 'date' DESC, c.position DESC`,
    [since],
  );
}
