import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays } from '../model/days.ts';
import { findClashes, type TermClass } from './clashes.ts';
import { weeklyDates } from './dates.ts';

const one = (more: Partial<TermClass> & { id: string }): TermClass => ({
  start: '19:00',
  dates: ['2026-03-09'],
  minutes: [60],
  room: 'loft',
  staff: [{ person: 'ana' }],
  ...more,
});

describe('two classes at once', () => {
  test.each<[string, Partial<Omit<TermClass, 'room'>> & { room?: string | undefined }, readonly string[]]>([
    ['in the same room', { staff: [] }, ['room loft']],
    ['with the same teacher elsewhere', { room: 'net' }, ['person ana']],
    ['one right after the other', { start: '20:00' }, []],
    ['overlapping by a minute', { start: '19:59' }, ['room loft', 'person ana']],
    ['on another day', { dates: ['2026-03-10'] }, []],
    ['one that has no room yet', { room: undefined, staff: [] }, []],
    [
      'a teacher who is not theirs on that day',
      { room: 'net', staff: [{ person: 'ana', from: '2026-03-10' }] },
      [],
    ],
    [
      'from before midnight into the next day',
      { start: '18:00', minutes: [90] },
      ['room loft', 'person ana'],
    ],
  ])('%s', (_, more, expected) => {
    const { room, ...rest } = { ...one({ id: 'b' }), ...more };
    const other: TermClass = { ...rest, ...(room !== undefined && { room }) };
    expect(findClashes([one({ id: 'a' }), other]).map(({ kind, id }) => `${kind} ${id}`)).toEqual(expected);
  });

  test('over midnight the clash is told by the day of the later one', () => {
    const late = one({ id: 'late', start: '23:30' });
    const night = one({ id: 'night', start: '00:15', dates: ['2026-03-10'], staff: [] });
    expect(findClashes([night, late])).toEqual([
      { kind: 'room', id: 'loft', date: '2026-03-10', classes: ['late', 'night'] },
    ]);
  });
});

/** A term without clashes: each class has a room and a teacher of its own, or an hour of its own. */
const cleanTerm = fc
  .record({
    rooms: fc.integer({ min: 1, max: 4 }),
    hours: fc.integer({ min: 1, max: 4 }),
    weeks: fc.integer({ min: 1, max: 14 }),
    first: fc.integer({ min: 0, max: 400 }),
  })
  .map(({ rooms, hours, weeks, first }) =>
    Array.from({ length: rooms * hours }, (_, index): TermClass => {
      const [room, hour] = [index % rooms, Math.floor(index / rooms)];
      return {
        id: `class-${index}`,
        start: `${17 + hour}:00`,
        dates: weeklyDates(addDays('2025-01-01', first + hour * 3), weeks, []).dates,
        minutes: [60],
        room: `room-${room}`,
        staff: [{ person: `person-${room}` }],
      };
    }),
  );

test('in generated terms every planted clash is found, and nothing else', () => {
  fc.assert(
    fc.property(
      cleanTerm,
      fc.array(
        fc.record({
          of: fc.nat(),
          evening: fc.nat(),
          shift: fc.integer({ min: -59, max: 59 }),
          what: fc.constantFrom('room', 'person'),
        }),
        { maxLength: 4 },
      ),
      (term, plants) => {
        expect(findClashes(term)).toEqual([]);
        const planted = plants.map(
          ({ of, evening, shift, what }, index): { added: TermClass; expected: string } => {
            const host = term[of % term.length] as TermClass;
            const date = host.dates[evening % host.dates.length] as string;
            const at = Number(host.start.slice(0, 2)) * 60 + shift;
            const added: TermClass = {
              id: `planted-${index}`,
              start: `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`,
              dates: [date],
              minutes: [1],
              room: what === 'room' ? (host.room as string) : `only-${index}`,
              staff: what === 'person' ? host.staff : [{ person: `only-${index}` }],
            };
            return {
              added,
              expected: `${what} ${what === 'room' ? host.room : host.staff[0]?.person} ${date} planted-${index}`,
            };
          },
        );
        const found = findClashes([...term, ...planted.map(({ added }) => added)]);
        for (const { added, expected } of planted) {
          const own = found.filter(({ classes }) => classes.includes(added.id));
          const hosts = own.filter(({ classes }) => classes.some(id => id.startsWith('class-')));
          const [hour, minute] = added.start.split(':').map(Number) as [number, number];
          const isInside = term.some(({ start, dates, room, staff }) => {
            const from = Number(start.slice(0, 2)) * 60;
            const at = hour * 60 + minute;
            return (
              dates.includes(added.dates[0] as string) &&
              from <= at &&
              at < from + 60 &&
              (room === added.room || staff[0]?.person === added.staff[0]?.person)
            );
          });
          expect(hosts.map(({ kind, id, date }) => `${kind} ${id} ${date} ${added.id}`)).toEqual(
            isInside ? [expected] : [],
          );
        }
        expect(found.every(({ classes }) => classes.some(id => id.startsWith('planted-')))).toBe(true);
      },
    ),
    { seed: 14, numRuns: 200 },
  );
});

test('the change of summer time moves no start: the weekday stays, and who begins when another ends never meets it', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 3000 }), day => {
      const first = addDays('2024-01-01', day);
      const { dates } = weeklyDates(first, 60, []);
      const weekday = (date: string) => new Date(`${date}T00:00:00Z`).getUTCDay();
      expect(new Set(dates.map(weekday))).toEqual(new Set([weekday(first)]));
      // A class that begins when another ends never meets it, in whichever night the clocks change.
      const before = one({ id: 'a', start: '01:00', dates });
      const after = one({ id: 'b', start: '02:00', dates });
      expect(findClashes([before, after])).toEqual([]);
    }),
    { seed: 14, numRuns: 50 },
  );
});
