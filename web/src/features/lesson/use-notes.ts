import type { NoteEntry } from '@map-step/contract';
import { type LessonNote, standingNotes } from '@map-step/core';
import { useClass, usePlace } from '../course/course-context.ts';

type Noted = Pick<NoteEntry, 'kind' | 'text' | 'tempo' | 'split'>;

export interface LessonNotes {
  readonly notes: readonly LessonNote[];
  add(noted: Noted): void;
  takeBack(note: LessonNote): void;
}

/** What is noted of the lesson that is looked at besides its figures: words, songs, something else that was done. */
export function useNotes(): LessonNotes {
  const { section, keep } = useClass();
  const { lesson } = usePlace();
  const add = (noted: Noted, replaces?: string) =>
    keep({
      kind: 'note',
      entry: {
        id: crypto.randomUUID(),
        lesson,
        ...noted,
        at: new Date().toISOString(),
        ...(replaces && { replaces }),
      },
    });
  return {
    notes: standingNotes(section?.notes ?? []).filter(note => note.lesson === lesson),
    add: noted => add(noted),
    takeBack: ({ id, kind }) => add({ kind, text: '' }, id),
  };
}
