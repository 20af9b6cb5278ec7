import type { FinishBody, LogEntry, SectionAnswer, SignedInPerson } from '@map-step/contract';
import type { Log, Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { addRecaps } from '../studio/studio-store.ts';
import { listRecaps, type RecapKey } from './recap-service.ts';

export async function readSection(scope: StudioScope, id: string, now: Date): Promise<SectionAnswer> {
  const section = await getSection(scope, id);
  const inIt = new Set(section.students.map(({ student }) => student));
  const students = await documentStore(scope, 'students').list();
  return {
    section,
    students: students.filter(student => inIt.has(student.id)),
    logs: await eventStore<Log>(scope, 'logs').list(id),
    recaps: await listRecaps(scope, id, now),
  };
}

/** Refuses who is neither the director nor on the staff of the section. */
export async function requireOwnSection(scope: StudioScope, id: string, who: SignedInPerson): Promise<void> {
  const section = await getSection(scope, id);
  if (who.role === 'director' || section.staff.some(({ person }) => person === who.id)) return;
  throw new HttpFault('not-allowed', 'You are not on the staff of this class. Ask the director to add you.');
}

/** Stores log entries once each, however often they are sent. */
export async function appendLogs(
  scope: StudioScope,
  section: string,
  who: SignedInPerson,
  entries: readonly LogEntry[],
): Promise<{ stored: readonly string[] }> {
  const patterns = new Set((await documentStore(scope, 'patterns').list()).map(({ id }) => id));
  for (const { pattern } of entries)
    if (!patterns.has(pattern)) throw new HttpFault('bad-request', `There is no figure "${pattern}".`);
  const logs = entries.map(entry => ({ ...entry, section, by: who.id }) as Log);
  await eventStore<Log>(scope, 'logs').append(logs);
  return { stored: logs.map(({ id }) => id) };
}

/** Closes a lesson: its last log entries and the drafts of its recaps, together or not at all. */
export async function finishLesson(
  scope: StudioScope,
  key: RecapKey,
  who: SignedInPerson,
  { logs, recaps }: FinishBody,
  now: Date,
): Promise<SectionAnswer> {
  const { section, lesson } = key;
  if (logs.some(log => log.lesson !== lesson))
    throw new HttpFault('bad-request', `These entries are not all of lesson ${lesson}.`);
  if (logs.length > 0) await appendLogs(scope, section, who, logs);
  const there = (await listRecaps(scope, section, now)).filter(recap => recap.lesson === lesson);
  const drafts = recaps.filter(({ audience }) => !there.some(recap => recap.audience === audience));
  await addRecaps(
    scope,
    drafts.map(draft => ({ ...draft, section, lesson })),
  );
  return readSection(scope, section, now);
}

async function getSection(scope: StudioScope, id: string): Promise<Section> {
  const stored = await documentStore(scope, 'sections').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no class "${id}" in this studio.`);
  return stored.body;
}
