import type { CourseListAnswer, StudioAnswer } from '@map-step/contract';
import type { Pattern } from '@map-step/core';
import { format, parseISO } from 'date-fns';
import type { ActiveShortcut } from '../../ui/shortcuts.ts';

/** Something that one can go to, or do, by its name. */
export interface PaletteEntry {
  /** The same for the same thing, over reloads. */
  readonly key: string;
  readonly words: string;
  /** What kind of thing it is, and what tells it apart. */
  readonly hint: string;
  readonly go: { readonly to: string } | { readonly act: () => void };
}

/** What the page knows, from which the entries are made. */
export interface PaletteSource {
  readonly courses: CourseListAnswer['courses'];
  readonly studio: StudioAnswer | undefined;
  /** The course that is open, or else the first. */
  readonly course: { readonly id: string; readonly lessons: number; readonly isOpen: boolean } | undefined;
  readonly figures: readonly Pattern[];
  /** Where the page is: rooms and lessons are of the class that is looked at. */
  readonly search: string;
  readonly rooms: readonly { readonly id: string; readonly word: string }[];
  readonly actions: readonly ActiveShortcut[];
  readonly dates: readonly string[];
}

/** Everything that can be gone to, in the order in which it is listed while nothing is typed. */
export function paletteEntries(source: PaletteSource): readonly PaletteEntry[] {
  return [
    ...actionsOf(source),
    ...roomsOf(source),
    ...lessonsOf(source),
    ...coursesOf(source),
    ...figuresOf(source),
  ];
}

function actionsOf({ actions }: PaletteSource): readonly PaletteEntry[] {
  return actions.map(({ name, words, run }) => ({
    key: `action ${name}`,
    words: words.charAt(0).toUpperCase() + words.slice(1),
    hint: 'here',
    go: { act: run },
  }));
}

function roomsOf({ course, rooms, search }: PaletteSource): readonly PaletteEntry[] {
  const programme = { key: 'room programme', words: 'Programme', hint: 'room', go: { to: '/' } };
  if (!course?.isOpen) return [programme];
  const own = rooms.map(({ id, word }) => ({
    key: `room ${id}`,
    words: word,
    hint: 'room',
    go: { to: `/courses/${course.id}/${id}${search}` },
  }));
  return [...own, programme];
}

function lessonsOf({ course, search, dates }: PaletteSource): readonly PaletteEntry[] {
  if (!course?.isOpen) return [];
  return Array.from({ length: course.lessons }, (_, index) => {
    const asked = new URLSearchParams(search);
    asked.set('lesson', String(index + 1));
    const date = dates[index];
    return {
      key: `lesson ${course.id} ${index + 1}`,
      words: `Lesson ${index + 1}`,
      hint: date === undefined ? 'lesson' : format(parseISO(date), 'd MMMM'),
      go: { to: `/courses/${course.id}/lesson?${asked}` },
    };
  });
}

/** Courses, their classes, and the people who teach them. */
function coursesOf({ courses, studio }: PaletteSource): readonly PaletteEntry[] {
  const classes = courses.flatMap(({ id, name, sections }) =>
    sections.map(({ id: section, dates, start, staff }) => ({
      section,
      words: `${dates[0] ? format(parseISO(dates[0]), 'EEEE') : section} ${start}`,
      course: name,
      staff,
      to: `/courses/${id}/lesson?class=${section}`,
    })),
  );
  const people = (studio?.people ?? []).map(({ id, name, role }) => {
    const own = classes.find(({ staff }) => staff.includes(id));
    return {
      key: `person ${id}`,
      words: name,
      hint: own ? `${role}, ${own.course}, ${own.words}` : role,
      go: { to: own?.to ?? '/' },
    };
  });
  return [
    ...courses.map(({ id, name }) => ({
      key: `course ${id}`,
      words: name,
      hint: 'course',
      go: { to: `/courses/${id}/map` },
    })),
    ...classes.map(({ section, words, course, to }) => ({
      key: `class ${section}`,
      words,
      hint: `class, ${course}`,
      go: { to },
    })),
    ...people,
  ].filter(({ key }, index, all) => all.findIndex(other => other.key === key) === index);
}

function figuresOf({ course, figures }: PaletteSource): readonly PaletteEntry[] {
  if (!course) return [];
  return figures.map(({ id, name, kind, aliases = [] }) => ({
    key: `figure ${id}`,
    words: name,
    hint: [kind, ...aliases.map(alias => `“${alias.name}” at ${alias.school}`)].join(', '),
    go: { to: `/courses/${course.id}/material/${id}` },
  }));
}

/** What matches all that is typed, those that begin with it first; with nothing typed what was gone to last comes first. */
export function findEntries(
  entries: readonly PaletteEntry[],
  typed: string,
  recent: readonly string[],
): readonly PaletteEntry[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  const age = new Map(recent.map((key, index) => [key, index]));
  const rank = ({ key, words: name }: PaletteEntry) => {
    const begins = words[0] !== undefined && plain(name).startsWith(words[0]);
    return (begins ? 0 : 1000) + (age.get(key) ?? recent.length);
  };
  const found = entries.filter(({ words: name, hint }) => {
    const text = plain(`${name} ${hint}`);
    return words.every(word => text.includes(word));
  });
  return found
    .map((entry, index) => ({ entry, rank: rank(entry), index }))
    .sort((a, b) => a.rank - b.rank || a.index - b.index)
    .map(({ entry }) => entry);
}

/** Whatever the case and the accents. */
function plain(text: string): string {
  return text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();
}
