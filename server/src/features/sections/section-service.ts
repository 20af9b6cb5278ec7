import type { FinishBody, RecapAnswer, SectionAnswer } from '@map-step/contract';
import {
  type Attendance,
  type Audience,
  followedPlacing,
  type Mark,
  membersOn,
  type Role,
  type Section,
} from '@map-step/core';
import { getStored } from '../../aggregates/aggregate.ts';
import type { OrderOf } from '../../compute/tasks.ts';
import { workedOut } from '../../compute/work-first.ts';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import type { Told } from '../../db/json-text.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { courseAggregate } from '../courses/course-aggregate.ts';
import { materialOfCourse } from '../figures/material.ts';
import { addRecaps, findPublishedPlan, getStudio, localRulesOf } from '../studio/studio-store.ts';
import { appendEvents, type Writing } from './append-events.ts';
import { listRecaps } from './recap-aggregate.ts';
import { getSection } from './rights.ts';
import { newestEvent } from './since.ts';

export type ToldSection = Told<SectionAnswer> & { readonly section: Section };

/** A class as it is; of what happened in it only what came after an event, when that is given. */
export async function readSection(
  scope: StudioScope,
  id: string,
  deps: Deps,
  after?: number,
): Promise<ToldSection> {
  const stored = await documentStore(scope, 'sections').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no class "${id}" in this studio.`);
  const { body: section, version } = stored;
  const ids = section.students.map(({ student }) => student);
  // Before the lists: what comes meanwhile is told twice rather than never.
  const seq = await newestEvent(scope, id);
  return {
    section,
    version,
    counts: countRoles(section, todayIn(deps, (await getStudio(scope)).timezone)),
    students: await documentStore(scope, 'students').listSome(ids),
    logs: await eventStore(scope, 'logs').listJson(id, { after }),
    attendance: await eventStore(scope, 'attendance').listJson(id, { after }),
    notes: await eventStore(scope, 'notes').listJson(id, { after }),
    recaps: await listRecaps(scope, id, deps.now()),
    seq,
    ...(after !== undefined && { after }),
  };
}

function countRoles(section: Section, today: string): SectionAnswer['counts'] {
  const [first = today, last = today] = [section.dates[0], section.dates.at(-1)];
  // Before a class has begun it is as it will begin, after its end as it ended.
  const members = membersOn(section, today < first ? first : today > last ? last : today);
  const count = (wanted: Role) => members.filter(({ role }) => role === wanted).length;
  return { lead: count('lead'), follow: count('follow'), solo: count('solo') };
}

/** Closes a lesson: its last log entries and the drafts of its recaps, together or not at all. */
export async function finishLesson(
  scope: StudioScope,
  writing: Writing,
  { section: id, lesson }: { readonly section: string; readonly lesson: number },
  { logs }: FinishBody,
): Promise<ToldSection> {
  if (logs.some(log => log.lesson !== lesson))
    throw new HttpFault('bad-request', `These entries are not all of lesson ${lesson}.`);
  if (logs.length > 0)
    await appendEvents(
      scope,
      writing,
      id,
      logs.map(entry => ({ kind: 'log', entry })),
    );
  const now = writing.deps.now();
  const recaps = await listRecaps(scope, id, now);
  const missing = AUDIENCES.filter(
    audience => !recaps.some(recap => recap.lesson === lesson && recap.audience === audience),
  );
  if (missing.length > 0) {
    const drafts = workedOut(scope, 'draft-recaps', await draftOrder(scope, id, lesson, recaps));
    await addRecaps(
      scope,
      missing.map(audience => ({
        ...{ section: id, lesson, audience },
        markdown: drafts[audience],
        promises: drafts.promises,
      })),
    );
  }
  return readSection(scope, id, writing.deps);
}

const AUDIENCES = ['students', 'staff'] as const satisfies readonly Audience[];

async function draftOrder(
  scope: StudioScope,
  id: string,
  lesson: number,
  recaps: readonly RecapAnswer[],
): Promise<OrderOf<'draft-recaps'>> {
  const section = await getSection(scope, id);
  const { course: courseId } = section;
  const { body: course } = await getStored(courseAggregate(scope, courseId));
  const studio = await getStudio(scope);
  const attendance = await eventStore(scope, 'attendance').list(id);
  return {
    studio,
    localRules: localRulesOf(studio),
    tellsOtherCounts: studio.settings?.['otherCounts'] === true,
    course,
    material: await materialOfCourse(scope, course),
    published: followedPlacing(course, await findPublishedPlan(scope, courseId)),
    lesson,
    logs: await eventStore(scope, 'logs').list(id),
    notes: await eventStore(scope, 'notes').list(id),
    attendance,
    students: await documentStore(scope, 'students').listSome(everInClass(section, attendance)),
    recaps: recaps.map(recap => ({ lesson: recap.lesson })),
    members: section.students,
    dates: section.dates,
    combinations: await documentStore(scope, 'combinations').listWhere('course_id = $2', [courseId]),
    staff: section.staff,
    people: await documentStore(scope, 'people').list(),
    marks: await marksOn(scope, section, section.dates[lesson - 1]),
  };
}

/** What was given in the checks of a class on a day. */
async function marksOn(
  scope: StudioScope,
  { id }: Section,
  date: string | undefined,
): Promise<readonly Mark[]> {
  const checks = await documentStore(scope, 'checks').listWhere(
    "body ->> 'section' = $2 AND body ->> 'date' = $3",
    [id, date ?? ''],
  );
  const marks = [];
  for (const check of checks) marks.push(...(await eventStore(scope, 'marks').list(check.id)));
  return marks;
}

/** Who is, will be or was in a class: none of their names comes into a text for students. */
function everInClass({ students }: Section, attendance: readonly Attendance[]): readonly string[] {
  return [...new Set([...students, ...attendance].map(({ student }) => student))];
}
