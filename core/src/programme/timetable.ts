import type { MipSolver } from '../plan/exact/mip.ts';
import { type HeldPlace, TIMETABLE_COSTS, type TimetableModel, timetableModel } from './timetable-model.ts';
import {
  minutesOf,
  QUARTER,
  roomGroups,
  type TaughtTime,
  type TimetableRequest,
  taughtTimes,
  timeOf,
} from './timetable-request.ts';

export interface PlacedClass {
  readonly level: string;
  /** Of the classes of its level, from 1. */
  readonly n: number;
  readonly room: string;
  readonly day: string;
  readonly start: string;
  readonly person: string;
}

export interface LeftClass {
  readonly level: string;
  readonly n: number;
  readonly why: string;
  /** The one thing more that would place it; null where no single one does. */
  readonly would: string | null;
}

export interface Timetable {
  readonly placed: readonly PlacedClass[];
  readonly left: readonly LeftClass[];
  readonly cost: number;
  /** No timetable costs less. */
  readonly bound: number;
  readonly proven: boolean;
}

interface Solving {
  readonly solver: MipSolver;
  /** The dance of a level; levels of one dance had better not overlap. */
  danceOf(level: string): string;
  /** For the timetable itself. */
  readonly seconds?: number;
}

const SECONDS = 20;
/** For each thing more that is tried. */
const TRIAL_SECONDS = 4;
const HOUR = 60;
/** Of a step of the cost, what the order given may cost in all. */
const ORDER = 0.3;
/** Requests of so few times to teach at are solved to the last of the order too. */
const SMALL = 300;

/**
 * The cheapest timetable of a request, exact where `proven`. Costs: 100 a class that is left, 10 a pair of levels of one dance
 * that overlap, 1 a quarter of an hour that a person waits between two classes, 3 a day that a person comes for one class
 * alone. Of equally cheap ones the first in the order given, where the request is small. Rooms that are free alike are given
 * out in the order given. For each level with a class left one thing more after the
 * other is tried, each a timetable of its own.
 */
export function makeTimetable(request: TimetableRequest, solving: Solving): Timetable {
  const { taught, cost, bound, proven } = solve(request, solving);
  const numbers = new Map<string, number>();
  const next = (level: string) => {
    const number = (numbers.get(level) ?? 0) + 1;
    numbers.set(level, number);
    return number;
  };
  const placed = taught.map(({ asked, person, day, from, room }): PlacedClass => {
    const level = request.classes[asked]?.level ?? '';
    return {
      level,
      n: next(level),
      room,
      day,
      start: timeOf(from),
      person: request.staff[person]?.person ?? '',
    };
  });
  const left = request.classes.flatMap(({ level, times }, asked): LeftClass[] => {
    const had = taught.filter(one => one.asked === asked).length;
    if (had === times) return [];
    const why = whyLeft(request, asked);
    const would = wouldPlace(request, { asked, own: had + 1, all: taught.length + 1 }, solving) ?? null;
    return Array.from({ length: times - had }, () => ({ level, n: next(level), why, would }));
  });
  return { placed, left, cost, bound, proven };
}

type InRoom = TaughtTime & { readonly room: string };

interface Solved {
  readonly taught: readonly InRoom[];
  readonly cost: number;
  readonly bound: number;
  readonly proven: boolean;
}

function solve(request: TimetableRequest, { solver, danceOf, seconds = SECONDS }: Solving): Solved {
  const nothing = TIMETABLE_COSTS.left * request.classes.reduce((sum, { times }) => sum + times, 0);
  // Timetables cost whole steps: what is nearer than one is the same, and within one the order given can be told apart.
  const step = stepOf(request);
  const isSmall = taughtTimes(request, roomGroups(request.slots)).length <= SMALL;
  const built = timetableModel(request, danceOf, { order: isSmall ? ORDER * step : 0 });
  const { model } = built;
  const { values, bound, ended } = solver(model, { seconds, gap: isSmall ? 0 : 0.99 * step });
  const inSteps = (cost: number) => rounded(Math.max(0, Math.round(cost / step) * step));
  const least = inSteps(isSmall ? bound - (ORDER / 2) * step : bound + 0.49 * step);
  if (!values) return { taught: [], cost: nothing, bound: least, proven: false };
  const paid = model.cost.reduce((sum, one, at) => sum + one * (values[at] ?? 0), model.offset);
  const cost = inSteps(isSmall ? paid - (ORDER / 2) * step : paid);
  const proven = ended === 'optimal';
  return { taught: inRooms(built, values), cost, bound: proven ? cost : least, proven };
}

/** What the costs of all timetables are multiples of. */
function stepOf({ classes }: TimetableRequest): number {
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b));
  return classes.reduce((step, { minutes }) => common(step, minutes), QUARTER) / QUARTER;
}

/** A float's last digits are no cost. */
function rounded(cost: number): number {
  return Math.round(cost * 1e6) / 1e6;
}

/** Rooms for what is taught: of each group the first that is free. */
function inRooms({ taught, held }: TimetableModel, values: Float64Array): readonly InRoom[] {
  const until = new Map<string, number>();
  const given = held(values)
    .toSorted((a, b) => a.from - b.from)
    .map((place: HeldPlace) => {
      const key = (room: string) => JSON.stringify([room, place.day]);
      const room = place.group.rooms.find(one => (until.get(key(one)) ?? 0) <= place.from) ?? '';
      until.set(key(room), place.to + QUARTER);
      return { ...place, room };
    });
  return taught(values).map(one => {
    const at = given.findIndex(({ day, from, to }) => day === one.day && from === one.from && to === one.to);
    return { ...one, room: given.splice(at, 1)[0]?.room ?? '' };
  });
}

/** What keeps a level from being held at all, else what it gave way to. */
function whyLeft({ classes, slots, staff }: TimetableRequest, asked: number): string {
  const { level = '', minutes = 0 } = classes[asked] ?? {};
  const may = staff.filter(({ levels }) => levels.includes(level));
  if (may.length === 0) return 'nobody may teach this level';
  if (may.every(({ most }) => most === 0)) return 'nobody who may teach it takes a class';
  const isLong = slots.some(({ start, end }) => minutesOf(end) - minutesOf(start) >= minutes);
  if (!isLong) return `no room is free for ${minutes} minutes`;
  const own = classes.slice(asked, asked + 1);
  if (taughtTimes({ classes: own, slots, staff }, roomGroups(slots)).length === 0)
    return 'nobody who may teach it is free while a room is';
  return 'the rooms or the people who may teach it are taken by other classes';
}

/** One thing more, tried: an hour of a room, an evening of a person, one class more for a person. */
function wouldPlace(
  request: TimetableRequest,
  atLeast: { readonly asked: number; readonly own: number; readonly all: number },
  { solver, danceOf }: Solving,
): string | undefined {
  const { slots, staff, classes } = request;
  const { level = '' } = classes[atLeast.asked] ?? {};
  const may = staff.flatMap((one, index) => (one.levels.includes(level) ? [[one, index] as const] : []));
  const own = classes.slice(atLeast.asked, atLeast.asked + 1);
  const places = (more: Partial<TimetableRequest>) => {
    const changed = { ...request, ...more };
    if (taughtTimes({ ...changed, classes: own }, roomGroups(changed.slots)).length === 0) return false;
    const { model } = timetableModel(changed, danceOf, { atLeast });
    if (solver(model, { seconds: TRIAL_SECONDS, relaxed: true }).ended === 'infeasible') return false;
    return solver(model, { seconds: TRIAL_SECONDS }).values !== undefined;
  };
  for (const [index, slot] of slots.entries()) {
    const later = timeOf(Math.min(minutesOf(slot.end) + HOUR, 24 * HOUR));
    if (places({ slots: slots.with(index, { ...slot, end: later }) }))
      return `one more hour of ${slot.room} on ${slot.day}, until ${later}`;
    const earlier = timeOf(Math.max(minutesOf(slot.start) - HOUR, 0));
    if (places({ slots: slots.with(index, { ...slot, start: earlier }) }))
      return `one more hour of ${slot.room} on ${slot.day}, from ${earlier}`;
  }
  for (const [one, index] of may)
    for (const day of new Set(slots.map(slot => slot.day))) {
      const free = [...one.free, { day, from: '00:00', to: '24:00' }];
      if (places({ staff: staff.with(index, { ...one, free }) })) return `${one.person} on ${day}`;
    }
  for (const [one, index] of may)
    if (places({ staff: staff.with(index, { ...one, most: one.most + 1 }) }))
      return `one more class by ${one.person}`;
  return undefined;
}
