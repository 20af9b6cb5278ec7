import type { StudioAnswer } from '@map-step/contract';
import { TABLE_NAMES } from '@map-step/core';
import type { Response } from 'express';
import { documentStore } from '../../db/document-store.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { readInThread, route, routeWithoutScope } from '../../http/route.ts';
import { queueJob } from '../../jobs/job-store.ts';
import { getImport } from './import-plan.ts';
import { getSlug, getStudio, MAPPING_KEYS } from './studio-store.ts';

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
  routeWithoutScope('studio.export', async call => {
    const bytes = await readInThread(call, 'write-studio', {});
    return sendFile(call.response, bytes, 'studio.mapstep.json', 'application/json');
  }),
  routeWithoutScope('studio.table', async call => {
    const table = TABLE_NAMES.find(name => name === call.params.table);
    if (!table) throw new HttpFault('not-found', `There are tables of: ${TABLE_NAMES.join(', ')}.`);
    const bytes = await readInThread(call, 'write-table', { table });
    return sendFile(call.response, bytes, `${table}.csv`, 'text/csv');
  }),
  route('studio.import', (scope, { deps, who, query, body }) =>
    queueJob(deps, scope, {
      kind: query.do ? `import-${query.do}` : 'import',
      person: who.id,
      input: body,
      ...(query.others && { terms: { others: query.others } }),
    }),
  ),
  route('table.import', (scope, { deps, who, body }) =>
    queueJob(deps, scope, { kind: 'table', person: who.id, input: body }),
  ),
  route('import.undo', async (scope, { deps, who, params }) => {
    await getImport(scope, params.job);
    return queueJob(deps, scope, { kind: 'import-undo', person: who.id, input: params.job });
  }),
];

/** Answers with the bytes of a text, to be saved. */
function sendFile(response: Response, bytes: Uint8Array, name: string, type: string): string {
  response.type(type).attachment(name);
  response.send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
  return '';
}
