import type { AnswerOf, EnrolBody } from '@map-step/contract';
import { changesBetween, type Section, type Student } from '@map-step/core';
import { runCommand } from '../../aggregates/aggregate.ts';
import { tellVersioned } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { newStudentId } from '../studio/student-id.ts';
import { sectionAggregate } from './section-aggregate.ts';

/** New students enter a class, all at once or none. */
export async function enrolStudents(
  scope: StudioScope,
  id: string,
  person: string,
  { students: given, from }: EnrolBody,
): Promise<AnswerOf<'section.enrol'>> {
  const students = given.map(({ name, role }): Student => ({ id: newStudentId(), name, role }));
  await documentStore(scope, 'students').add(students);
  const entries = students.map(({ id: student, role }) => ({ student, role, ...(from && { from }) }));
  const aggregate = sectionAggregate(scope, id);
  const what = students.length === 1 ? `${students[0]?.name} entered` : `${students.length} students entered`;
  await runCommand(aggregate, person, ({ body }) => {
    const after: Section = { ...body, students: [...body.students, ...entries] };
    return { kind: 'edit', what, changes: changesBetween(body, after) };
  });
  return tellVersioned(aggregate);
}
