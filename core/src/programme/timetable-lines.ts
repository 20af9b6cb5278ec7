// What a timetable is asked as lines that people write: one class, one room on a day, one person a line.
import type { AskedClasses, RoomSlot, StaffMember } from './timetable-request.ts';

/** Names of levels, rooms or people, each with its id. */
export type Named = readonly { readonly id: string; readonly name: string }[];

/** What was read, or what is wrong in which line, from 1. */
export type ReadLines<Entry> =
  | { readonly ok: true; readonly value: readonly Entry[] }
  | { readonly ok: false; readonly faults: readonly string[] };

const HOURS = String.raw`(\S+) (\d\d:\d\d) ?[-–] ?(\d\d:\d\d)`;

export function printAsked(classes: readonly AskedClasses[], levels: Named): string {
  return lines(
    classes,
    ({ level, times, minutes }) => `${nameIn(levels, level)}: ${times} of ${minutes} min`,
  );
}

export function printSlots(slots: readonly RoomSlot[], rooms: Named): string {
  return lines(slots, ({ room, day, start, end }) => `${nameIn(rooms, room)}, ${day} ${start}-${end}`);
}

export function printStaff(staff: readonly StaffMember[], people: Named, levels: Named): string {
  return lines(staff, ({ person, levels: own, free, most }) => {
    const days = free.map(({ day, from, to }) => `${day} ${from}-${to}`).join(', ');
    return `${nameIn(people, person)}: ${own.map(id => nameIn(levels, id)).join(', ')}; ${days}; at most ${most}`;
  });
}

/** `Hustle 1: 2 of 60 min` */
export function readAsked(text: string, levels: Named): ReadLines<AskedClasses> {
  return read(text, 'Hustle 1: 2 of 60 min', line => {
    const [, name = '', times, minutes] = /^(.+): (\d{1,2}) of (\d{1,3}) min$/.exec(line) ?? [];
    return times === undefined
      ? undefined
      : { level: idIn(levels, name, 'level'), times: Number(times), minutes: Number(minutes) };
  });
}

/** `Sail Loft, Monday 18:00-22:00` */
export function readSlots(text: string, rooms: Named): ReadLines<RoomSlot> {
  return read(text, 'Sail Loft, Monday 18:00-22:00', line => {
    const [, name = '', day = '', start, end] = new RegExp(`^(.+), ${HOURS}$`).exec(line) ?? [];
    if (start === undefined || end === undefined) return undefined;
    return { room: idIn(rooms, name, 'room'), day, ...inOrder(start, end) };
  });
}

/** `Bram Okoro: Hustle 1, Hustle 2; Monday 18:00-22:00; at most 3` */
export function readStaff(text: string, people: Named, levels: Named): ReadLines<StaffMember> {
  const before = new Set<string>();
  return read(text, 'Bram Okoro: Hustle 1, Hustle 2; Monday 18:00-22:00; at most 3', line => {
    const [, name = '', taught = '', days = '', most] =
      /^(.+?): (.+); (.+); at most (\d{1,2})$/.exec(line) ?? [];
    if (most === undefined) return undefined;
    const free = days.split(',').map(one => {
      const [, day = '', from, to] = new RegExp(`^${HOURS}$`).exec(one.trim()) ?? [];
      if (from === undefined || to === undefined)
        throw new LineFault(`“${one.trim()}” is no day with its hours`);
      const { start, end } = inOrder(from, to);
      return { day, from: start, to: end };
    });
    const own = taught.split(',').map(level => idIn(levels, level.trim(), 'level'));
    const person = idIn(people, name, 'person');
    if (before.has(person)) throw new LineFault(`${name} stands in an earlier line`);
    before.add(person);
    return { person, levels: own, free, most: Number(most) };
  });
}

class LineFault extends Error {}

function read<Entry>(
  text: string,
  example: string,
  entryOf: (line: string) => Entry | undefined,
): ReadLines<Entry> {
  const faults: string[] = [];
  const value = text.split('\n').flatMap((raw, index): Entry[] => {
    const line = raw.trim();
    if (line === '') return [];
    try {
      const entry = entryOf(line);
      if (entry !== undefined) return [entry];
      faults.push(`Line ${index + 1}: write it as “${example}”.`);
    } catch (fault) {
      if (!(fault instanceof LineFault)) throw fault;
      faults.push(`Line ${index + 1}: ${fault.message}.`);
    }
    return [];
  });
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value };
}

function inOrder(start: string, end: string): { readonly start: string; readonly end: string } {
  const isTime = (time: string) => /^(?:[01]\d|2[0-3]):[0-5]\d$|^24:00$/.test(time);
  if (!isTime(start) || !isTime(end) || start >= end)
    throw new LineFault(`from ${start} to ${end} is no time`);
  return { start, end };
}

function idIn(named: Named, name: string, what: string): string {
  const found = named.find(one => one.name.toLowerCase() === name.trim().toLowerCase());
  if (!found) throw new LineFault(`there is no ${what} “${name.trim()}”`);
  return found.id;
}

function nameIn(named: Named, id: string): string {
  return named.find(one => one.id === id)?.name ?? id;
}

function lines<Entry>(entries: readonly Entry[], print: (entry: Entry) => string): string {
  return entries.map(print).join('\n');
}
