import type { RecapAnswer } from '@map-step/contract';
import { type Audience, markdownSchema, readShape } from '@map-step/core';
import { z } from 'zod';
import { type Aggregate, readHistory } from '../../aggregates/aggregate.ts';
import type { RecapRow } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';

export interface RecapKey {
  readonly section: string;
  readonly lesson: number;
  readonly audience: Audience;
}

export interface RecapBody {
  readonly markdown: string;
  /** ISO 8601. */
  readonly published?: string;
}

const recapBody = z.strictObject({ markdown: markdownSchema, published: z.exactOptional(z.iso.datetime()) });

/** The text of one recap and when it was published last. */
export function recapAggregate(scope: StudioScope, key: RecapKey, now: Date): Aggregate<RecapBody> {
  const { section, lesson, audience } = key;
  const row = scope.where({ sectionId: section, lesson, audience });
  const aggregate: Aggregate<RecapBody> = {
    scope,
    kind: 'recap',
    id: `${section}/${lesson}/${audience}`,
    noun: 'recap',
    told: () => ({ topic: 'section', id: section }),
    fixed: ['published'],
    find: async () => {
      const found = await scope.models.recaps.findOne(row);
      return found ? { body: bodyOf(found), version: found.version } : undefined;
    },
    save: async ({ markdown, published }, seen) => {
      const changed = await scope.select(
        `UPDATE recaps SET markdown = $5, published_at = $6, version = version + 1, promises = ${STILL_PROMISED}
         WHERE studio_id = $1 AND section_id = $2 AND lesson = $3 AND audience = $4 AND version = $7 RETURNING version`,
        [section, lesson, audience, markdown, published ?? null, seen],
      );
      return changed.length === 1;
    },
    check: async body => {
      const shape = readShape(recapBody, body);
      if (shape.ok) return shape.value;
      throw new HttpFault('bad-request', `So this recap cannot stand: it ${shape.fault[0]?.message}`);
    },
    tell: async () => ({ recap: await readRecap(scope, key, now), history: await readHistory(aggregate) }),
  };
  return aggregate;
}

/** What a text says no longer, though the one before did, it promises no more. */
const STILL_PROMISED = `(
  SELECT COALESCE(jsonb_agg(promised.id ORDER BY n), '[]')
  FROM jsonb_array_elements_text(promises) WITH ORDINALITY AS promised (id, n)
  LEFT JOIN patterns p ON p.studio_id = $1 AND p.id = promised.id
  WHERE position(p.body ->> 'name' IN markdown) = 0 OR position(p.body ->> 'name' IN $5) > 0 OR p.id IS NULL)`;

export async function readRecap(scope: StudioScope, key: RecapKey, now: Date): Promise<RecapAnswer> {
  const { section, lesson, audience } = key;
  const [found] = await selectRecaps(scope, now, section, lesson, audience);
  if (!found)
    throw new HttpFault('not-found', `There is no recap of lesson ${lesson} yet. Finish the lesson first.`);
  return found;
}

/** The recaps of a class in the order of its lessons. */
export function listRecaps(scope: StudioScope, section: string, now: Date): Promise<RecapAnswer[]> {
  return selectRecaps(scope, now, section, null, null);
}

interface Row {
  readonly section_id: string;
  readonly lesson: number;
  readonly audience: Audience;
  readonly version: number;
  readonly markdown: string;
  readonly promises: readonly string[];
  readonly published_at: Date | null;
  readonly is_changed: boolean;
  readonly links: number;
}

async function selectRecaps(
  scope: StudioScope,
  now: Date,
  section: string,
  lesson: number | null,
  audience: Audience | null,
): Promise<RecapAnswer[]> {
  const rows = await scope.select<Row>(
    `SELECT r.*, published_at IS NOT NULL AND published_markdown <> markdown AS is_changed, (SELECT count(*)::integer FROM recap_links l
         WHERE l.studio_id = $1 AND l.section_id = r.section_id AND l.lesson = r.lesson
           AND l.audience = r.audience AND l.revoked_at IS NULL AND l.expires_at > $3) AS links
       FROM recaps r WHERE studio_id = $1 AND section_id = $2
         AND ($4::integer IS NULL OR (lesson = $4 AND audience = $5))
       ORDER BY lesson, audience`,
    [section, now, lesson, audience],
  );
  return rows.map(row => ({
    section: row.section_id,
    lesson: row.lesson,
    audience: row.audience,
    version: row.version,
    markdown: row.markdown,
    promises: [...row.promises],
    published: row.published_at?.toISOString() ?? null,
    isChanged: row.is_changed,
    links: row.links,
  }));
}

function bodyOf({ markdown, publishedAt }: RecapRow): RecapBody {
  return { markdown, ...(publishedAt && { published: publishedAt.toISOString() }) };
}
