import { groupBy } from '../model/group-by.ts';
import type { PlacedClass } from './timetable.ts';
import { TIMETABLE_COSTS } from './timetable-model.ts';
import { minutesOf, QUARTER, type TimetableRequest } from './timetable-request.ts';

/** A rule that a timetable breaks, and the classes that break it, by their places in it. */
export interface BrokenOfTimetable {
  readonly code: 'room' | 'person' | 'level' | 'away' | 'closed' | 'most';
  readonly at: readonly number[];
}

export interface JudgedTimetable {
  readonly broken: readonly BrokenOfTimetable[];
  /** Points as in `makeTimetable`; a class that is left counts too. */
  readonly cost: number;
}

interface Held extends PlacedClass {
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** A timetable as it lies, moved by hand or not: what it breaks and what it costs. Quadratic in the classes of a day. */
export function judgeTimetable(
  request: TimetableRequest,
  placed: readonly PlacedClass[],
  danceOf: (level: string) => string,
): JudgedTimetable {
  const held = placed.map((one, at): Held => {
    const from = minutesOf(one.start);
    const { minutes = 60 } = request.classes.find(({ level }) => level === one.level) ?? {};
    return { ...one, at, from, to: from + minutes };
  });
  const pairs = held.flatMap((a, index) =>
    held.slice(index + 1).flatMap(b => (a.day === b.day ? [[a, b] as const] : [])),
  );
  const meet = (a: Held, b: Held, gap = 0) => a.from < b.to + gap && b.from < a.to + gap;
  const ofPairs = (code: 'room' | 'person', gap: number): BrokenOfTimetable[] =>
    pairs
      .filter(([a, b]) => a[code] === b[code] && meet(a, b, gap))
      .map(([a, b]) => ({ code, at: [a.at, b.at] }));
  const byPerson = groupBy(held, ({ person }) => person);
  const broken = [
    ...ofPairs('room', QUARTER),
    ...ofPairs('person', 0),
    ...held.flatMap(one => brokenAlone(request, one)),
    ...[...byPerson].flatMap(([person, own]): BrokenOfTimetable[] => {
      const { most = 0 } = request.staff.find(one => one.person === person) ?? {};
      return own.length > most ? [{ code: 'most', at: own.map(({ at }) => at) }] : [];
    }),
  ];
  const overlaps = new Set(
    pairs
      .filter(([a, b]) => a.level !== b.level && danceOf(a.level) === danceOf(b.level) && meet(a, b))
      .map(([a, b]) => JSON.stringify([a.level, b.level].sort())),
  );
  const wanted = request.classes.reduce((sum, { times }) => sum + times, 0);
  const days = groupBy(held, ({ person, day }) => JSON.stringify([person, day]));
  const cost =
    TIMETABLE_COSTS.left * Math.max(0, wanted - held.length) +
    TIMETABLE_COSTS.overlap * overlaps.size +
    [...days.values()].reduce((sum, own) => sum + costOfDay(own), 0);
  return { broken, cost: Math.round(cost * 1000) / 1000 };
}

function brokenAlone({ slots, staff }: TimetableRequest, one: Held): readonly BrokenOfTimetable[] {
  const { at, level, room, day, person, from, to } = one;
  const who = staff.find(member => member.person === person);
  const isOpen = slots.some(
    slot =>
      slot.room === room && slot.day === day && minutesOf(slot.start) <= from && to <= minutesOf(slot.end),
  );
  const isFree = who?.free.some(
    free => free.day === day && minutesOf(free.from) <= from && to <= minutesOf(free.to),
  );
  return [
    ...(isOpen ? [] : [{ code: 'closed', at: [at] } as const]),
    ...(who?.levels.includes(level) ? [] : [{ code: 'level', at: [at] } as const]),
    ...(isFree ? [] : [{ code: 'away', at: [at] } as const]),
  ];
}

/** Waiting between classes, or coming for one alone. */
function costOfDay(own: readonly Held[]): number {
  if (own.length === 1) return TIMETABLE_COSTS.alone;
  const span = Math.max(...own.map(({ to }) => to)) - Math.min(...own.map(({ from }) => from));
  const taught = own.reduce((sum, { from, to }) => sum + to - from, 0);
  return (TIMETABLE_COSTS.waiting * Math.max(0, span - taught)) / QUARTER;
}
