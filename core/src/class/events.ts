import type { Attendance, LessonNote, Log, Mark } from '../model/document.ts';

/** Something that happened in a class: only ever added, under an id that its writer made. */
export type ClassEvent =
  | { readonly kind: 'log'; readonly entry: Log }
  | { readonly kind: 'present'; readonly entry: Attendance }
  | { readonly kind: 'note'; readonly entry: LessonNote }
  | { readonly kind: 'mark'; readonly check: string; readonly entry: Mark };

export type ClassEventKind = ClassEvent['kind'];
export type EntryOf<Kind extends ClassEventKind> = Extract<ClassEvent, { readonly kind: Kind }>['entry'];

type Unsigned<Entry> = Omit<Entry, 'section' | 'by'>;

/** The same before it is said in which class, and by whom. */
export type UnsignedEvent =
  | { readonly kind: 'log'; readonly entry: Unsigned<Log> }
  | { readonly kind: 'present'; readonly entry: Unsigned<Attendance> }
  | { readonly kind: 'note'; readonly entry: Unsigned<LessonNote> }
  | { readonly kind: 'mark'; readonly check: string; readonly entry: Unsigned<Mark> };

/** The list in which the entries of a kind are told, in the order in which they came. */
export const EVENT_LISTS = {
  log: 'logs',
  present: 'attendance',
  note: 'notes',
  mark: 'marks',
} as const satisfies Record<ClassEventKind, string>;

/** What happened in a class, and in one of its checks, as far as it is known. */
export type Happenings = {
  readonly [Kind in ClassEventKind as (typeof EVENT_LISTS)[Kind]]: readonly EntryOf<Kind>[];
};

/** An event in the name of whoever made it. A mark names no class: its check does. */
export function signEvent(
  event: UnsignedEvent,
  { section, by }: { readonly section: string; readonly by: string },
): ClassEvent {
  switch (event.kind) {
    case 'log':
      return { kind: 'log', entry: { ...event.entry, section, by } };
    case 'present':
      return { kind: 'present', entry: { ...event.entry, section, by } };
    case 'note':
      return { kind: 'note', entry: { ...event.entry, section, by } };
    case 'mark':
      return { kind: 'mark', check: event.check, entry: { ...event.entry, by } };
    default:
      return event satisfies never;
  }
}

/** The lesson of which an event is; none for a mark, which is of its check's day. */
export function lessonOfEvent(event: UnsignedEvent): number | undefined {
  return event.kind === 'mark' ? undefined : event.entry.lesson;
}

/**
 * What is known with these events: each at the end of the list of its kind, once; those whose list is not told here are
 * left out. Nothing new: the same object. Linear in the entries and the events.
 */
export function withEvents<Known extends Partial<Happenings>>(
  known: Known,
  events: readonly ClassEvent[],
): Known {
  const added: Partial<Record<keyof Happenings, ClassEvent['entry'][]>> = {};
  for (const kind of Object.keys(EVENT_LISTS) as ClassEventKind[]) {
    const list = EVENT_LISTS[kind];
    const ofKind = events.filter(event => event.kind === kind);
    const before: readonly ClassEvent['entry'][] | undefined = known[list];
    if (ofKind.length === 0 || before === undefined) continue;
    const there = new Set(before.map(({ id }) => id));
    const fresh = ofKind.filter(({ entry }) => !there.has(entry.id) && there.add(entry.id));
    if (fresh.length > 0) added[list] = [...before, ...fresh.map(({ entry }) => entry)];
  }
  return Object.keys(added).length === 0 ? known : { ...known, ...added };
}
