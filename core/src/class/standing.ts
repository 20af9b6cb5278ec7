// What stands of the events of a class: they are only ever added, a later one takes the place of an earlier.
import type {
  Attendance,
  ElementLog,
  FigureLog,
  Layer,
  LessonNote,
  Log,
  Mark,
  Role,
} from '../model/document.ts';

/** The log entries of a class that stand: those that no later entry replaces, the newest per lesson and figure. */
export function standingLogs(logs: readonly Log[]): readonly FigureLog[] {
  return standing(logs).filter(log => log.pattern !== undefined);
}

/** The same of the elements that were taught ahead. */
export function standingPrepared(logs: readonly Log[]): readonly ElementLog[] {
  return standing(logs).filter(log => log.element !== undefined);
}

function standing(logs: readonly Log[]): readonly Log[] {
  const replaced = new Set(logs.flatMap(({ replaces }) => replaces ?? []));
  const newest = new Map<string, Log>();
  for (const log of logs) {
    if (replaced.has(log.id)) continue;
    const key = `${log.lesson} ${log.pattern ?? ''} ${log.element ?? ''}`;
    const other = newest.get(key);
    if (!other || other.at <= log.at) newest.set(key, log);
  }
  return [...newest.values()];
}

/** Of each student and lesson what came last. */
export function standingPresence(attendance: readonly Attendance[]): readonly Attendance[] {
  return [...new Map(attendance.map(entry => [`${entry.lesson} ${entry.student}`, entry])).values()];
}

/** What stands of what was noted: what nothing replaces, without what was taken back. */
export function standingNotes(notes: readonly LessonNote[]): readonly LessonNote[] {
  const replaced = new Set(notes.flatMap(({ replaces }) => replaces ?? []));
  return notes.filter(({ id, text }) => !replaced.has(id) && text !== '');
}

/** A student in a role, asked about one layer of one figure. */
export interface Cell {
  readonly student: string;
  readonly role: Role;
  readonly pattern: string;
  readonly layer: Layer;
}

export function cellKey({ student, role, pattern, layer }: Cell): string {
  return `${student} ${role} ${pattern} ${layer}`;
}

/** For each cell the newest mark of each marker; of two of one moment the later in the list. Linear in the marks. */
export function standingMarks(marks: readonly Mark[]): ReadonlyMap<string, ReadonlyMap<string, Mark>> {
  const cells = new Map<string, Map<string, Mark>>();
  for (const mark of marks) {
    const key = cellKey(mark);
    const own = cells.get(key);
    const before = own?.get(mark.by);
    if (!own) cells.set(key, new Map([[mark.by, mark]]));
    else if (!before || before.at <= mark.at) own.set(mark.by, mark);
  }
  return cells;
}
