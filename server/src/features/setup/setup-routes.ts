import type { AnswerOf, DocumentCommand, EntryCreateBody, SetUpEntries, SetUpKind } from '@map-step/contract';
import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { route } from '../../http/route.ts';
import { ENTRY_AGGREGATES } from './entry-aggregates.ts';
import { removeEntry } from './removal.ts';
import { studioAggregate } from './studio-aggregate.ts';

export const setupRoutes = [
  route('studio.document', scope => tellVersioned(studioAggregate(scope))),
  route('studio.command', (scope, { who, body }) =>
    runDocumentCommand(studioAggregate(scope), who.id, body.command),
  ),
  route('entry.create', (scope, { who, body }) => createEntry(scope, who.id, body)),
  route('entry.read', (scope, { params }) => readEntry(scope, params.kind, params.entry)),
  route('entry.command', (scope, { who, params, body }) =>
    commandEntry(scope, params.kind, params.entry, who.id, body.command),
  ),
  route('entry.remove', (scope, { who, params }) => removeEntry(scope, params.kind, params.entry, who.id)),
];

type EntryAnswer = AnswerOf<'entry.read'>;

function createEntry(scope: StudioScope, person: string, body: EntryCreateBody): Promise<EntryAnswer> {
  const add = <Kind extends SetUpKind>(kind: Kind, entry: SetUpEntries[Kind]) =>
    createDocument(ENTRY_AGGREGATES[kind](scope, entry.id), kind, person, entry);
  switch (body.kind) {
    case 'dances':
      return add(body.kind, body.entry);
    case 'levels':
      return add(body.kind, body.entry);
    case 'elements':
      return add(body.kind, body.entry);
    case 'rooms':
      return add(body.kind, body.entry);
    case 'people':
      return add(body.kind, body.entry);
    case 'students':
      return add(body.kind, body.entry);
    default:
      return body satisfies never;
  }
}

function readEntry<Kind extends SetUpKind>(scope: StudioScope, kind: Kind, id: string): Promise<EntryAnswer> {
  return tellVersioned<SetUpEntries[Kind]>(ENTRY_AGGREGATES[kind](scope, id));
}

function commandEntry<Kind extends SetUpKind>(
  scope: StudioScope,
  kind: Kind,
  id: string,
  person: string,
  command: DocumentCommand,
): Promise<EntryAnswer> {
  return runDocumentCommand<SetUpEntries[Kind]>(ENTRY_AGGREGATES[kind](scope, id), person, command);
}
