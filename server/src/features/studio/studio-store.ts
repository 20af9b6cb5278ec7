import type {
  Check,
  Holiday,
  Mark,
  PlanVersion,
  Recap,
  Studio,
  StudioDocument,
  TableName,
} from '@map-step/core';
import { FORMAT, freeId } from '@map-step/core';
import type { Database } from '../../db/database.ts';
import { documentStore } from '../../db/document-store.ts';
import { eventStore } from '../../db/event-store.ts';
import { DOCUMENT_KINDS, type RecapRow } from '../../db/models.ts';
import { readable } from '../../db/readable.ts';
import type { StudioScope } from '../../db/studio-scope.ts';

/** Under which the studio keeps what the columns of each table meant. */
export const MAPPING_KEYS = {
  patterns: 'figures',
  items: 'items',
  students: 'students',
  marks: 'marks',
} as const satisfies Record<TableName, string>;

/** What a studio's own row keeps: its `studio` entry and the parts of the document without ids. */
export interface StudioRecord extends Studio {
  readonly holidays?: readonly Holiday[];
  readonly settings?: StudioDocument['settings'];
  readonly mappings?: StudioDocument['mappings'];
  readonly ext?: StudioDocument['ext'];
}

/** Its address is made of its name; where another studio has that one already, with a few letters more. */
export async function createStudio(scope: StudioScope, studio: StudioRecord, demo = false): Promise<void> {
  const plain = freeId(studio.name, () => false, 'studio').slice(0, 40);
  for (const slug of [plain, `${plain}-${scope.studioId.slice(0, 8)}`]) {
    const made = await scope.select(
      `INSERT INTO studios (id, body, demo, slug) VALUES ($1, $2::jsonb, $3, $4)
       ON CONFLICT (slug) DO NOTHING RETURNING id`,
      [JSON.stringify(studio), demo, slug],
    );
    if (made.length === 1) return;
  }
  throw new Error('a studio found no address');
}

/** True on a server that has no studio yet. */
export async function isServerEmpty(database: Database): Promise<boolean> {
  const rows = await database.select('SELECT id FROM studios LIMIT 1', []);
  return rows.length === 0;
}

/** The last part of the studio's own address. */
export async function getSlug(scope: StudioScope): Promise<string> {
  const [row] = await scope.select<{ slug: string }>('SELECT slug FROM studios WHERE id = $1');
  return row?.slug ?? '';
}

/** True of the studio that the server loaded to try things on. */
export async function isDemoStudio(scope: StudioScope): Promise<boolean> {
  const [row] = await scope.select<{ demo: boolean }>('SELECT demo FROM studios WHERE id = $1');
  return row?.demo ?? false;
}

export async function getStudio(scope: StudioScope): Promise<StudioRecord> {
  const [row] = await scope.select<{ body: StudioRecord }>('SELECT body FROM studios WHERE id = $1');
  if (!row) throw new Error('the studio of a session is gone');
  return row.body;
}

export async function saveStudio(scope: StudioScope, studio: StudioRecord): Promise<void> {
  await scope.models.studios.update(
    { body: studio },
    { where: { id: scope.studioId }, transaction: scope.transaction },
  );
}

/** The plan versions of all courses, the oldest first. */
export async function listPlans(scope: StudioScope): Promise<readonly PlanVersion[]> {
  const rows = await scope.models.plans.findAll({ ...scope.where(), order: ['id'] });
  return readable(
    scope,
    'plans',
    rows.map(({ body }) => body as PlanVersion),
  );
}

/** What was published last for a course. */
/** Where the rules of the house and the town stand, when the studio has said it. */
export function localRulesOf({ settings }: StudioRecord): string | undefined {
  const rules = settings?.['localRules'];
  return typeof rules === 'string' && rules !== '' ? rules : undefined;
}

export async function findPublishedPlan(
  scope: StudioScope,
  course: string,
): Promise<PlanVersion | undefined> {
  const [row] = await scope.select<{ body: PlanVersion }>(
    `SELECT body FROM plans WHERE studio_id = $1 AND course_id = $2 AND (body -> 'published')::boolean
     ORDER BY id DESC LIMIT 1`,
    [course],
  );
  return readable(scope, 'plans', row ? [row.body] : [])[0];
}

export async function addPlans(scope: StudioScope, plans: readonly PlanVersion[]): Promise<void> {
  const { studioId, transaction } = scope;
  for (const body of plans)
    await scope.models.plans.create({ studioId, courseId: body.course, body }, { transaction });
}

export async function addRecaps(scope: StudioScope, recaps: readonly Recap[]): Promise<void> {
  const { studioId, transaction } = scope;
  await scope.models.recaps.bulkCreate(
    recaps.map(({ section, lesson, audience, markdown, promises = [], published, corrects }) => ({
      studioId,
      sectionId: section,
      lesson,
      audience,
      version: 1,
      markdown,
      promises,
      publishedAt: published ? new Date(published) : null,
      publishedMarkdown: published ? markdown : null,
      firstPublishedAt: published ? new Date(published) : null,
      corrects: corrects ?? null,
    })),
    { transaction },
  );
}

export type RecapKey = Pick<Recap, 'section' | 'lesson' | 'audience'>;

export async function listRecapKeys(scope: StudioScope): Promise<readonly RecapKey[]> {
  const rows = await scope.models.recaps.findAll({
    ...scope.where(),
    attributes: ['sectionId', 'lesson', 'audience'],
  });
  return rows.map(({ sectionId, lesson, audience }) => ({ section: sectionId, lesson, audience }));
}

/** The whole studio as `mapstep/3`. */
export async function readStudioDocument(scope: StudioScope): Promise<StudioDocument> {
  const { holidays, settings, mappings, ext, ...studio } = await getStudio(scope);
  const lists: [string, readonly unknown[]][] = [];
  for (const kind of DOCUMENT_KINDS)
    if (kind !== 'checks') lists.push([kind, await documentStore(scope, kind).list()]);
  const recaps = await scope.models.recaps.findAll({
    ...scope.where(),
    order: ['section_id', 'lesson', 'audience'],
  });
  lists.push(
    ['plans', await listPlans(scope)],
    ['logs', await eventStore(scope, 'logs').list()],
    ['attendance', await eventStore(scope, 'attendance').list()],
    ['notes', await eventStore(scope, 'notes').list()],
    ['recaps', readable(scope, 'recaps', recaps.map(recapOf))],
    ['checks', await listChecks(scope)],
  );
  return {
    format: FORMAT,
    studio,
    ...Object.fromEntries(lists.filter(([, entries]) => entries.length > 0)),
    ...(holidays && { holidays }),
    ...(settings && { settings }),
    ...(mappings && { mappings }),
    ...(ext && { ext }),
  };
}

async function listChecks(scope: StudioScope): Promise<readonly Check[]> {
  const checks = await documentStore(scope, 'checks').list();
  const marks = new Map<string, Mark[]>(checks.map(({ id }) => [id, []]));
  for (const { check, ...mark } of await eventStore(scope, 'marks').list()) marks.get(check)?.push(mark);
  return checks.map(check => ({ ...check, marks: marks.get(check.id) ?? [] }));
}

function recapOf(row: RecapRow): Recap {
  return {
    section: row.sectionId,
    lesson: row.lesson,
    audience: row.audience,
    markdown: row.markdown,
    ...(row.promises.length > 0 && { promises: row.promises }),
    ...(row.publishedAt && { published: row.publishedAt.toISOString().replace('.000Z', 'Z') }),
    ...(row.corrects !== null && { corrects: row.corrects }),
  };
}
