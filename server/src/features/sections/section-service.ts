import type {
  AttendanceEntry,
  FinishBody,
  LogEntry,
  SectionAnswer,
  SignedInPerson,
  StoredAnswer,
} from '@map-step/contract';
import type { Attendance, Log, Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import type { Told } from '../../db/json-text.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { addRecaps } from '../studio/studio-store.ts';
import { listRecaps, type RecapKey } from './recap-aggregate.ts';

export async function readSection(scope: StudioScope, id: string, now: Date): Promise<Told<SectionAnswer>> {
  const stored = await documentStore(scope, 'sections').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no class "${id}" in this studio.`);
  const { body: section, version } = stored;
  const ids = section.students.map(({ student }) => student);
  return {
    section,
    version,
    students: await documentStore(scope, 'students').listSomeJson(ids),
    logs: await eventStore(scope, 'logs').listJson(id),
    attendance: await eventStore(scope, 'attendance').listJson(id),
    recaps: await listRecaps(scope, id, now),
  };
}

/** Stores log entries once each, however often they are sent. */
export async function appendLogs(
  scope: StudioScope,
  section: Section,
  who: SignedInPerson,
  entries: readonly LogEntry[],
): Promise<StoredAnswer> {
  await requireFigures(
    scope,
    entries.map(({ pattern }) => pattern),
  );
  const logs = entries.map(entry => ({ ...entry, section: section.id, by: who.id }) as Log);
  await eventStore(scope, 'logs').append(logs);
  return { stored: logs.map(({ id }) => id) };
}

/** Stores who was here, of the students of the class. */
export async function appendAttendance(
  scope: StudioScope,
  section: Section,
  who: SignedInPerson,
  entries: readonly AttendanceEntry[],
): Promise<StoredAnswer> {
  requireStudents(
    section,
    entries.map(({ student }) => student),
  );
  const attendance = entries.map(entry => ({ ...entry, section: section.id, by: who.id }) as Attendance);
  await eventStore(scope, 'attendance').append(attendance);
  return { stored: attendance.map(({ id }) => id) };
}

/** Closes a lesson: its last log entries and the drafts of its recaps, together or not at all. */
export async function finishLesson(
  scope: StudioScope,
  { lesson }: RecapKey,
  section: Section,
  who: SignedInPerson,
  { logs, recaps }: FinishBody,
  now: Date,
): Promise<Told<SectionAnswer>> {
  if (logs.some(log => log.lesson !== lesson))
    throw new HttpFault('bad-request', `These entries are not all of lesson ${lesson}.`);
  if (logs.length > 0) await appendLogs(scope, section, who, logs);
  const there = (await listRecaps(scope, section.id, now)).filter(recap => recap.lesson === lesson);
  const drafts = recaps.filter(({ audience }) => !there.some(recap => recap.audience === audience));
  await addRecaps(
    scope,
    drafts.map(draft => ({ ...draft, section: section.id, lesson })),
  );
  return readSection(scope, section.id, now);
}

export function requireStudents(section: Section, students: readonly string[]): void {
  const inIt = new Set(section.students.map(({ student }) => student));
  const stranger = students.find(student => !inIt.has(student));
  if (stranger !== undefined)
    throw new HttpFault('bad-request', `"${stranger}" is not a student of this class.`);
}

async function requireFigures(scope: StudioScope, figures: readonly string[]): Promise<void> {
  const there = new Set((await documentStore(scope, 'patterns').listSome(figures)).map(({ id }) => id));
  const missing = figures.find(figure => !there.has(figure));
  if (missing !== undefined) throw new HttpFault('bad-request', `There is no figure "${missing}".`);
}
