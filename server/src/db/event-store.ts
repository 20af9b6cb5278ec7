import { createHash } from 'node:crypto';
import type { Attendance, Log } from '@map-step/core';
import { HttpFault } from '../http/http-fault.ts';
import type { StudioScope } from './studio-scope.ts';

type Event = Log | Attendance;

/**
 * Entries that are only ever added, under ids made by the client: the same id with the same body is stored
 * once however often it is sent, with another body it is refused.
 */
export function eventStore<Entry extends Event>(scope: StudioScope, kind: 'logs' | 'attendance') {
  const model = scope.models[kind];
  return {
    async list(section?: string): Promise<readonly Entry[]> {
      const where = scope.where(section === undefined ? {} : { sectionId: section });
      const rows = await model.findAll({ ...where, order: ['seq'] });
      return rows.map(row => row.body as Entry);
    },
    async append(entries: readonly Entry[]): Promise<void> {
      const rows = entries.map(entry => ({
        studioId: scope.studioId,
        id: entry.id,
        sectionId: entry.section,
        lesson: entry.lesson,
        ...('pattern' in entry && { patternId: entry.pattern }),
        body: entry,
        bodyHash: hashBody(entry),
      }));
      await model.bulkCreate(rows, { transaction: scope.transaction, ignoreDuplicates: true });
      const stored = await model.findAll(scope.where({ id: entries.map(({ id }) => id) }));
      for (const { id, bodyHash } of rows)
        if (stored.find(row => row.id === id)?.bodyHash !== bodyHash)
          throw new HttpFault(
            'conflict',
            `The entry ${id} was sent before with another content; it stays as it was.`,
          );
    },
  };
}

function hashBody(entry: Event): string {
  const sorted = Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1));
  return createHash('sha256').update(JSON.stringify(sorted)).digest('hex');
}
