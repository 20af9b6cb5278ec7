import type { Person, Section } from '../model/document.ts';

/**
 * True when a person is on the staff of a class on a date: within the days they were given, both included.
 * Without a date (a lesson that has none yet) only those count who have no days set.
 */
export function isOnStaff(
  section: Pick<Section, 'staff'>,
  person: string,
  date: string | undefined,
): boolean {
  return section.staff.some(
    entry =>
      entry.person === person &&
      (entry.from === undefined || (date !== undefined && entry.from <= date)) &&
      (entry.to === undefined || (date !== undefined && date <= entry.to)),
  );
}

/** The numbers of the lessons that a person teaches or stands in for, from 1; `lessons` in all. */
export function ownLessons(
  section: Pick<Section, 'staff' | 'dates'>,
  person: string,
  lessons: number,
): readonly number[] {
  const all = Array.from({ length: lessons }, (_, index) => index + 1);
  return all.filter(lesson => isOnStaff(section, person, section.dates[lesson - 1]));
}

/** The names of those who stand in on a date: they are there for certain days only, or for standing in. */
export function standIns(
  { staff }: Pick<Section, 'staff'>,
  people: readonly Pick<Person, 'id' | 'name' | 'role'>[],
  date: string | undefined,
): readonly Pick<Person, 'id' | 'name'>[] {
  const isFor = (id: string) =>
    staff.some(({ person, from, to }) => person === id && from !== undefined && to !== undefined);
  return people.filter(
    ({ id, role }) => isOnStaff({ staff }, id, date) && (role === 'stand-in' || isFor(id)),
  );
}
