// Who comes to a lesson unannounced.
import type { AnswerOf, WalkInBody } from '@map-step/contract';
import { membersOn, type Section, weekdayInWords } from '@map-step/core';
import { readNames } from '../../db/names.ts';
import { readableRows, type WrittenRow } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { FORMER } from '../students/erasing.ts';
import { matchStudents } from '../students/student-pages.ts';
import { enterStudents } from './enrol.ts';
import { getSection } from './rights.ts';

interface LessonOfClass {
  readonly section: string;
  readonly lesson: number;
}

/** Students of other classes of the course that run on the day of a lesson, and those of exactly the name that is typed. */
export async function offerWalkIns(
  scope: StudioScope,
  at: LessonOfClass,
  named: string | undefined,
): Promise<AnswerOf<'walkIn.offered'>> {
  const section = await getSection(scope, at.section);
  const date = dateOf(section, at.lesson);
  const here = new Set(membersOn(section, date).map(({ student }) => student));
  const rows = await scope.select<WrittenRow<Section>>(
    `SELECT id, xmin::text, body FROM sections
     WHERE studio_id = $1 AND course_id = $2 AND id <> $3 AND last_date >= $4 AND body -> 'dates' ->> 0 <= $4
     ORDER BY body ->> 'start', position LIMIT 20`,
    [section.course, section.id, date],
  );
  const others = (await readableRows(scope, 'sections', rows)).flatMap(({ body }) =>
    membersOn(body, date).map(({ student, role }) => ({ student, role, from: timeOf(body) })),
  );
  const nameOf = await readNames(
    scope,
    'students',
    others.map(({ student }) => student),
  );
  const known = named === undefined ? [] : (await matchStudents(scope, [named])).students;
  return {
    parallel: others.flatMap(({ student, ...one }) => {
      const name = nameOf.get(student);
      // Whoever was erased is nobody.
      return name === undefined || name === FORMER || here.has(student) ? [] : [{ student, name, ...one }];
    }),
    named: known.filter(({ id }) => !here.has(id)),
  };
}

/** Enters somebody from the day of a lesson on, or as a guest of that evening alone. */
export async function enterWalkIn(
  scope: StudioScope,
  { section: id, lesson }: LessonOfClass,
  person: string,
  { stays, ...given }: WalkInBody,
): Promise<AnswerOf<'walkIn.enter'>> {
  const section = await getSection(scope, id);
  const date = dateOf(section, lesson);
  if (membersOn(section, date).some(({ student }) => student === given.known))
    throw new HttpFault('conflict', `${given.name} is in this class already.`);
  const days = stays ? { from: date } : { from: date, to: date };
  const [student = ''] = await enterStudents(scope, { id, person }, [given], days);
  return { student };
}

function dateOf({ dates }: Section, lesson: number): string {
  const date = dates[lesson - 1];
  if (date === undefined) throw new HttpFault('bad-request', `Lesson ${lesson} has no evening yet.`);
  return date;
}

/** “Thursday 20:00”. */
function timeOf({ dates: [first], start }: Section): string {
  return [first && weekdayInWords(first), start].filter(Boolean).join(' ');
}
