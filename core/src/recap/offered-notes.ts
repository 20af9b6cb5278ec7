import { standingLogs, standingNotes } from '../class/standing.ts';
import { figureName, type Library } from '../library/library.ts';
import type { LessonNote, Log } from '../model/document.ts';
import { hasWholeWords } from '../model/whole-words.ts';
import { sentenceOf } from './words.ts';

/** A note of a lesson as it may be put into the text for students; its figure by name, undefined for one of the evening. */
export interface OfferedNote {
  readonly figure: string | undefined;
  readonly sentence: string;
}

/** True when a text names one of these by their given name, as a whole word. */
export function namesSomebody(text: string, people: readonly { readonly name: string }[]): boolean {
  return people.some(({ name }) => hasWholeWords(text, name.split(' ')[0] ?? name));
}

/** The notes of a lesson that name nobody; what the draft tells by itself is not among them. */
export function offeredNotes({
  library,
  logs,
  notes,
  lesson,
  students,
}: {
  readonly library: Pick<Library, 'patterns'>;
  readonly logs: readonly Log[];
  readonly notes: readonly LessonNote[];
  readonly lesson: number;
  readonly students: readonly { readonly name: string }[];
}): readonly OfferedNote[] {
  const ofFigures = standingLogs(logs)
    .filter(log => log.lesson === lesson)
    .flatMap(({ pattern, note }) => (note ? [{ figure: figureName(library, pattern), text: note }] : []));
  const ofEvening = standingNotes(notes)
    .filter(note => note.lesson === lesson && note.kind === 'note')
    .map(({ text }) => ({ figure: undefined, text }));
  return [...ofFigures, ...ofEvening]
    .filter(({ text }) => !namesSomebody(text, students))
    .map(({ figure, text }) => ({ figure, sentence: sentenceOf(text) }));
}
