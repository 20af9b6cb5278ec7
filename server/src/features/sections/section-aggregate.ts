import { type Section, type StudioDocument, sectionSchema } from '@map-step/core';
import type { Aggregate } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** A class: its dates, room, staff and students. The course that it takes stays. */
export function sectionAggregate(scope: StudioScope, id: string): Aggregate<Section> {
  return documentAggregate(scope, id, {
    kind: 'section',
    table: 'sections',
    noun: 'class',
    told: () => ({ topic: 'section', id }),
    fixed: ['id', 'course'],
    schema: sectionSchema,
    around: section => around(scope, section),
  });
}

async function around(scope: StudioScope, section: Section): Promise<Partial<StudioDocument>> {
  const students = section.students.map(({ student }) => student);
  return {
    courses: await documentStore(scope, 'courses').listSome([section.course]),
    rooms: await documentStore(scope, 'rooms').list(),
    people: await documentStore(scope, 'people').list(),
    students: await documentStore(scope, 'students').listSome(students),
  };
}
