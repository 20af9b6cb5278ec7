import type { Holiday, PlanVersion, Recap, Studio, StudioDocument } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import { DOCUMENT_KINDS, type RecapRow } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** What a studio's own row keeps: its `studio` entry and the parts of the document without ids. */
export interface StudioRecord extends Studio {
  readonly holidays?: readonly Holiday[];
  readonly settings?: StudioDocument['settings'];
  readonly mappings?: StudioDocument['mappings'];
  readonly ext?: StudioDocument['ext'];
}

export async function createStudio(scope: StudioScope, studio: StudioRecord): Promise<void> {
  await scope.models.studios.create({ id: scope.studioId, body: studio }, { transaction: scope.transaction });
}

export async function getStudio(scope: StudioScope): Promise<StudioRecord> {
  const row = await scope.models.studios.findByPk(scope.studioId, { transaction: scope.transaction });
  if (!row) throw new Error('the studio of a session is gone');
  return row.body as StudioRecord;
}

export async function saveStudio(scope: StudioScope, studio: StudioRecord): Promise<void> {
  await scope.models.studios.update(
    { body: studio },
    { where: { id: scope.studioId }, transaction: scope.transaction },
  );
}

/** The plan versions of a course, the oldest first; of all courses when none is named. */
export async function listPlans(scope: StudioScope, course?: string): Promise<readonly PlanVersion[]> {
  const where = scope.where(course === undefined ? {} : { courseId: course });
  const rows = await scope.models.plans.findAll({ ...where, order: ['id'] });
  return rows.map(row => row.body as PlanVersion);
}

export async function addPlans(scope: StudioScope, plans: readonly PlanVersion[]): Promise<void> {
  const { studioId, transaction } = scope;
  for (const body of plans)
    await scope.models.plans.create({ studioId, courseId: body.course, body }, { transaction });
}

export async function addRecaps(scope: StudioScope, recaps: readonly Recap[]): Promise<void> {
  const { studioId, transaction } = scope;
  await scope.models.recaps.bulkCreate(
    recaps.map(({ section, lesson, audience, markdown, published, corrects }) => ({
      studioId,
      sectionId: section,
      lesson,
      audience,
      version: 1,
      markdown,
      publishedAt: published ? new Date(published) : null,
      corrects: corrects ?? null,
    })),
    { transaction },
  );
}

/** The whole studio as `mapstep/1`. */
export async function readStudioDocument(scope: StudioScope): Promise<StudioDocument> {
  const { holidays, settings, mappings, ext, ...studio } = await getStudio(scope);
  const lists: [string, readonly unknown[]][] = [];
  for (const kind of DOCUMENT_KINDS) lists.push([kind, await documentStore(scope, kind).list()]);
  const recaps = await scope.models.recaps.findAll({
    ...scope.where(),
    order: ['section_id', 'lesson', 'audience'],
  });
  lists.push(
    ['plans', await listPlans(scope)],
    ['logs', await eventStore(scope, 'logs').list()],
    ['attendance', await eventStore(scope, 'attendance').list()],
    ['recaps', recaps.map(recapOf)],
  );
  return {
    format: 'mapstep/1',
    studio,
    ...Object.fromEntries(lists.filter(([, entries]) => entries.length > 0)),
    ...(holidays && { holidays }),
    ...(settings && { settings }),
    ...(mappings && { mappings }),
    ...(ext && { ext }),
  };
}

function recapOf(row: RecapRow): Recap {
  return {
    section: row.sectionId,
    lesson: row.lesson,
    audience: row.audience,
    markdown: row.markdown,
    ...(row.publishedAt && { published: row.publishedAt.toISOString().replace('.000Z', 'Z') }),
    ...(row.corrects !== null && { corrects: row.corrects }),
  };
}
