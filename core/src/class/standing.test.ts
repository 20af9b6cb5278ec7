import { expect, test } from 'vitest';
import type { LessonNote } from '../model/document.ts';
import { standingNotes } from './standing.ts';

test('of what was noted stands what nothing replaces; an empty text takes back', () => {
  const note = (id: string, text: string, replaces?: string): LessonNote => ({
    ...{ id, section: 's', lesson: 1, kind: 'note', text, by: 'p', at: '2026-01-01T10:00:00Z' },
    ...(replaces && { replaces }),
  });
  const notes = [note('a', 'one'), note('b', 'two'), note('c', 'better', 'a'), note('d', '', 'b')];
  expect(standingNotes(notes).map(({ text }) => text)).toEqual(['better']);
});
