import {
  addDays,
  type Check,
  type Course,
  checkCandidates,
  type Mark,
  type Readiness,
  readiness,
  type Section,
} from '@map-step/core';
import type { StudioScope } from '../../db/studio-scope.ts';

/** A check speaks for next term for so long. */
const DAYS = 200;

export interface NewestCheck {
  readonly section: Section;
  readonly course: Pick<Course, 'id' | 'name' | 'level'>;
  readonly check: Omit<Check, 'marks'>;
  readonly marks: readonly Mark[];
}

/** The newest final check of each class, of these levels where some are named; a half-way one where there is no final one. */
export function listNewestChecks(
  scope: StudioScope,
  today: string,
  levels?: readonly string[],
): Promise<readonly NewestCheck[]> {
  return scope.select<NewestCheck>(
    `SELECT DISTINCT ON (c.body ->> 'section') s.body AS section, c.body AS "check",
       jsonb_build_object('id', o.id, 'name', o.body -> 'name') ||
         CASE WHEN o.body ? 'level' THEN jsonb_build_object('level', o.body -> 'level') ELSE '{}' END AS course,
       COALESCE((SELECT jsonb_agg(m.body - 'check' ORDER BY m.seq) FROM marks m
         WHERE m.studio_id = $1 AND m.check_id = c.id), '[]') AS marks
     FROM checks c JOIN sections s ON s.studio_id = $1 AND s.id = c.body ->> 'section'
       JOIN courses o ON o.studio_id = $1 AND o.id = s.course_id
     WHERE c.studio_id = $1 AND c.body ->> 'date' >= $2 AND ($3::text[] IS NULL OR o.body ->> 'level' = ANY($3))
     ORDER BY c.body ->> 'section', c.body ->> 'kind' = 'final' DESC, c.body ->> 'date' DESC, c.position DESC`,
    [addDays(today, -DAYS), levels ?? null],
  );
}

export function resultsOf({ section, check, marks }: NewestCheck): readonly Readiness[] {
  return readiness(check.items, marks, checkCandidates(section, { date: check.date, marks }));
}
