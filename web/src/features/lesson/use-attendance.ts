import { type Attendance, findContradictions, membersOn, type Role } from '@map-step/core';
import { useClass, usePlace } from '../course/course-context.ts';

export interface StudentHere {
  readonly id: string;
  readonly name: string;
  /** What they dance this evening. */
  readonly role: Role;
  /** What they dance in this class. */
  readonly ownRole: Role;
  /** Undefined until somebody has said. */
  readonly here: boolean | undefined;
  readonly isLate: boolean;
  /** True when two people said different things without having seen each other's. */
  readonly isDisputed: boolean;
}

/** What is said of a student; what is left out stays as it was. */
export interface SaidOfStudent {
  readonly here?: boolean;
  readonly late?: boolean;
  readonly role?: Role;
}

export interface LessonAttendance {
  readonly students: readonly StudentHere[];
  say(student: StudentHere, said: SaidOfStudent): void;
}

/** Who is in the lesson that is looked at, kept in this browser at once and sent as soon as it can be. */
export function useAttendance(): LessonAttendance {
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
  const students = members.map(({ student, role }): StudentHere => {
    const told = newest.get(student);
    return {
      id: student,
      ownRole: role,
      role: told?.role ?? role,
      name: section?.students.find(({ id }) => id === student)?.name ?? student,
      here: told?.here,
      isLate: told?.late ?? false,
      isDisputed: disputed.has(student),
    };
  });
  return {
    students,
    say: (student, said) => {
      const replaces = seen(student.id)?.id;
      const { here = student.here ?? true, late = student.isLate, role = student.role } = said;
      keep({
        kind: 'present',
        entry: {
          id: crypto.randomUUID(),
          ...{ lesson, student: student.id, role, here },
          ...(here && late && { late }),
          at: new Date().toISOString(),
          ...(replaces && { replaces }),
        },
      });
    },
  };
}
