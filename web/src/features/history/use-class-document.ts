import type { Section } from '@map-step/core';
import { call } from '../../api/client.ts';
import { type EditedDocument, useDocument } from './use-document.ts';

/** A class under the hands of its director: dates, room, staff and students. */
export function useClassDocument(id: string): EditedDocument<Section> {
  const params = { section: id };
  return useDocument<Section>({
    read: () => call('section.document', { params }),
    command: command => call('section.command', { params, body: { command } }),
    key: ['section', id, 'staff'],
  });
}
