import type { AnswerOf, EnrolBody } from '@map-step/contract';
import { changesBetween, type Section, type Student } from '@map-step/core';
import { runCommand } from '../../aggregates/aggregate.ts';
import { tellVersioned } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { newStudentId } from '../studio/student-id.ts';
import { sectionAggregate } from './section-aggregate.ts';

/** Students enter a class, from a day on where one is said. */
export async function enrolStudents(
  scope: StudioScope,
  id: string,
  person: string,
  { students, from }: EnrolBody,
): Promise<AnswerOf<'section.enrol'>> {
  await enterStudents(scope, { id, person }, students, from ? { from } : {});
  return tellVersioned(sectionAggregate(scope, id));
}

/** Students enter a class for some days: those whom the studio knows and new ones, all at once or none. Tells their ids. */
export async function enterStudents(
  scope: StudioScope,
  { id, person }: { readonly id: string; readonly person: string },
  given: EnrolBody['students'],
  days: { readonly from?: string; readonly to?: string },
): Promise<readonly string[]> {
  const store = documentStore(scope, 'students');
  for (const { known, name } of given)
    if (known !== undefined && !(await store.find(known)))
      throw new HttpFault('conflict', `${name} is not in this studio any more. Nobody was entered.`);
  const students = given.map(
    ({ name, role, known }): Student => ({ id: known ?? newStudentId(), name, role }),
  );
  await store.add(students.filter((_, index) => given[index]?.known === undefined));
  const entries = students.map(({ id: student, role }) => ({ student, role, ...days }));
  const aggregate = sectionAggregate(scope, id);
  const what = students.length === 1 ? `${students[0]?.name} entered` : `${students.length} students entered`;
  await runCommand(aggregate, person, ({ body }) => {
    const after: Section = { ...body, students: [...body.students, ...entries] };
    return { kind: 'edit', what, changes: changesBetween(body, after) };
  });
  return students.map(student => student.id);
}
