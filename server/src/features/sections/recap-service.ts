import { createHash, randomBytes } from 'node:crypto';
import type { PublishAnswer, RecapAnswer, SignedInPerson } from '@map-step/contract';
import type { Audience } from '@map-step/core';
import { Op } from 'sequelize';
import { historyStore } from '../../db/history-store.ts';
import type { RecapRow } from '../../db/models.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../http/http-fault.ts';

export interface RecapKey {
  readonly section: string;
  readonly lesson: number;
  readonly audience: Audience;
}

const LINK_DAYS = 120;
const DAY_MS = 86_400_000;

/** A link is kept only as its hash: who reads the database cannot open it. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

export async function listRecaps(scope: StudioScope, section: string, now: Date): Promise<RecapAnswer[]> {
  const rows = await scope.models.recaps.findAll({
    ...scope.where({ sectionId: section }),
    order: ['lesson', 'audience'],
  });
  const links = await scope.models.recapLinks.findAll(
    scope.where({ sectionId: section, revokedAt: null, expiresAt: { [Op.gt]: now } }),
  );
  return rows.map(row =>
    answerOf(row, links.filter(link => link.lesson === row.lesson && link.audience === row.audience).length),
  );
}

/** Saves over the version that was seen; a newer one is refused and sent back beside. */
export async function saveRecap(
  scope: StudioScope,
  key: RecapKey,
  who: SignedInPerson,
  { seen, markdown }: { seen: number; markdown: string },
): Promise<RecapAnswer> {
  const before = await getRecap(scope, key);
  await updateSeen(scope, key, seen, { markdown });
  await historyStore(scope, 'recap', `${key.section}/${key.lesson}/${key.audience}`).add({
    kind: 'save',
    what: `Recap of lesson ${key.lesson}`,
    person: who.id,
    before: { markdown: before.markdown },
    after: { markdown },
    undoes: null,
  });
  return answerOf(await getRecap(scope, key), 0);
}

/** Publishes a recap and makes a new link to it: 128 random bits, told once. */
export async function publishRecap(
  scope: StudioScope,
  key: RecapKey,
  who: SignedInPerson,
  seen: number,
  now: Date,
): Promise<PublishAnswer> {
  await updateSeen(scope, key, seen, { publishedAt: now });
  const token = randomBytes(16).toString('base64url');
  const expires = new Date(now.getTime() + LINK_DAYS * DAY_MS);
  await scope.models.recapLinks.create(
    {
      tokenHash: hashToken(token),
      studioId: scope.studioId,
      sectionId: key.section,
      lesson: key.lesson,
      audience: key.audience,
      expiresAt: expires,
      revokedAt: null,
    },
    { transaction: scope.transaction },
  );
  await historyStore(scope, 'recap', `${key.section}/${key.lesson}/${key.audience}`).add({
    kind: 'publish',
    what: `Recap of lesson ${key.lesson} published`,
    person: who.id,
    before: null,
    after: null,
    undoes: null,
  });
  const recap = (await listRecaps(scope, key.section, now)).find(
    ({ lesson, audience }) => lesson === key.lesson && audience === key.audience,
  );
  return { recap: recap as RecapAnswer, token, expires: expires.toISOString() };
}

/** Ends all links to a recap. */
export async function revokeLinks(
  scope: StudioScope,
  key: RecapKey,
  now: Date,
): Promise<{ revoked: number }> {
  const { section, lesson, audience } = key;
  const [revoked] = await scope.models.recapLinks.update(
    { revokedAt: now },
    scope.where({ sectionId: section, lesson, audience, revokedAt: null }),
  );
  return { revoked };
}

async function updateSeen(scope: StudioScope, key: RecapKey, seen: number, values: object): Promise<void> {
  const { section, lesson, audience } = key;
  const [changed] = await scope.models.recaps.update(
    { ...values, version: seen + 1 },
    scope.where({ sectionId: section, lesson, audience, version: seen }),
  );
  if (changed === 1) return;
  throw new HttpFault('stale', 'Somebody saved this recap after you opened it. Nothing was overwritten.', {
    current: answerOf(await getRecap(scope, key), 0),
  });
}

async function getRecap(scope: StudioScope, { section, lesson, audience }: RecapKey): Promise<RecapRow> {
  const row = await scope.models.recaps.findOne(scope.where({ sectionId: section, lesson, audience }));
  if (!row)
    throw new HttpFault('not-found', `There is no recap of lesson ${lesson} yet. Finish the lesson first.`);
  return row;
}

function answerOf(row: RecapRow, links: number): RecapAnswer {
  return {
    section: row.sectionId,
    lesson: row.lesson,
    audience: row.audience,
    version: row.version,
    markdown: row.markdown,
    published: row.publishedAt?.toISOString() ?? null,
    links,
  };
}
