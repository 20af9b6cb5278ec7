import type { Versioned } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { keys } from './course-queries.ts';

/** A class under the hands of its director: dates, room, staff and students. */
export function classAggregate(id: string): Aggregate<Versioned<Section>, Section> {
  const params = { section: id };
  return versionedAggregate<Section>({
    key: [...keys.section(id), 'document'],
    read: () => call('section.document', { params }),
    send: command => call('section.command', { params, body: { command }, outlives: true }),
    onSaved: client => void client.invalidateQueries({ queryKey: keys.section(id), exact: true }),
  });
}
