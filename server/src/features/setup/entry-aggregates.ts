import type { SetUpEntries, SetUpKind } from '@map-step/contract';
import {
  type Dance,
  danceSchema,
  elementSchema,
  FORMAT,
  levelSchema,
  type Person,
  personSchema,
  roomSchema,
  type StudioDocument,
  studentSchema,
} from '@map-step/core';
import type { Aggregate } from '../../aggregates/aggregate.ts';
import { documentAggregate } from '../../aggregates/document-aggregate.ts';
import { workedOut } from '../../compute/work-first.ts';
import { documentStore } from '../../db/document-store.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { requireDirectorBesides } from './directors.ts';

const FIXED = ['id'];
const NOTHING = async () => ({});

/** An entry that a director sets up by itself, as something that people change by commands. */
export const ENTRY_AGGREGATES: {
  readonly [Kind in SetUpKind]: (scope: StudioScope, id: string) => Aggregate<SetUpEntries[Kind]>;
} = {
  dances: danceAggregate,
  levels: (scope: StudioScope, id: string) =>
    documentAggregate(scope, id, {
      kind: 'level',
      table: 'levels',
      noun: 'level',
      told: () => ({ topic: 'material', id }),
      fixed: [...FIXED, 'dance'],
      schema: levelSchema,
      around: async ({ dance }) => ({ dances: await documentStore(scope, 'dances').listSome([dance]) }),
    }),
  elements: (scope: StudioScope, id: string) =>
    documentAggregate(scope, id, {
      kind: 'element',
      table: 'elements',
      noun: 'element',
      told: () => ({ topic: 'material', id }),
      fixed: FIXED,
      schema: elementSchema,
      around: async ({ dance }) => ({
        dances: dance === undefined ? [] : await documentStore(scope, 'dances').listSome([dance]),
      }),
    }),
  rooms: (scope: StudioScope, id: string) =>
    documentAggregate(scope, id, {
      kind: 'room',
      table: 'rooms',
      noun: 'room',
      told: () => ({ topic: 'studio', id }),
      fixed: FIXED,
      schema: roomSchema,
      around: NOTHING,
    }),
  people: personAggregate,
  students: (scope: StudioScope, id: string) =>
    documentAggregate(scope, id, {
      kind: 'student',
      table: 'students',
      noun: 'student',
      told: () => ({ topic: 'studio', id }),
      fixed: FIXED,
      schema: studentSchema,
      around: NOTHING,
    }),
};

function personAggregate(scope: StudioScope, id: string): Aggregate<Person> {
  const aggregate = documentAggregate(scope, id, {
    kind: 'person',
    table: 'people',
    noun: 'person',
    told: () => ({ topic: 'studio', id }),
    fixed: FIXED,
    schema: personSchema,
    around: NOTHING,
  });
  return {
    ...aggregate,
    check: async (person, touched) => {
      if (touched.includes('role') && person.role !== 'director') await requireDirectorBesides(scope, id);
      return aggregate.check(person, touched);
    },
  };
}

/** A dance is what its figures are written in: a change that would make one of them undanceable is refused. */
function danceAggregate(scope: StudioScope, id: string): Aggregate<Dance> {
  const aggregate = documentAggregate(scope, id, {
    kind: 'dance',
    table: 'dances',
    noun: 'dance',
    told: () => ({ topic: 'material', id }),
    fixed: [...FIXED, 'roles'],
    schema: danceSchema,
    around: async () => ({ dances: await documentStore(scope, 'dances').list() }),
  });
  return {
    ...aggregate,
    check: async (dance, touched) => {
      const checked = await aggregate.check(dance, touched);
      await refuseBrokenFigures(scope, checked);
      return checked;
    },
  };
}

async function refuseBrokenFigures(scope: StudioScope, wished: Dance): Promise<void> {
  const patterns = await documentStore(scope, 'patterns').listWhere('dance_id = $2', [wished.id]);
  if (patterns.length === 0) return;
  const document: StudioDocument = {
    format: FORMAT,
    studio: { name: '', timezone: 'UTC' },
    dances: await documentStore(scope, 'dances').list(),
    levels: await documentStore(scope, 'levels').list(),
    elements: await documentStore(scope, 'elements').list(),
    patterns,
  };
  const broken = workedOut(scope, 'check-dance', { document, wished });
  if (broken.length === 0) return;
  const names = [...new Set(broken.map(({ name }) => name))];
  throw new HttpFault(
    'conflict',
    `${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''} could not be danced then: ${broken[0]?.message}. Change the figures first.`,
    { problems: broken.map(({ name, message }) => ({ at: name, message })) },
  );
}
