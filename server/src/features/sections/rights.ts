// Who may do what in a class: the one place that knows. The table of routes says which days a call is about.
import type { OwnClass, RouteDefinition, SentEvent, SignedInPerson } from '@map-step/contract';
import { isOnStaff, lessonOfEvent, type Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { todayIn } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import type { AnyCall } from '../../http/route.ts';
import { getStudio } from '../studio/studio-store.ts';

/** What the calls of classes have in their path and body; which of it depends on the route. */
interface ClassCall {
  readonly params: { readonly section: string; readonly lesson?: number; readonly audience?: string } & {
    readonly check?: string;
  };
  readonly body?: { readonly events?: readonly SentEvent[] };
}

export async function getSection(scope: StudioScope, id: string): Promise<Section> {
  const stored = await documentStore(scope, 'sections').find(id);
  if (!stored) throw new HttpFault('not-found', `There is no class "${id}" in this studio.`);
  return stored.body;
}

/** Refuses whoever is not, was not and will not be a student of the class. */
export function requireStudents(section: Section, students: readonly string[]): void {
  const inIt = new Set(section.students.map(({ student }) => student));
  const stranger = students.find(student => !inIt.has(student));
  if (stranger !== undefined)
    throw new HttpFault('bad-request', `"${stranger}" is not a student of this class.`);
}

/** Refuses who is neither the director nor on the staff of the class on the days that a call, or its answer, is about. */
export async function requireOwnClass(
  scope: StudioScope,
  { ownClass, reads }: RouteDefinition,
  who: SignedInPerson,
  call: AnyCall,
): Promise<void> {
  if (!ownClass && !reads) return;
  const section = await getSection(scope, (call as ClassCall).params.section);
  for (const right of [reads, ownClass])
    if (right) requireStaff(section, who, await daysOf(scope, right, section, call));
}

/** The days of a class that a right is about. */
async function daysOf(
  scope: StudioScope,
  right: OwnClass,
  section: Section,
  call: AnyCall,
): Promise<readonly (string | undefined)[]> {
  const { params, body } = call as ClassCall;
  const lessonDays = async (lessons: readonly number[]) => {
    await requireLessonsOfCourse(scope, section, lessons);
    return lessons.map(lesson => section.dates[lesson - 1]);
  };
  switch (right) {
    case 'lesson':
      return lessonDays([params.lesson ?? 0]);
    case 'events': {
      const events = body?.events ?? [];
      const lessons = new Set(events.flatMap(event => lessonOfEvent(event) ?? []));
      const checks = new Set(events.flatMap(event => (event.kind === 'mark' ? event.check : [])));
      const days: (string | undefined)[] = lessons.size > 0 ? await lessonDays([...lessons]) : [];
      for (const check of checks) days.push(await dateOfCheck(scope, section, check));
      return days;
    }
    case 'check':
      return [await dateOfCheck(scope, section, params.check ?? '')];
    case 'today':
      return [await todayOf(scope, call)];
    case 'staff-recap':
      return params.audience === 'staff' ? [await todayOf(scope, call)] : [];
    default:
      return right satisfies never;
  }
}

/** True for whom the names of its students are meant: its staff on their days, and the director. */
export async function maySeeStudents(
  scope: StudioScope,
  section: Pick<Section, 'staff'>,
  call: Pick<AnyCall, 'deps'> & { readonly who: SignedInPerson },
): Promise<boolean> {
  const { role, id } = call.who;
  return role === 'director' || isOnStaff(section, id, await todayOf(scope, call));
}

async function todayOf(scope: StudioScope, { deps }: Pick<AnyCall, 'deps'>): Promise<string> {
  return todayIn(deps, (await getStudio(scope)).timezone);
}

async function dateOfCheck(scope: StudioScope, section: Section, id: string): Promise<string> {
  const check = (await documentStore(scope, 'checks').find(id))?.body;
  if (check?.section !== section.id) throw new HttpFault('not-found', `There is no check "${id}".`);
  return check.date;
}

async function requireLessonsOfCourse(
  scope: StudioScope,
  section: Section,
  lessons: readonly number[],
): Promise<void> {
  const [course] = await scope.select<{ name: string; lessons: number }>(
    `SELECT body ->> 'name' AS name, jsonb_array_length(body -> 'lessons') AS lessons
     FROM courses WHERE studio_id = $1 AND id = $2`,
    [section.course],
  );
  const odd = lessons.find(lesson => lesson > (course?.lessons ?? 0));
  if (odd !== undefined)
    throw new HttpFault(
      'bad-request',
      `There is no lesson ${odd} in ${course?.name}: it has ${course?.lessons}.`,
    );
}

function requireStaff(section: Section, who: SignedInPerson, dates: readonly (string | undefined)[]): void {
  if (who.role === 'director' || dates.every(date => isOnStaff(section, who.id, date))) return;
  const isOnSomeDays = section.staff.some(({ person }) => person === who.id);
  throw new HttpFault(
    'not-allowed',
    isOnSomeDays
      ? 'You are on the staff of this class on other days only. Ask the director to add this one.'
      : 'You are not on the staff of this class. Ask the director to add you.',
  );
}
