// The other classes of the term, and one of last autumn, with the mess of real life: who came, what was reached, what was
// noted, and how two teachers marked. Dates stand around the Monday of lesson 5; the same numbers make the same studio.

import type {
  Attendance,
  Check,
  Course,
  Layer,
  Log,
  LogResult,
  Mark,
  PlanVersion,
  Role,
  Section,
  Student,
} from '@map-step/core';
import { aheadIn } from './ahead.ts';

interface ClassPlan {
  readonly section: string;
  readonly course: Course;
  readonly room: 'sail-loft' | 'net-room';
  readonly start: string;
  readonly dates: readonly string[];
  readonly cancelled?: Section['cancelled'];
  readonly staff: Section['staff'];
  /** How many of each role. */
  readonly roles: Partial<Record<Role, number>>;
  /** Lessons that are over. */
  readonly taught: number;
  readonly notes?: Readonly<Record<string, string>>;
}

export interface DemoClasses {
  readonly students: readonly Student[];
  readonly sections: readonly Section[];
  readonly logs: readonly Log[];
  readonly attendance: readonly Attendance[];
}

const NAMES =
  'Aino Bela Ciro Dara Edda Fenn Gita Hugo Ilka Joss Kaja Leif Mira Noor Otso Petra Quill Rafe Sanna Tove Ulla Vito Wilma Xan Yara Zeno'.split(
    ' ',
  );
const LAST = 'BCDFGHKLMNPRSTVW';

/** Builds classes one after the other; students, logs and attendance have numbers of their own. */
export function buildClasses(plans: readonly ClassPlan[]): DemoClasses {
  const students: Student[] = [];
  const sections: Section[] = [];
  const logs: Log[] = [];
  const attendance: Attendance[] = [];
  for (const [index, plan] of plans.entries()) {
    const members = plan.course === undefined ? [] : enrol(plan, students.length);
    students.push(...members);
    const { section: id, course, room, start, dates, cancelled, staff } = plan;
    sections.push({
      ...{ id, course: course.id, room, start, dates },
      ...(cancelled && { cancelled }),
      ...{ staff, students: members.map(({ id: student, role }) => ({ student, role })) },
    });
    for (let lesson = 1; lesson <= plan.taught; lesson += 1) {
      const date = dates[lesson - 1] ?? '';
      logs.push(...logsOf(plan, lesson, date, index));
      attendance.push(...attendanceOf(plan, members, lesson, date, index));
    }
  }
  return { students, sections, logs, attendance };
}

function enrol({ roles }: ClassPlan, before: number): Student[] {
  const asked = (['lead', 'follow', 'solo'] as const).flatMap(role =>
    Array.from({ length: roles[role] ?? 0 }, () => role),
  );
  return asked.map((role, index) => {
    const number = before + index;
    const name = `${NAMES[number % NAMES.length]} ${LAST[Math.floor(number / NAMES.length) % LAST.length]}`;
    return { id: name.toLowerCase().replace(' ', '-'), name, role };
  });
}

const RESULTS: readonly LogResult[] = [
  'solid',
  'solid',
  'shaky',
  'solid',
  'touched',
  'solid',
  'shaky',
  'solid',
];

function logsOf(plan: ClassPlan, lesson: number, date: string, number: number): Log[] {
  const fresh = (plan.course.placed ?? []).filter(one => one.lesson === lesson);
  const again = (plan.course.placed ?? []).filter(one => one.lesson === lesson - 1);
  const by = teacherOn(plan, date);
  const prepared = aheadIn(plan.course.id, lesson).map(
    (element, order): Log => ({
      ...{ id: uuid(10 + number, lesson * 100 + 90 + order), section: plan.section, lesson, element },
      ...{ result: 'solid', minutes: 4, by, at: `${date}T${plan.start.slice(0, 2)}:5${order}:00Z` },
    }),
  );
  const danced = [...again, ...fresh].map(({ pattern }, order): Log => {
    const isNew = order >= again.length;
    const isLast = isNew && order === again.length + fresh.length - 1 && fresh.length > 2;
    const result = isLast
      ? 'not-reached'
      : (RESULTS[(lesson * 3 + order * 5 + number) % RESULTS.length] ?? 'solid');
    const minutes = isLast ? undefined : isNew ? 9 + ((lesson + order * 4 + number) % 7) : 3;
    const note = isNew ? plan.notes?.[pattern] : undefined;
    return {
      ...{ id: uuid(10 + number, lesson * 100 + order), section: plan.section, lesson, pattern, result },
      ...(minutes !== undefined && { minutes }),
      ...(note && { note }),
      ...{ by, at: `${date}T${plan.start.slice(0, 2)}:${String(10 + order * 7).padStart(2, '0')}:00Z` },
    };
  });
  return [...danced, ...prepared];
}

function attendanceOf(
  plan: ClassPlan,
  members: readonly Student[],
  lesson: number,
  date: string,
  number: number,
): Attendance[] {
  const by = teacherOn(plan, date);
  return members.map(({ id: student, role }, order) => ({
    ...{ id: uuid(40 + number, lesson * 100 + order), section: plan.section, lesson, student, role },
    here: (lesson * 5 + order * 7 + number) % 9 !== 0,
    ...{ by, at: `${date}T${plan.start.slice(0, 2)}:04:00Z` },
  }));
}

function teacherOn({ staff }: ClassPlan, date: string): string {
  const there = staff.find(({ from, to }) => (from ?? '') <= date && date <= (to ?? '9999'));
  return (there ?? staff[0])?.person ?? '';
}

function uuid(kind: number, number: number): string {
  return `00000000-0000-4000-8000-${String(kind).padStart(4, '0')}${String(number).padStart(8, '0')}`;
}

interface CheckPlan {
  readonly id: string;
  readonly section: Section;
  readonly kind: Check['kind'];
  readonly date: string;
  readonly items: Check['items'];
  readonly markers: readonly [string, string];
  /** So many students the second marker marked too. */
  readonly shared: number;
}

/** A check as two mark it: the second a little more mildly, on a few of the same students; one student was away. */
export function buildCheck({ id, section, kind, date, items, markers, shared }: CheckPlan): Check {
  const marks: Mark[] = [];
  for (const [order, { student, role }] of section.students.entries()) {
    if (order === section.students.length - 1) continue;
    for (const [place, { pattern, layers }] of items.entries())
      for (const [asked, layer] of layers.entries()) {
        const mark = markFor(order, place, asked, layer);
        const put = (by: string, given: Mark['mark'], minute: number) =>
          marks.push({
            ...{
              id: uuid(kind === 'final' ? 80 : 70, marks.length),
              student,
              role,
              pattern,
              layer,
              mark: given,
            },
            ...{ by, at: `${date}T19:${String(minute).padStart(2, '0')}:00Z` },
          });
        put(markers[0], mark, 10 + (order % 40));
        if (order < shared) put(markers[1], milder(mark, order + place + asked), 12 + (order % 40));
      }
  }
  return { id, section: section.id, kind, date, items, marks };
}

/** Some are sure of everything, some of most, a few of little; partnering is hardest, and late figures are newer. */
function markFor(student: number, place: number, asked: number, layer: Layer): Mark['mark'] {
  const talent = [3, 2, 2, 3, 1, 2, 3, 2, 2, 1, 3, 2][student % 12] ?? 2;
  const harder = (layer === 'partner' || layer === 'tempo') && (student + place) % 4 === 0 ? 1 : 0;
  const newer = place > 7 && (student * 3 + place) % 5 === 0 ? 1 : 0;
  const luck = (student * 7 + place * 5 + asked * 3) % 11 === 0 ? 1 : 0;
  return clamp(talent - harder - newer + luck);
}

function milder(mark: Mark['mark'], number: number): Mark['mark'] {
  return clamp(mark + (number % 3 === 0 ? 1 : 0));
}

function clamp(value: number): Mark['mark'] {
  return Math.max(0, Math.min(3, value)) as Mark['mark'];
}

/** What of a course is published before a term. */
export function publishedPlan(course: Course, by: string, at: string): PlanVersion {
  const placed = course.placed ?? [];
  const left = course.items
    .map(({ pattern }) => pattern)
    .filter(id => placed.every(one => one.pattern !== id));
  return {
    ...{ course: course.id, name: 'For the spring term', by, at, published: true, placed },
    ...(course.placedAhead && { ahead: course.placedAhead }),
    left,
  };
}
