import type { SignedInPerson } from '@map-step/contract';
import { isOnStaff, type Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';

export async function getSection(scope: StudioScope, id: string): Promise<Section> {
  const stored = await documentStore(scope, 'sections').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no class "${id}" in this studio.`);
  return stored.body;
}

/** Refuses who is neither the director nor on the staff of the class on all of these dates. */
export function requireStaff(
  section: Section,
  who: SignedInPerson,
  dates: readonly (string | undefined)[],
): void {
  if (who.role === 'director' || dates.every(date => isOnStaff(section, who.id, date))) return;
  const isOnSomeDays = section.staff.some(({ person }) => person === who.id);
  throw new HttpFault(
    'not-allowed',
    isOnSomeDays
      ? 'You are on the staff of this class on other days only. Ask the director to add this one.'
      : 'You are not on the staff of this class. Ask the director to add you.',
  );
}

/** Refuses who may not write in all of these lessons. */
export function requireLessons(section: Section, who: SignedInPerson, lessons: readonly number[]): void {
  requireStaff(
    section,
    who,
    lessons.map(lesson => section.dates[lesson - 1]),
  );
}
