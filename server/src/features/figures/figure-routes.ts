import { createDocument, runDocumentCommand, tellVersioned } from '../../aggregates/document-aggregate.ts';
import { route } from '../../http/route.ts';
import { figureAggregate } from './figure-aggregate.ts';
import { forgetDraft, keepDraft, listDrafts, readDraft } from './figure-drafts.ts';
import { findFigures } from './find-figures.ts';
import { readMaterial } from './material.ts';

export const figureRoutes = [
  route('material.read', (scope, { query }) => readMaterial(scope, query, query.stamp)),
  route('figure.create', async (scope, { who, body: { figure } }) => {
    const created = await createDocument(figureAggregate(scope, figure.id), 'patterns', who.id, figure);
    await forgetDraft(scope, who.id, figure.id);
    return created;
  }),
  route('figure.find', (scope, { query }) => findFigures(scope, query.named)),
  route('figure.read', (scope, { params }) => tellVersioned(figureAggregate(scope, params.figure))),
  route('figure.command', async (scope, { who, params, body }) => {
    const changed = await runDocumentCommand(figureAggregate(scope, params.figure), who.id, body.command);
    await forgetDraft(scope, who.id, params.figure);
    return changed;
  }),
  route('draft.list', scope => listDrafts(scope)),
  route('draft.read', (scope, { params }) => readDraft(scope, params.person, params.figure)),
  route('draft.keep', async (scope, { who, params, body }) => {
    if (body.draft) await keepDraft(scope, who.id, params.figure, body.draft);
    else await forgetDraft(scope, who.id, params.figure);
    return {};
  }),
];
