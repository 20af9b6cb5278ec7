import type { Attendance, LessonNote, Log, Mark } from '../model/document.ts';

/** Something that happened in a class: only ever added, under an id that its writer made. */
export type ClassEvent =
  | { readonly kind: 'log'; readonly entry: Log }
  | { readonly kind: 'present'; readonly entry: Attendance }
  | { readonly kind: 'note'; readonly entry: LessonNote }
  | { readonly kind: 'mark'; readonly check: string; readonly entry: Mark };

export type ClassEventKind = ClassEvent['kind'];
export type EntryOf<Kind extends ClassEventKind> = Extract<ClassEvent, { readonly kind: Kind }>['entry'];

type Unsigned<Entry> = Entry extends unknown ? Omit<Entry, 'section' | 'by'> : never;

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
 * What is known with these events: each that is not there yet comes to the end of the list of its kind; those whose list is
 * not told here are left out. Nothing new: the same object. Linear in the entries and the events.
 */
export function withEvents<Known extends Partial<Happenings>>(
  known: Known,
  events: readonly ClassEvent[],
): Known {
  return withLists(known, events, (before, entries) => {
    const there = new Set(before.map(({ id }) => id));
    const fresh = entries.filter(({ id }) => !there.has(id) && there.add(id));
    return fresh.length === 0 ? before : [...before, ...fresh];
  });
}

/**
 * What is known with the newest events as the server has them: also what was there already comes to stand in their order,
 * so that all who look have the same. Nothing new: the same object. Linear in the entries and the events.
 */
export function withNewest<Known extends Partial<Happenings>>(
  known: Known,
  events: readonly ClassEvent[],
): Known {
  return withLists(known, events, endingWith);
}

/** A list that ends with these entries, each once; the same list when it does so already. Linear in both. */
export function endingWith<Entry extends { readonly id: string }>(
  before: readonly Entry[],
  entries: readonly Entry[],
): readonly Entry[] {
  const ids = entries.map(({ id }) => id);
  const last = before.slice(before.length - ids.length);
  if (last.length === ids.length && last.every(({ id }, index) => id === ids[index])) return before;
  const moved = new Set(ids);
  return [...before.filter(({ id }) => !moved.has(id)), ...entries];
}

type Entries = readonly ClassEvent['entry'][];

function withLists<Known extends Partial<Happenings>>(
  known: Known,
  events: readonly ClassEvent[],
  join: (before: Entries, entries: Entries) => Entries,
): Known {
  const changed: Partial<Record<keyof Happenings, Entries>> = {};
  for (const kind of Object.keys(EVENT_LISTS) as ClassEventKind[]) {
    const before: Entries | undefined = known[EVENT_LISTS[kind]];
    const entries = events.filter(event => event.kind === kind).map(({ entry }) => entry);
    if (before === undefined || entries.length === 0) continue;
    const after = join(before, entries);
    if (after !== before) changed[EVENT_LISTS[kind]] = after;
  }
  return Object.keys(changed).length === 0 ? known : { ...known, ...changed };
}
