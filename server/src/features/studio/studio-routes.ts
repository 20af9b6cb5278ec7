import { EVERYTHING, type MaterialAnswer, ROUTES, type StudioAnswer } from '@map-step/contract';
import { writeDocument } from '@map-step/core';
import { announce } from '../../db/change-feed.ts';
import { documentStore } from '../../db/document-store.ts';
import { route } from '../../http/route.ts';
import { importDocument, readImport } from './import-service.ts';
import { getStudio, readStudioDocument } from './studio-store.ts';

export const IMPORT_PATH = ROUTES['studio.import'].path;

export const studioRoutes = [
  route('studio.read', ({ deps, who }) =>
    deps.database.inStudio(who.studio, async (scope): Promise<StudioAnswer> => {
      const { name, timezone, roles, counting, cautions } = await getStudio(scope);
      return {
        studio: {
          name,
          timezone,
          ...(roles && { roles }),
          ...(counting && { counting }),
          ...(cautions && { cautions }),
        },
        people: await documentStore(scope, 'people').list(),
        rooms: await documentStore(scope, 'rooms').list(),
      };
    }),
  ),
  route('material.read', ({ deps, who }) =>
    deps.database.inStudio(
      who.studio,
      async (scope): Promise<MaterialAnswer> => ({
        dances: await documentStore(scope, 'dances').list(),
        levels: await documentStore(scope, 'levels').list(),
        patterns: await documentStore(scope, 'patterns').list(),
        elements: await documentStore(scope, 'elements').list(),
      }),
    ),
  ),
  route('studio.export', async ({ deps, who, response }) => {
    const document = await deps.database.inStudio(who.studio, readStudioDocument);
    response.type('application/json').attachment('studio.mapstep.json').send(writeDocument(document));
  }),
  route('studio.import', async ({ deps, who, request }) => {
    const document = readImport(typeof request.body === 'string' ? request.body : '');
    return deps.database.inStudio(who.studio, async scope => {
      const answer = await importDocument(scope, document);
      await announce(scope, EVERYTHING);
      return answer;
    });
  }),
];
