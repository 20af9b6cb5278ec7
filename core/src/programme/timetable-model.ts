// A timetable as a mixed-integer model. Who teaches and where it is held are separate columns that meet in what is on at a
// time: a person's day is a way through its quarters of the clock, rooms that are free alike are one room of several places.
import { groupBy } from '../model/group-by.ts';
import {
  type Linear,
  MipBuilder,
  type MipModel,
  minus,
  sumOf,
  times,
  worthOf,
  ZERO,
} from '../plan/exact/mip.ts';
import {
  coversTime,
  type HeldTime,
  QUARTER,
  quartersBetween,
  type RoomGroup,
  roomGroups,
  type TaughtTime,
  type TimetableRequest,
  taughtTimes,
} from './timetable-request.ts';

/** Points of a timetable; what it costs is their sum. */
export const TIMETABLE_COSTS = { left: 100, overlap: 10, waiting: 1, alone: 3 } as const;

export interface TimetableModel {
  readonly model: MipModel;
  /** Who teaches what when, in a solution. */
  taught(values: Float64Array): readonly TaughtTime[];
  /** Which rooms are taken when, by their groups. */
  held(values: Float64Array): readonly HeldPlace[];
}

/** A place in one of the rooms of a group. */
export interface HeldPlace extends HeldTime {
  readonly group: RoomGroup;
}

interface Wish {
  /** Any timetable with at least so many classes of one asked, and so many in all. */
  readonly atLeast?: { readonly asked: number; readonly own: number; readonly all: number };
  /** What the order may cost in all. */
  readonly order?: number;
}

/** The model of a request. */
export function timetableModel(
  request: TimetableRequest,
  danceOf: (level: string) => string,
  { atLeast, order = 0 }: Wish = {},
): TimetableModel {
  const model = new MipBuilder();
  const { classes, staff } = request;
  const groups = roomGroups(request.slots);
  const taught: (readonly [TaughtTime, Linear])[] = [];
  const column = () => model.column(0, 1, () => 0, 'whole');

  for (const own of groupBy(taughtTimes(request, groups), ({ person, day }) => `${person} ${day}`).values())
    personsDay(own);
  for (const [index, { most }] of staff.entries())
    model.row(sumOf(taught.flatMap(([one, on]) => (one.person === index ? on : []))), 0, most);

  const perAsked = groupBy(taught, ([{ asked }]) => asked);
  const ownOf = (asked: number) => sumOf((perAsked.get(asked) ?? []).map(([, on]) => on));
  for (const [asked, { times: wanted }] of classes.entries()) {
    model.row(ownOf(asked), 0, wanted);
    if (!atLeast) {
      model.pay({ constant: TIMETABLE_COSTS.left * wanted, terms: [] });
      model.pay(times(-TIMETABLE_COSTS.left, ownOf(asked)));
    }
  }
  if (atLeast) {
    model.row(ownOf(atLeast.asked), atLeast.own, Number.POSITIVE_INFINITY);
    model.row(sumOf(taught.map(([, on]) => on)), atLeast.all, Number.POSITIVE_INFINITY);
  }
  // How many classes in all: a whole number that a search may branch on first.
  const all = model.column(
    0,
    classes.reduce((sum, one) => sum + one.times, 0),
    () => 0,
    'whole',
  );
  model.row(minus(sumOf(taught.map(([, on]) => on)), all), 0, 0);
  const held = rooms();
  if (!atLeast) {
    overlaps();
    inOrder();
  }
  return {
    model: model.build(),
    taught: values => taught.flatMap(([one, on]) => (worthOf(on, values) > 0.5 ? [one] : [])),
    held: values =>
      held.flatMap(([one, on]) => Array.from({ length: Math.round(worthOf(on, values)) }, () => one)),
  };

  /** The day of a person: one class alone, or from one class to the next with the waiting between them. */
  function personsDay(own: readonly TaughtTime[]): void {
    const [earliest, latest] = [
      Math.min(...own.map(({ to }) => to)),
      Math.max(...own.map(({ from }) => from)),
    ];
    const quarters = quartersBetween(earliest, latest);
    const comes: Linear[] = [];
    const into = new Map<number, Linear[]>(quarters.map(at => [at, []]));
    const outOf = new Map<number, Linear[]>(quarters.map(at => [at, []]));
    for (const one of own) {
      const after = Math.ceil(one.to / QUARTER) * QUARTER;
      const alone = column();
      const first = into.has(after) ? column() : ZERO;
      const last = outOf.has(one.from) ? column() : ZERO;
      const middle = into.has(after) && outOf.has(one.from) ? column() : ZERO;
      comes.push(alone, first);
      into.get(after)?.push(first, middle);
      outOf.get(one.from)?.push(middle, last);
      taught.push([one, sumOf([alone, first, middle, last])]);
      if (atLeast) continue;
      model.pay(times(TIMETABLE_COSTS.alone, alone));
      model.pay(times((TIMETABLE_COSTS.waiting * (after - one.to)) / QUARTER, sumOf([first, middle])));
    }
    for (const at of quarters) {
      if (!into.has(at + QUARTER)) continue;
      const wait = column();
      outOf.get(at)?.push(wait);
      into.get(at + QUARTER)?.push(wait);
      if (!atLeast) model.pay(times(TIMETABLE_COSTS.waiting, wait));
    }
    model.row(sumOf(comes), 0, 1);
    for (const at of quarters) model.row(minus(sumOf(into.get(at) ?? []), sumOf(outOf.get(at) ?? [])), 0, 0);
  }

  /** Whatever is on is held in a room, and a quarter of an hour lies between two classes of one. */
  function rooms(): readonly (readonly [HeldPlace, Linear])[] {
    const places: (readonly [HeldPlace, Linear])[] = [];
    for (const same of groupBy(taught, ([{ day, from, to }]) => `${day} ${from} ${to}`).values()) {
      const [time] = same[0] ?? [];
      if (!time) continue;
      const { day, from, to } = time;
      const own = groups
        .filter(group => group.day === day && coversTime(group.spans, from, to))
        .map(group => {
          const count = model.column(0, group.rooms.length, () => 0, 'whole');
          return [{ group, day, from, to }, count] as const;
        });
      places.push(...own);
      model.row(minus(sumOf(same.map(([, on]) => on)), sumOf(own.map(([, on]) => on))), 0, 0);
    }
    for (const [group, own] of groupBy(places, ([one]) => one.group))
      for (const at of new Set(own.map(([{ from }]) => from))) {
        const on = own.filter(([{ from, to }]) => from <= at && at < to + QUARTER);
        model.row(sumOf(on.map(([, count]) => count)), 0, group.rooms.length);
      }
    return places;
  }

  /** Two levels of one dance that are on at the same time cost once a pair. */
  function overlaps(): void {
    const levels = [...new Set(classes.map(({ level }) => level))];
    for (const dance of groupBy(levels, danceOf).values()) {
      const pairs = dance.flatMap((a, index) => dance.slice(index + 1).map(b => [a, b, column()] as const));
      if (pairs.length === 0) continue;
      for (const [, , both] of pairs) model.pay(times(TIMETABLE_COSTS.overlap, both));
      const own = taught.filter(([{ asked }]) => dance.includes(classes[asked]?.level ?? ''));
      for (const onDay of groupBy(own, ([{ day }]) => day).values())
        for (const at of new Set(onDay.map(([{ from }]) => from))) {
          const now = onDay.filter(([{ from, to }]) => from <= at && at < to);
          const isOn = new Map(dance.map(level => [level, someOf(level, now)]));
          const on = (level: string) => isOn.get(level) ?? ZERO;
          for (const [a, b, both] of pairs)
            if (on(a).terms.length > 0 && on(b).terms.length > 0)
              model.row(minus(sumOf([on(a), on(b)]), both), Number.NEGATIVE_INFINITY, 1);
          if (dance.length > 2)
            model.row(
              minus(sumOf(dance.map(on)), sumOf(pairs.map(([, , both]) => both))),
              Number.NEGATIVE_INFINITY,
              1,
            );
        }
    }
  }

  /** Of equally cheap ones the first in the order given: all of it costs less than any real difference. */
  function inOrder(): void {
    const whole = taught.length * classes.reduce((sum, one) => sum + one.times, 0);
    for (const [index, [, on]] of taught.entries()) model.pay(times((order * index) / whole, on));
  }

  /** At least 1 where a class of the level is among these. */
  function someOf(level: string, now: readonly (readonly [TaughtTime, Linear])[]): Linear {
    const own = now.filter(([{ asked }]) => classes[asked]?.level === level);
    const count = classes.reduce((sum, one) => sum + (one.level === level ? one.times : 0), 0);
    if (own.length === 0 || count === 1) return sumOf(own.map(([, on]) => on));
    const some = model.column(0, 1, () => 0);
    for (const of of groupBy(own, ([{ person }]) => person).values())
      model.atMost(sumOf(of.map(([, on]) => on)), some);
    return some;
  }
}
