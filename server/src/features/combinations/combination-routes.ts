import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { documentStore } from '../../db/document-store.ts';
import { route } from '../../http/route.ts';
import { combinationAggregate } from './combination-aggregate.ts';

export const combinationRoutes = [
  route('combination.list', async (scope, { query }) => ({
    combinations: await documentStore(scope, 'combinations').listWhere('course_id = $2', [query.course]),
  })),
  route('combination.create', (scope, { who, body: { combination } }) =>
    createDocument(combinationAggregate(scope, combination.id), 'combinations', who.id, combination),
  ),
  route('combination.read', (scope, { params }) =>
    tellVersioned(combinationAggregate(scope, params.combination)),
  ),
  route('combination.command', (scope, { who, params, body }) =>
    runDocumentCommand(combinationAggregate(scope, params.combination), who.id, body.command),
  ),
];
