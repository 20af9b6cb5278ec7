import fc from 'fast-check';
import highs from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { type HighsLike, highsSolver } from '../plan/exact/highs-solver.ts';
import type { MipSolver } from '../plan/exact/mip.ts';
import { judgeTimetable } from './judge-timetable.ts';
import { makeTimetable } from './timetable.ts';
import { minutesOf, type TimetableRequest, timeOf } from './timetable-request.ts';

let solver: MipSolver;
beforeAll(async () => {
  solver = highsSolver(await (highs as unknown as () => Promise<HighsLike>)());
});
const danceOf = (level: string) => level.replace(/\d$/, '');
const made = (request: TimetableRequest) => makeTimetable(request, { solver, danceOf });

interface HeldClass {
  readonly asked: number;
  readonly level: string;
  readonly room: string;
  readonly day: string;
  readonly from: number;
  readonly to: number;
  readonly person: string;
}

/** All ways to hold one class of each level asked. */
function waysToHold({ classes, slots, staff }: TimetableRequest): readonly HeldClass[] {
  const quarters = Array.from({ length: 96 }, (_, index) => index * 15);
  return classes.flatMap(({ level, minutes }, asked) =>
    slots.flatMap(({ room, day, start, end }) =>
      staff.flatMap(({ person, levels, free }) =>
        quarters
          .map(from => ({ asked, level, room, day, from, to: from + minutes, person }))
          .filter(
            ({ from, to }) =>
              levels.includes(level) &&
              minutesOf(start) <= from &&
              to <= minutesOf(end) &&
              free.some(one => one.day === day && minutesOf(one.from) <= from && to <= minutesOf(one.to)),
          ),
      ),
    ),
  );
}

/** What a choice of ways costs, written down once more from the rules; undefined where it breaks one. */
function costOf({ classes, staff }: TimetableRequest, held: readonly HeldClass[]): number | undefined {
  const pairs = held.flatMap((a, index) => held.slice(index + 1).map(b => [a, b] as const));
  const isSameDay = (a: HeldClass, b: HeldClass) => a.day === b.day;
  const overlaps = (a: HeldClass, b: HeldClass, gap = 0) =>
    isSameDay(a, b) && a.from < b.to + gap && b.from < a.to + gap;
  for (const [a, b] of pairs)
    if ((a.room === b.room && overlaps(a, b, 15)) || (a.person === b.person && overlaps(a, b)))
      return undefined;
  for (const { person, most } of staff)
    if (held.filter(one => one.person === person).length > most) return undefined;
  if (classes.some(({ times }, asked) => held.filter(one => one.asked === asked).length > times))
    return undefined;
  const left = classes.reduce((sum, { times }) => sum + times, 0) - held.length;
  const clashing = new Set(
    pairs.flatMap(([a, b]) =>
      a.level !== b.level && danceOf(a.level) === danceOf(b.level) && overlaps(a, b)
        ? [[a.level, b.level].sort().join()]
        : [],
    ),
  );
  const days = new Map<string, HeldClass[]>();
  for (const one of held)
    days.set(`${one.person} ${one.day}`, [...(days.get(`${one.person} ${one.day}`) ?? []), one]);
  let cost = 100 * left + 10 * clashing.size;
  for (const own of days.values()) {
    const span = Math.max(...own.map(({ to }) => to)) - Math.min(...own.map(({ from }) => from));
    cost += (span - own.reduce((sum, { from, to }) => sum + to - from, 0)) / 15 + (own.length === 1 ? 3 : 0);
  }
  return cost;
}

/** The least cost over all choices of so many ways. */
function cheapest(request: TimetableRequest): number {
  const ways = waysToHold(request);
  const most = request.classes.reduce((sum, { times }) => sum + times, 0);
  let best = Number.POSITIVE_INFINITY;
  const look = (at: number, held: readonly HeldClass[]) => {
    const cost = costOf(request, held);
    if (cost === undefined) return;
    best = Math.min(best, cost);
    if (held.length === most) return;
    for (let next = at; next < ways.length; next += 1) look(next + 1, [...held, ways[next] as HeldClass]);
  };
  look(0, []);
  return best;
}

const hour = (quarter: number) => timeOf(18 * 60 + quarter * 15);
const request = fc.record({
  classes: fc.array(
    fc.record({
      level: fc.constantFrom('hustle1', 'hustle2', 'tap1'),
      times: fc.integer({ min: 1, max: 2 }),
      minutes: fc.constantFrom(45, 50, 60),
    }),
    { minLength: 1, maxLength: 2 },
  ),
  slots: fc.array(
    fc
      .tuple(
        fc.constantFrom('loft', 'net'),
        fc.constantFrom('Mon', 'Tue'),
        fc.integer({ min: 0, max: 3 }),
        fc.integer({ min: 4, max: 7 }),
      )
      .map(([room, day, from, length]) => ({ room, day, start: hour(from), end: hour(from + length) })),
    { minLength: 1, maxLength: 2 },
  ),
  staff: fc.array(
    fc.record({
      person: fc.constantFrom('ana', 'pim'),
      levels: fc.subarray(['hustle1', 'hustle2', 'tap1'], { minLength: 1 }),
      free: fc.constantFrom(
        [{ day: 'Mon', from: '17:00', to: '22:00' }],
        [
          { day: 'Mon', from: '18:15', to: '20:00' },
          { day: 'Tue', from: '18:00', to: '22:00' },
        ],
      ),
      most: fc.integer({ min: 0, max: 2 }),
    }),
    { minLength: 1, maxLength: 2 },
  ),
});
/** Nobody is named twice, and neither is a level nor a room on a day. */
const isPlain = ({ classes, slots, staff }: TimetableRequest) =>
  new Set(classes.map(({ level }) => level)).size === classes.length &&
  new Set(staff.map(({ person }) => person)).size === staff.length &&
  new Set(slots.map(({ room, day }) => `${room} ${day}`)).size === slots.length;

describe('a timetable', () => {
  test('is as cheap as the cheapest of all, breaks no rule, and costs what it says', () => {
    let compared = 0;
    fc.assert(
      fc.property(request, asked => {
        fc.pre(isPlain(asked) && waysToHold(asked).length <= 26);
        const { placed, left, cost, bound, proven } = made(asked);
        const ways = waysToHold(asked);
        const held = placed.map(({ level, room, day, start, person }) => {
          const way = ways.find(
            one =>
              one.level === level &&
              one.room === room &&
              one.day === day &&
              timeOf(one.from) === start &&
              one.person === person,
          );
          if (!way) throw new Error(`no such way: ${level} ${start}`);
          return way;
        });
        expect(costOf(asked, held)).toBeCloseTo(cost, 4);
        expect(cost).toBeCloseTo(cheapest(asked), 4);
        expect([proven, bound]).toEqual([true, cost]);
        const judged = judgeTimetable(asked, placed, danceOf);
        expect(judged.broken).toEqual([]);
        expect(judged.cost).toBeCloseTo(cost, 2);
        expect(placed.length + left.length).toBe(asked.classes.reduce((sum, { times }) => sum + times, 0));
        compared += 1;
      }),
      { seed: 31, numRuns: 80 },
    );
    expect(compared).toBe(80);
  });

  const evening = { day: 'Mon', from: '18:00', to: '23:00' };
  const loft = { room: 'loft', day: 'Mon', start: '19:00', end: '21:00' };
  const ana = { person: 'ana', levels: ['hustle1', 'hustle2'], free: [evening], most: 2 };

  test('says of what is left why, and the one thing more that would place it', () => {
    const two = [
      { level: 'hustle1', times: 1, minutes: 60 },
      { level: 'hustle2', times: 1, minutes: 60 },
    ];
    const { placed, left } = made({ classes: two, slots: [loft], staff: [ana] });
    expect(placed).toEqual([
      { level: 'hustle1', n: 1, room: 'loft', day: 'Mon', start: '19:00', person: 'ana' },
    ]);
    expect(left).toEqual([
      {
        ...{ level: 'hustle2', n: 1, would: 'one more hour of loft on Mon, until 22:00' },
        why: 'the rooms or the people who may teach it are taken by other classes',
      },
    ]);
    const long = { ...loft, end: '23:00' };
    expect(made({ classes: two, slots: [long], staff: [{ ...ana, most: 1 }] }).left[0]?.would).toBe(
      'one more class by ana',
    );
    const away = { ...ana, free: [{ day: 'Tue', from: '18:00', to: '23:00' }] };
    expect(made({ classes: two, slots: [long], staff: [away] }).left[0]).toMatchObject({
      why: 'nobody who may teach it is free while a room is',
      would: 'ana on Mon',
    });
    expect(
      made({ classes: [{ level: 'tap1', times: 2, minutes: 60 }], slots: [loft], staff: [ana] }).left,
    ).toEqual([
      { level: 'tap1', n: 1, why: 'nobody may teach this level', would: null },
      { level: 'tap1', n: 2, why: 'nobody may teach this level', would: null },
    ]);
  });

  test('a person does not wait, levels of one dance do not overlap, and the same request has the same timetable', () => {
    const pim = { ...ana, person: 'pim' };
    const slots = [
      { ...loft, end: '21:15' },
      { ...loft, room: 'net', end: '21:15' },
    ];
    const both = [
      { level: 'hustle1', times: 1, minutes: 60 },
      { level: 'hustle2', times: 1, minutes: 60 },
    ];
    const { placed, cost } = made({ classes: both, slots, staff: [ana, pim] });
    expect(cost).toBe(0);
    expect(placed.map(({ level, start }) => [level, start]).sort()).toEqual([
      ['hustle1', expect.any(String)],
      ['hustle2', expect.any(String)],
    ]);
    expect(new Set(placed.map(({ start }) => start))).toEqual(new Set(['19:00', '20:00']));
    expect(new Set(placed.map(({ person }) => person)).size).toBe(1);
    expect(made({ classes: both, slots, staff: [ana, pim] }).placed).toEqual(placed);
  });

  test('a term of twelve classes in three rooms with six teachers is solved to the end', () => {
    const levels = ['hustle1', 'hustle2', 'hustle3', 'balboa1', 'balboa2', 'tap1', 'tap2', 'waltz1'];
    const days = ['Mon', 'Tue', 'Wed', 'Thu'];
    const asked: TimetableRequest = {
      classes: levels.map((level, index) => ({ level, times: index < 4 ? 2 : 1, minutes: 60 })),
      slots: days.flatMap(day =>
        ['loft', 'net', 'quay'].map((room, at) => ({
          ...{ room, day, start: '18:00', end: at === 2 ? '21:30' : '22:00' },
        })),
      ),
      staff: Array.from({ length: 6 }, (_, index) => ({
        person: `p${index}`,
        levels: levels.filter((_one, at) => (at + index) % 3 !== 0),
        free: days
          .filter((_day, at) => (at + index) % 4 !== 0)
          .map(day => ({ day, from: '18:00', to: '22:00' })),
        most: 3,
      })),
    };
    const { placed, left, cost, bound, proven } = made(asked);
    expect([placed.length, left, cost, bound, proven]).toEqual([12, [], 0, 0, true]);
    const held = placed.map(({ level, room, day, start, person }): HeldClass => {
      const at = asked.classes.findIndex(one => one.level === level);
      return { asked: at, level, room, day, from: minutesOf(start), to: minutesOf(start) + 60, person };
    });
    expect(costOf(asked, held)).toBe(0);
  });
});
