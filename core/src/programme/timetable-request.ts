// What a timetable is asked, and every time at which one class could be taught.
import { groupBy } from '../model/group-by.ts';

export interface AskedClasses {
  readonly level: string;
  /** How many classes of it. */
  readonly times: number;
  readonly minutes: number;
}

/** A room that is free on a day; times on the clock of the wall as `19:30`, days in any word. */
export interface RoomSlot {
  readonly room: string;
  readonly day: string;
  readonly start: string;
  readonly end: string;
}

export interface StaffMember {
  readonly person: string;
  /** The levels that they may teach. */
  readonly levels: readonly string[];
  readonly free: readonly { readonly day: string; readonly from: string; readonly to: string }[];
  /** Of classes in all. */
  readonly most: number;
}

export interface TimetableRequest {
  readonly classes: readonly AskedClasses[];
  readonly slots: readonly RoomSlot[];
  readonly staff: readonly StaffMember[];
}

/** A time on a day; minutes after midnight. */
export interface HeldTime {
  readonly day: string;
  readonly from: number;
  readonly to: number;
}

/** A class of a level by a person at a time; indexes among the classes asked and the staff. */
export interface TaughtTime extends HeldTime {
  readonly asked: number;
  readonly person: number;
}

/** Rooms that are free alike on a day. */
export interface RoomGroup {
  readonly day: string;
  readonly rooms: readonly string[];
  readonly spans: readonly Omit<HeldTime, 'day'>[];
}

export const QUARTER = 15;

/** Minutes after midnight of `19:30`. */
export function minutesOf(time: string): number {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * 60 + minutes;
}

/** `19:30` of minutes after midnight. */
export function timeOf(minutes: number): string {
  const pad = (value: number) => String(value).padStart(2, '0');
  return `${pad(Math.floor(minutes / 60))}:${pad(minutes % 60)}`;
}

export function roomGroups(slots: readonly RoomSlot[]): readonly RoomGroup[] {
  const roomDays = [...groupBy(slots, ({ room, day }) => JSON.stringify([room, day])).values()].map(own => ({
    room: own[0]?.room ?? '',
    day: own[0]?.day ?? '',
    spans: own
      .map(({ start, end }) => ({ from: minutesOf(start), to: minutesOf(end) }))
      .sort((a, b) => a.from - b.from || a.to - b.to),
  }));
  return [...groupBy(roomDays, ({ day, spans }) => JSON.stringify([day, spans])).values()].map(same => ({
    day: same[0]?.day ?? '',
    rooms: same.map(({ room }) => room),
    spans: same[0]?.spans ?? [],
  }));
}

export function coversTime(spans: RoomGroup['spans'], from: number, to: number): boolean {
  return spans.some(span => span.from <= from && to <= span.to);
}

/** Every time at which somebody could teach one of the classes while a room is free: by classes, staff, days, then times. */
export function taughtTimes(
  { classes, staff }: TimetableRequest,
  groups: readonly RoomGroup[],
): readonly TaughtTime[] {
  return classes.flatMap(({ level, minutes }, asked) =>
    staff.flatMap(({ levels, free, most }, person) =>
      !levels.includes(level) || most === 0
        ? []
        : [...groupBy(groups, ({ day }) => day)].flatMap(([day, own]) =>
            quartersOf(own)
              .map(from => ({ asked, person, day, from, to: from + minutes }))
              .filter(
                ({ from, to }) =>
                  own.some(({ spans }) => coversTime(spans, from, to)) &&
                  free.some(one => one.day === day && minutesOf(one.from) <= from && to <= minutesOf(one.to)),
              ),
          ),
    ),
  );
}

/** The quarters of the clock from the first opening of some rooms until the last closing. */
function quartersOf(groups: readonly RoomGroup[]): readonly number[] {
  const spans = groups.flatMap(group => group.spans);
  return quartersBetween(Math.min(...spans.map(({ from }) => from)), Math.max(...spans.map(({ to }) => to)));
}

/** The quarters of the clock from one time to another, both included. */
export function quartersBetween(from: number, to: number): readonly number[] {
  const first = Math.ceil(from / QUARTER);
  return Array.from(
    { length: Math.max(0, Math.floor(to / QUARTER) - first + 1) },
    (_, index) => (first + index) * QUARTER,
  );
}
