// Two classes in one room, or one person in two classes, at the same time. A sweep over all evenings in order:
// n log n in the evenings, and what overlaps.

import { isOnStaff } from '../class/staff.ts';
import { daysBetween } from '../model/days.ts';
import type { Section } from '../model/document.ts';

/** A class as a term is laid out by it. */
export interface TermClass extends Pick<Section, 'id' | 'start' | 'dates' | 'room' | 'staff'> {
  /** The length of each lesson in order; a class of more evenings goes on at the last. */
  readonly minutes: readonly number[];
}

export interface TermClash {
  readonly kind: 'room' | 'person';
  /** The room's id, or the person's. */
  readonly id: string;
  /** The day of the later one. */
  readonly date: string;
  /** The earlier first. */
  readonly classes: readonly [string, string];
}

interface Evening {
  readonly of: TermClass;
  readonly date: string;
  /** Minutes since the first day on the clock of the wall: summer time moves no start. */
  readonly from: number;
  readonly to: number;
}

const DAY = 24 * 60;
/** An evening of which nobody said how long it lasts. */
const USUAL_MINUTES = 60;

/** Every pair of evenings that overlap in one room or for one person; those that only touch do not. */
export function findClashes(classes: readonly TermClass[]): readonly TermClash[] {
  const evenings = classes.flatMap(eveningsOf).sort((a, b) => a.from - b.from);
  const clashes: TermClash[] = [];
  let running: Evening[] = [];
  for (const evening of evenings) {
    running = running.filter(({ to }) => to > evening.from);
    for (const other of running) clashes.push(...clashesOf(other, evening));
    running.push(evening);
  }
  return clashes;
}

function eveningsOf(of: TermClass): Evening[] {
  const [hours = 0, minutes = 0] = of.start.split(':').map(Number);
  return of.dates.map((date, index) => {
    const from = daysBetween('2000-01-01', date) * DAY + hours * 60 + minutes;
    return { of, date, from, to: from + (of.minutes[index] ?? of.minutes.at(-1) ?? USUAL_MINUTES) };
  });
}

function clashesOf(one: Evening, other: Evening): TermClash[] {
  const found = (kind: TermClash['kind'], id: string): TermClash => ({
    kind,
    id,
    date: other.date,
    classes: [one.of.id, other.of.id],
  });
  const { room } = one.of;
  const people = new Set(one.of.staff.map(({ person }) => person));
  const both = [...people].filter(
    person => isOnStaff(one.of, person, one.date) && isOnStaff(other.of, person, other.date),
  );
  const isSameRoom = room !== undefined && room === other.of.room && one.of.id !== other.of.id;
  return [
    ...(isSameRoom ? [found('room', room)] : []),
    ...(one.of.id === other.of.id ? [] : both.map(person => found('person', person))),
  ];
}
