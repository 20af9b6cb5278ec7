import type { RollOverAnswer } from '@map-step/contract';
import {
  type Check,
  type Course,
  draftPlacing,
  groupBy,
  type Log,
  openLibrary,
  rollOver,
  type Section,
} from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { listMaterial } from '../figures/material.ts';
import { getStudio } from '../studio/studio-store.ts';
import { publishedPlans } from './running-classes.ts';

/** What the classes of a course that are over teach its next one; null for a course that is not there. */
export async function readRollOver(
  scope: StudioScope,
  id: string,
  clock: Pick<Deps, 'now' | 'today'>,
): Promise<RollOverAnswer | null> {
  const course = (await documentStore(scope, 'courses').find(id))?.body;
  if (!course) return null;
  const today = todayIn(clock, (await getStudio(scope)).timezone);
  const held = await listHeld(scope, id, today);
  if (held.length === 0) return { held: 0, proposals: [] };
  const items = course.items.map(({ pattern }) => pattern);
  const library = openLibrary(await listMaterial(scope, course.dances, items));
  const followed = (await publishedPlans(scope, [id])).get(id) ?? draftPlacing(course);
  const above = await listAbove(scope, course);
  return { held: held.length, proposals: [...rollOver(library, { course, followed, held, above })] };
}

interface Held {
  readonly section: Section;
  readonly logs: readonly Log[];
  readonly checks: readonly Check[];
}

/** The classes of a course of which the last evening has passed, and of which something was written. */
async function listHeld(scope: StudioScope, course: string, today: string): Promise<readonly Held[]> {
  const held = await scope.select<Held>(
    `SELECT s.body AS section,
       COALESCE((SELECT jsonb_agg(l.body ORDER BY l.seq) FROM logs l
         WHERE l.studio_id = $1 AND l.section_id = s.id), '[]') AS logs,
       COALESCE((SELECT jsonb_agg(c.body || jsonb_build_object('marks', COALESCE((SELECT jsonb_agg(m.body - 'check' ORDER BY m.seq)
           FROM marks m WHERE m.studio_id = $1 AND m.check_id = c.id), '[]')) ORDER BY c.position)
         FROM checks c WHERE c.studio_id = $1 AND c.section_id = s.id), '[]') AS checks
     FROM sections s WHERE s.studio_id = $1 AND s.course_id = $2 AND s.last_date < $3 ORDER BY s.last_date DESC LIMIT 12`,
    [course, today],
  );
  return held.filter(({ logs }) => logs.length > 0);
}

/** What was written of the classes of the level above, by their courses. */
async function listAbove(
  scope: StudioScope,
  { level }: Course,
): Promise<readonly { readonly name: string; readonly logs: readonly Log[] }[]> {
  const rows = await scope.select<{ name: string; body: Log }>(
    `SELECT o.body ->> 'name' AS name, l.body FROM levels own
       JOIN LATERAL (SELECT id FROM levels up WHERE up.studio_id = $1 AND up.body ->> 'dance' = own.body ->> 'dance'
         AND (up.body ->> 'order')::numeric > (own.body ->> 'order')::numeric
         ORDER BY (up.body ->> 'order')::numeric LIMIT 1) up ON true
       JOIN courses o ON o.studio_id = $1 AND o.body ->> 'level' = up.id
       JOIN sections s ON s.studio_id = $1 AND s.course_id = o.id
       JOIN logs l ON l.studio_id = $1 AND l.section_id = s.id
     WHERE own.studio_id = $1 AND own.id = $2 ORDER BY l.seq`,
    [level ?? ''],
  );
  return [...groupBy(rows, ({ name }) => name)].map(([name, own]) => ({
    name,
    logs: own.map(({ body }) => body),
  }));
}
