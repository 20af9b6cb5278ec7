import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { route } from '../../http/route.ts';
import { figureAggregate } from './figure-aggregate.ts';
import { keepDraft, listDrafts, readDraft } from './figure-drafts.ts';
import { findFigures } from './find-figures.ts';
import { readMaterial } from './material.ts';

export const figureRoutes = [
  route('material.read', (scope, { query }) => readMaterial(scope, query, query.stamp)),
  route('figure.create', (scope, { who, body: { figure } }) =>
    createDocument(figureAggregate(scope, figure.id), 'patterns', who.id, figure),
  ),
  route('figure.find', (scope, { query }) => findFigures(scope, query.named)),
  route('figure.read', (scope, { params }) => tellVersioned(figureAggregate(scope, params.figure))),
  route('figure.command', (scope, { who, params, body }) =>
    runDocumentCommand(figureAggregate(scope, params.figure), who.id, body.command),
  ),
  route('draft.list', scope => listDrafts(scope)),
  route('draft.read', (scope, { params }) => readDraft(scope, params.person, params.figure)),
  route('draft.keep', async (scope, { who, params, body }) => {
    await keepDraft(scope, who.id, params.figure, body.draft);
    return {};
  }),
];
