import { type Attendance, findContradictions, membersOn, type Role } from '@map-step/core';
import { useClass, usePlace } from '../course/course-context.ts';

export interface StudentHere {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  /** Undefined until somebody has said. */
  readonly here: boolean | undefined;
  /** True when two people said different things without having seen each other's. */
  readonly isDisputed: boolean;
}

/** Who is in the lesson that is looked at, kept in this browser at once and sent as soon as it can be. */
export function useAttendance(): {
  readonly students: readonly StudentHere[];
  say(student: StudentHere, here: boolean): void;
} {
  const { section, waiting, keep } = useClass();
  const { lesson } = usePlace();
  const entries = (section?.attendance ?? []).filter(entry => entry.lesson === lesson);
  const newest = new Map(entries.map(entry => [entry.student, entry]));
  const disputed = new Set(
    findContradictions(
      entries,
      ({ student }) => student,
      ({ here }) => here,
    ).map(({ subject }) => subject),
  );
  const unsent = new Set(waiting.map(({ entry }) => entry.id));
  const seen = (student: string): Attendance | undefined =>
    entries.findLast(entry => entry.student === student && !unsent.has(entry.id));
  const members = section ? membersOn(section.section, section.section.dates[lesson - 1]) : [];
  const students = members.map(({ student, role }) => ({
    id: student,
    role,
    name: section?.students.find(({ id }) => id === student)?.name ?? student,
    here: newest.get(student)?.here,
    isDisputed: disputed.has(student),
  }));
  return {
    students,
    say: ({ id, role }, here) => {
      const replaces = seen(id)?.id;
      keep({
        kind: 'attendance',
        entry: {
          id: crypto.randomUUID(),
          lesson,
          student: id,
          role,
          here,
          at: new Date().toISOString(),
          ...(replaces && { replaces }),
        },
      });
    },
  };
}
