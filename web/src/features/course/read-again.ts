import type { Change } from '@map-step/contract';
import type { QueryClient } from '@tanstack/react-query';
import { sessionQuery } from '../session/session-queries.ts';
import { courseQuery, keys } from './course-queries.ts';

/** Reads again what has changed, unless it is here already. */
export function readAgain(client: QueryClient, change: Change): void {
  if (change.topic === 'everything') {
    const others = ({ queryKey }: { queryKey: readonly unknown[] }) =>
      queryKey[0] !== sessionQuery.queryKey[0];
    void client.invalidateQueries({ predicate: others });
    return;
  }
  if (change.topic === 'course') {
    void client.invalidateQueries({ queryKey: keys.courses });
    readCourseAgain(client, change);
    return;
  }
  for (const queryKey of changedKeys(change)) void client.invalidateQueries({ queryKey });
}

function changedKeys({ topic, id }: Change): readonly (readonly string[])[] {
  switch (topic) {
    case 'section':
      return [keys.section(id), keys.courses];
    case 'material':
      return [keys.material];
    default:
      return [[topic, id]];
  }
}

/** The newest version of each course that was told of while a change of one's own was on its way. */
const toldMeanwhile = new Map<string, number>();

/** Reading while a change of one's own is on its way would show what stood before it. */
function readCourseAgain(client: QueryClient, { id, version = Number.POSITIVE_INFINITY }: Change): void {
  if (isSavingCourse(client, id)) toldMeanwhile.set(id, Math.max(version, toldMeanwhile.get(id) ?? 0));
  else readUnlessKnown(client, id, version);
}

/** Once the last change of one's own has been answered: its answer mostly holds what was told meanwhile. */
export function readWhatWasTold(client: QueryClient, id: string): void {
  const version = toldMeanwhile.get(id);
  if (version === undefined) return;
  toldMeanwhile.delete(id);
  readUnlessKnown(client, id, version);
}

function readUnlessKnown(client: QueryClient, id: string, version: number): void {
  const known = client.getQueryData(courseQuery(id).queryKey)?.version ?? 0;
  if (known < version) void client.invalidateQueries({ queryKey: keys.course(id) });
}

/** Settles as soon as no change of the course is on its way. */
export function courseSaved(client: QueryClient, id: string): Promise<void> {
  return new Promise(resolve => {
    const stop = client.getMutationCache().subscribe(() => look());
    const look = () => {
      if (isSavingCourse(client, id)) return;
      stop();
      resolve();
    };
    look();
  });
}

export function isSavingCourse(client: QueryClient, id: string): boolean {
  return client.isMutating({ mutationKey: keys.course(id) }) > 0;
}
