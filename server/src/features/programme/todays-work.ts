import type { StaffRole, TodayAnswer, TodaysClass } from '@map-step/contract';
import {
  type ClassFacts,
  type ClassStanding,
  type Course,
  classStanding,
  countDifferences,
  draftPlacing,
} from '@map-step/core';
import { readNames } from '../../db/names.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { getStudio } from '../studio/studio-store.ts';
import { listRunning, publishedPlans, type RunningClass } from './running-classes.ts';

/** Where each running class stands today, and which plans its teachers do not see as they are. */
export async function readTodaysWork(scope: StudioScope, deps: Deps, role: StaffRole): Promise<TodayAnswer> {
  const today = todayIn(deps, (await getStudio(scope)).timezone);
  const running = await listRunning(scope, today);
  const events = await listEvents(
    scope,
    running.map(({ section }) => section.id),
  );
  const classes = running.map((one): TodaysClass => {
    const { id, dates, start, staff, room } = one.section;
    const { logs, recaps } = events.get(id) ?? { logs: [], recaps: [] };
    const standing = classStanding({ dates, plan: one.plan, logs, recaps }, today);
    const { course, students } = one;
    const lessons = course.lessons.length;
    return {
      id,
      course: course.id,
      name: course.name,
      level: course.level ?? null,
      lessons,
      start,
      dates,
      room: room ?? null,
      staff,
      students,
      standing,
    };
  });
  return {
    today,
    classes,
    figures: await namesOf(
      scope,
      classes.map(({ standing }) => standing),
    ),
    plans: role === 'director' ? await listUnpublished(scope, running, today) : [],
  };
}

interface Events {
  readonly id: string;
  readonly logs: ClassFacts['logs'];
  readonly recaps: ClassFacts['recaps'];
}

/** What was written down of some classes. */
async function listEvents(
  scope: StudioScope,
  sections: readonly string[],
): Promise<ReadonlyMap<string, Events>> {
  const rows = await scope.select<Events>(
    `SELECT s.id,
       COALESCE((SELECT jsonb_agg(body - 'note' ORDER BY l.id) FROM logs l
         WHERE l.studio_id = $1 AND l.section_id = s.id), '[]') AS logs,
       COALESCE((SELECT jsonb_agg(jsonb_build_object('lesson', lesson, 'isPublished', published_at IS NOT NULL))
         FROM recaps r WHERE r.studio_id = $1 AND r.section_id = s.id AND audience = 'students'), '[]') AS recaps
     FROM sections s WHERE studio_id = $1 AND id = ANY($2)`,
    [sections],
  );
  return new Map(rows.map(row => [row.id, row]));
}

async function namesOf(
  scope: StudioScope,
  standings: readonly ClassStanding[],
): Promise<TodayAnswer['figures']> {
  const ids = standings.flatMap(({ behind, ahead }) => [...behind, ...ahead]);
  return Object.fromEntries(await readNames(scope, 'patterns', ids));
}

const MOST_WAITING = 60;

/** Courses that run, will run or have no class yet, whose plan is not what was published. */
async function listUnpublished(
  scope: StudioScope,
  running: readonly RunningClass[],
  today: string,
): Promise<TodayAnswer['plans']> {
  const rows = await scope.select<{ body: Course; begins: string | null }>(
    `SELECT body, (SELECT min(d) FROM sections s, jsonb_array_elements_text(s.body -> 'dates') d
       WHERE s.studio_id = $1 AND s.course_id = c.id AND d >= $2) AS begins
     FROM courses c WHERE studio_id = $1 AND (id = ANY($3)
       OR EXISTS (SELECT FROM sections s WHERE s.studio_id = $1 AND s.course_id = c.id AND last_date >= $2)
       OR NOT EXISTS (SELECT FROM sections s WHERE s.studio_id = $1 AND s.course_id = c.id))
     ORDER BY begins NULLS LAST, position DESC LIMIT ${MOST_WAITING}`,
    [today, running.map(({ course }) => course.id)],
  );
  const published = await publishedPlans(
    scope,
    rows.map(({ body }) => body.id),
  );
  return rows.flatMap(({ body: course, begins }) => {
    const before = published.get(course.id);
    const moved = countDifferences(before ?? { placed: {}, ahead: [] }, draftPlacing(course));
    const state = stateOf(course, before !== undefined, moved);
    return state === 'as-published' ? [] : [{ course: course.id, name: course.name, state, moved, begins }];
  });
}

function stateOf(course: Course, wasPublished: boolean, moved: number) {
  if (course.items.length === 0) return 'empty';
  if (wasPublished) return moved > 0 ? 'changed' : 'as-published';
  return moved > 0 ? 'unpublished' : 'unplanned';
}
