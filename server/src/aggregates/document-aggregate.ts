import type { Change, DocumentCommand, Versioned } from '@map-step/contract';
import { checkFirstEntry, FORMAT, readShape, type StudioDocument } from '@map-step/core';
import type { z } from 'zod';
import { workedOut } from '../compute/work-first.ts';
import { announce } from '../db/change-feed.ts';
import { type DocumentOf, documentStore } from '../db/document-store.ts';
import { historyStore } from '../db/history-store.ts';
import type { DocumentKind } from '../db/models.ts';
import type { StudioScope } from '../db/studio-scope.ts';
import { HttpFault } from '../faults/http-fault.ts';
import {
  type Aggregate,
  type AggregateKind,
  getStored,
  planEdit,
  planUndo,
  readHistory,
  runCommand,
} from './aggregate.ts';

export interface DocumentRules<Kind extends DocumentKind> {
  readonly kind: AggregateKind;
  readonly table: Kind;
  readonly noun: string;
  told(version: number): Change;
  readonly fixed: readonly string[];
  readonly schema: z.ZodType<DocumentOf<Kind>>;
  /** What a body refers to, as a part of the studio's document in which it can be checked. */
  around(body: DocumentOf<Kind>): Promise<Partial<StudioDocument>>;
}

/** An aggregate that is one entry of a list of `mapstep/3`. */
export function documentAggregate<Kind extends DocumentKind>(
  scope: StudioScope,
  id: string,
  rules: DocumentRules<Kind>,
): Aggregate<DocumentOf<Kind>> {
  const store = documentStore(scope, rules.table);
  const aggregate: Aggregate<DocumentOf<Kind>> = {
    scope,
    id,
    kind: rules.kind,
    noun: rules.noun,
    told: rules.told,
    fixed: rules.fixed,
    find: () => store.find(id),
    save: (body, seen) => store.save(body, seen),
    check: async body => {
      const shape = readShape(rules.schema, body);
      if (!shape.ok) throw refusal(rules.noun, shape.fault);
      const problems = checkAlone(scope, rules.table, shape.value, await rules.around(shape.value));
      if (problems.length > 0) throw refusal(rules.noun, problems);
      return shape.value;
    },
    tell: () => tellVersioned(aggregate),
  };
  return aggregate;
}

/** Writes something new, whole; refuses an id that is there and what cannot stand. */
export async function createDocument<Kind extends DocumentKind>(
  aggregate: Aggregate<DocumentOf<Kind>>,
  table: Kind,
  person: string,
  body: DocumentOf<Kind>,
): Promise<Versioned<DocumentOf<Kind>>> {
  const { scope, kind, id, noun } = aggregate;
  if (await aggregate.find())
    throw new HttpFault('conflict', `There is a ${noun} "${id}" already. Choose another name.`);
  const checked = await aggregate.check(body, Object.keys(body));
  await documentStore(scope, table).add([checked]);
  await historyStore(scope, kind, id).add({
    kind: 'create',
    what: 'Written',
    person,
    before: {},
    after: {},
    undoes: null,
  });
  await announce(scope, aggregate.told(1));
  return tellVersioned(aggregate);
}

/** Runs an edit or an undo and tells what stands then. */
export async function runDocumentCommand<Body>(
  aggregate: Aggregate<Body>,
  person: string,
  command: DocumentCommand,
): Promise<Versioned<Body>> {
  await runCommand(aggregate, person, () =>
    command.kind === 'edit' ? planEdit(aggregate, command) : planUndo(aggregate, command.of),
  );
  return tellVersioned(aggregate);
}

export async function tellVersioned<Body>(aggregate: Aggregate<Body>): Promise<Versioned<Body>> {
  return { ...(await getStored(aggregate)), history: await readHistory(aggregate) };
}

/** The errors of one entry, told by their place inside it. */
function checkAlone<Kind extends DocumentKind>(
  scope: StudioScope,
  table: Kind,
  body: DocumentOf<Kind>,
  around: Partial<StudioDocument>,
): { at: string; message: string }[] {
  const others = (around[table] ?? []) as readonly DocumentOf<Kind>[];
  const entries = [body, ...others.filter(({ id }) => id !== body.id)];
  const document = {
    format: FORMAT,
    studio: { name: '', timezone: 'UTC' },
    ...around,
    [table]: entries,
  };
  const place = `/${table}/0`;
  const errors =
    table === 'patterns'
      ? workedOut(scope, 'check-figure', document as StudioDocument)
      : checkFirstEntry(document as StudioDocument, table);
  return errors.map(({ at, message }) => ({ at: at.slice(place.length), message }));
}

function refusal(noun: string, problems: readonly { at: string; message: string }[]): HttpFault {
  const first = problems[0];
  return new HttpFault('bad-request', `So this ${noun} cannot stand: ${first?.at} ${first?.message}`, {
    problems: problems.slice(0, 50),
  });
}
