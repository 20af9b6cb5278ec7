import type { CourseAnswer, CourseSummary, HistoryEntry, SectionSummary } from '@map-step/contract';
import { type Log, lessonsBehind, type Recap, type Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import { historyStore } from '../../db/history-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { listPlans } from '../studio/studio-store.ts';

const HISTORY_LENGTH = 100;

export async function listCourses(scope: StudioScope): Promise<readonly CourseSummary[]> {
  const courses = await documentStore(scope, 'courses').list();
  const sections = await documentStore(scope, 'sections').list();
  const logs = await eventStore<Log>(scope, 'logs').list();
  const recaps = await scope.models.recaps.findAll(scope.where());
  const plans = await listPlans(scope);
  const summaries = sections.map(section =>
    summarise(
      section,
      logs.filter(log => log.section === section.id),
      recaps.filter(recap => recap.sectionId === section.id),
    ),
  );
  return courses.map(course => ({
    id: course.id,
    name: course.name,
    dances: course.dances,
    level: course.level ?? null,
    lessons: course.lessons.length,
    items: course.items.length,
    published: plans.some(plan => plan.course === course.id && plan.published),
    sections: summaries.filter(section => section.course === course.id),
  }));
}

export async function readCourse(scope: StudioScope, id: string): Promise<CourseAnswer> {
  const stored = await documentStore(scope, 'courses').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no course "${id}" in this studio.`);
  const sections = await documentStore(scope, 'sections').list();
  const plans = await listPlans(scope, id);
  return {
    course: stored.body,
    version: stored.version,
    published: plans.findLast(plan => plan.published) ?? null,
    sections: sections.filter(section => section.course === id),
    history: await readHistory(scope, id),
  };
}

async function readHistory(scope: StudioScope, course: string): Promise<HistoryEntry[]> {
  const records = await historyStore(scope, 'course', course).newest(HISTORY_LENGTH);
  const undone = new Set(records.flatMap(({ undoes }) => undoes ?? []));
  return records.map(({ id, kind, what, person, at, undoes }) => ({
    id,
    kind: kind as HistoryEntry['kind'],
    what,
    by: person,
    at,
    undoes,
    undone: undone.has(id),
  }));
}

function summarise(
  section: Section,
  logs: readonly Log[],
  recaps: readonly Pick<Recap, 'lesson'>[],
): SectionSummary {
  return {
    id: section.id,
    course: section.course,
    start: section.start,
    dates: section.dates,
    room: section.room ?? null,
    staff: section.staff.map(({ person }) => person),
    students: section.students.length,
    behind: lessonsBehind(logs, recaps),
  };
}
