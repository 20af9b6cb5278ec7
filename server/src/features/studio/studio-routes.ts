import { EVERYTHING, type StudioAnswer } from '@map-step/contract';
import { TABLE_NAMES, writeDocument, writeTable } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { route } from '../../http/route.ts';
import { queueJob } from '../../jobs/job-store.ts';
import { undoImport } from './import-plan.ts';
import { getSlug, getStudio, MAPPING_KEYS, readStudioDocument } from './studio-store.ts';

const textOf = (value: unknown) => (typeof value === 'string' && value !== '' ? value : null);

export const studioRoutes = [
  route('studio.read', async (scope): Promise<StudioAnswer> => {
    const {
      name,
      timezone,
      roles,
      counting,
      cautions,
      mappings,
      holidays = [],
      settings,
    } = await getStudio(scope);
    return {
      slug: await getSlug(scope),
      consent: textOf(settings?.['consent']),
      localRules: textOf(settings?.['localRules']),
      recallAim: typeof settings?.['recallAim'] === 'number' ? settings['recallAim'] : null,
      studio: {
        name,
        timezone,
        ...(roles && { roles }),
        ...(counting && { counting }),
        ...(cautions && { cautions }),
      },
      people: await documentStore(scope, 'people').list(),
      rooms: await documentStore(scope, 'rooms').list(),
      holidays,
      tableColumns: Object.fromEntries(
        TABLE_NAMES.map(name => [name, mappings?.[MAPPING_KEYS[name]] ?? {}]),
      ) as StudioAnswer['tableColumns'],
    };
  }),
  route('studio.export', async (scope, { response }) => {
    const document = await readStudioDocument(scope);
    response.type('application/json').attachment('studio.mapstep.json');
    return writeDocument(document);
  }),
  route('studio.table', async (scope, { params, response }) => {
    const table = TABLE_NAMES.find(name => name === params.table);
    if (!table) throw new HttpFault('not-found', `There are tables of: ${TABLE_NAMES.join(', ')}.`);
    const document = await readStudioDocument(scope);
    response.type('text/csv').attachment(`${table}.csv`);
    return writeTable(document, table);
  }),
  route('studio.import', (scope, { deps, who, query, body }) =>
    queueJob(deps, scope, query.do ? `import-${query.do}` : 'import', who.id, body),
  ),
  route('table.import', (scope, { deps, who, body }) =>
    queueJob(deps, scope, 'table', who.id, JSON.stringify(body)),
  ),
  route('import.undo', async (scope, { who, params }) => {
    const undone = await undoImport(scope, params.job, who.id);
    await announce(scope, EVERYTHING);
    return undone;
  }),
];
