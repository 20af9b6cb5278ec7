import { weekdayInWords } from '../model/days.ts';
import type { Section } from '../model/document.ts';
import { groupBy } from '../model/group-by.ts';
import { type AskedClasses, minutesOf, type TimetableRequest, timeOf } from './timetable-request.ts';

/** A class of this term, as far as a timetable is made of it. */
export interface HeldNow extends Pick<Section, 'start' | 'dates' | 'staff'> {
  readonly level?: string;
  readonly room?: string;
  /** Of its evenings. */
  readonly minutes: number;
}

/** As 0 is Monday. */
const FRIDAY = 4;

/**
 * A request whose rooms are open as this term shows, on their days within the widest hours of the room (on weekends apart), and whose staff teach
 * the levels, the days and as many classes as now. Who is on the staff of some evenings only is left out.
 */
export function likeThisTerm(classes: readonly HeldNow[], asked: readonly AskedClasses[]): TimetableRequest {
  const held = classes
    .flatMap(one => {
      const [first] = one.dates;
      const from = minutesOf(one.start);
      const to = from + one.minutes;
      if (first === undefined) return [];
      const weekday = (new Date(`${first}T00:00:00Z`).getUTCDay() + 6) % 7;
      return [{ ...one, day: weekdayInWords(first), weekday, isWeekend: weekday > FRIDAY, from, to }];
    })
    .sort((a, b) => a.weekday - b.weekday);
  const hoursOf = (among: readonly { readonly from: number; readonly to: number }[]) => ({
    start: timeOf(Math.min(...among.map(({ from }) => from))),
    end: timeOf(Math.min(24 * 60, Math.max(...among.map(({ to }) => to)))),
  });
  const inRooms = held.flatMap(one => (one.room === undefined ? [] : [{ ...one, room: one.room }]));
  const slots = [...groupBy(inRooms, ({ room }) => room)].flatMap(([room, own]) =>
    [...groupBy(own, ({ day }) => day)].map(([day, [one]]) => ({
      ...{ room, day },
      ...hoursOf(own.filter(other => other.isWeekend === one?.isWeekend)),
    })),
  );
  const teaching = held.flatMap(one =>
    one.staff
      .filter(({ from, to }) => from === undefined && to === undefined)
      .map(({ person }) => ({ ...one, person })),
  );
  return {
    classes: asked,
    slots,
    staff: [...groupBy(teaching, ({ person }) => person)].map(([person, own]) => ({
      person,
      levels: [...new Set(own.flatMap(({ level }) => level ?? []))],
      free: [...new Set(own.map(({ day }) => day))].map(day => {
        const { start: from, end: to } = hoursOf(held.filter(one => one.day === day));
        return { day, from, to };
      }),
      most: own.length,
    })),
  };
}
