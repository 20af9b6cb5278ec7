import { expect, test } from 'vitest';
import type { LessonNote } from '../model/document.ts';
import { log } from '../test/log.ts';
import { library } from '../test/quay-course.ts';
import { offeredNotes } from './offered-notes.ts';

const note = (kind: LessonNote['kind'], text: string, lesson = 2): LessonNote => ({
  ...{ id: `${kind} ${text}`, section: 's', lesson, by: 'p', at: '2026-01-02T10:00:00Z' },
  ...{ kind, text },
});

test('notes of the lesson that name nobody, of figures and of the evening; what is told anyway is not offered', () => {
  const logs = [
    log(1, 'walk', 'solid', { note: 'Last week.' }),
    log(2, 'walk', 'shaky', { note: 'Heads down' }),
    log(2, 'sway', 'solid', { note: 'Ana leads it best.' }),
  ];
  const notes = [
    note('note', 'A wet floor.'),
    note('song', 'Lantern reel'),
    note('else', 'A game.'),
    note('note', 'Old.', 1),
  ];
  expect(offeredNotes({ library, logs, notes, lesson: 2, students: [{ name: 'Ana B' }] })).toEqual([
    { figure: 'Walk', sentence: 'Heads down.' },
    { figure: undefined, sentence: 'A wet floor.' },
  ]);
});
