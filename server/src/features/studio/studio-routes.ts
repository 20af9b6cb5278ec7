import { EVERYTHING, type JobKind, ROUTES, type StudioAnswer, tableBody } from '@map-step/contract';
import { TABLE_NAMES, writeDocument, writeTable } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import type { Told } from '../../db/json-text.ts';
import { HttpFault } from '../../http/http-fault.ts';
import { route } from '../../http/route.ts';
import { queueJob } from '../../jobs/job-store.ts';
import { undoImport } from './import-plan.ts';
import { getStudio, readStudioDocument } from './studio-store.ts';

export const IMPORT_PATH = ROUTES['studio.import'].path;

export const studioRoutes = [
  route('studio.read', ({ deps, who }) =>
    deps.database.inStudio(who.studio, async (scope): Promise<Told<StudioAnswer>> => {
      const { name, timezone, roles, counting, cautions, mappings, holidays = [] } = await getStudio(scope);
      return {
        studio: {
          name,
          timezone,
          ...(roles && { roles }),
          ...(counting && { counting }),
          ...(cautions && { cautions }),
        },
        people: await documentStore(scope, 'people').listJson(),
        rooms: await documentStore(scope, 'rooms').listJson(),
        holidays,
        figureColumns: (mappings?.figures ?? {}) as StudioAnswer['figureColumns'],
      };
    }),
  ),
  route('studio.export', async ({ deps, who, response }) => {
    const document = await deps.database.inStudio(who.studio, readStudioDocument);
    response.type('application/json').attachment('studio.mapstep.json').send(writeDocument(document));
  }),
  route('studio.table', async ({ deps, who, params, response }) => {
    const table = TABLE_NAMES.find(name => name === params.table);
    if (!table) throw new HttpFault('not-found', `There are tables of: ${TABLE_NAMES.join(', ')}.`);
    const document = await deps.database.inStudio(who.studio, readStudioDocument);
    response.type('text/csv').attachment(`${table}.csv`).send(writeTable(document, table));
  }),
  route('studio.import', ({ deps, who, request }) =>
    deps.database.inStudio(who.studio, scope =>
      queueJob(
        deps,
        scope,
        importKind(request.query.do),
        who.id,
        typeof request.body === 'string' ? request.body : '',
      ),
    ),
  ),
  route(
    'table.import',
    ({ deps, who, body }) =>
      deps.database.inStudio(who.studio, scope =>
        queueJob(deps, scope, 'table', who.id, JSON.stringify(body)),
      ),
    tableBody,
  ),
  route('import.undo', ({ deps, who, params }) =>
    deps.database.inStudio(who.studio, async scope => {
      const undone = await undoImport(scope, params.job ?? '', who.id);
      await announce(scope, EVERYTHING);
      return undone;
    }),
  ),
];

/** `?do=preview` only looks, `?do=take` takes what the file changes; else what differs is refused. */
function importKind(asked: unknown): JobKind {
  return asked === 'preview' ? 'import-preview' : asked === 'take' ? 'import-take' : 'import';
}
