import type { DocumentCommand, PublishAnswer, RecapDetail } from '@map-step/contract';
import { planEdit, planUndo, readHistory, runCommand, stale } from '../../aggregates/aggregate.ts';
import type { StudioScope } from '../../db/studio-scope.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { hashToken, newToken } from '../../http/token.ts';
import { frozenText } from './frozen-text.ts';
import { type RecapKey, readRecap, recapAggregate } from './recap-aggregate.ts';

const LINK_DAYS = 120;
const DAY_MS = 86_400_000;

export async function readRecapDetail(scope: StudioScope, key: RecapKey, now: Date): Promise<RecapDetail> {
  const recap = await readRecap(scope, key, now);
  return { recap, history: await readHistory(recapAggregate(scope, key, now)) };
}

export async function runRecapCommand(
  scope: StudioScope,
  key: RecapKey,
  person: string,
  command: DocumentCommand,
  now: Date,
): Promise<RecapDetail> {
  const aggregate = recapAggregate(scope, key, now);
  await runCommand(aggregate, person, () =>
    command.kind === 'edit' ? planEdit(aggregate, command) : planUndo(aggregate, command.of),
  );
  return readRecapDetail(scope, key, now);
}

/** Publishes a recap as it was seen and makes a new link to it: 128 random bits, told once. */
export async function publishRecap(
  scope: StudioScope,
  key: RecapKey,
  person: string,
  seen: number,
  now: Date,
): Promise<PublishAnswer> {
  if (key.audience !== 'students')
    throw new HttpFault(
      'bad-request',
      'A recap for the staff has no link: the staff of the class read it signed in.',
    );
  const aggregate = recapAggregate(scope, key, now);
  const token = newToken();
  const expires = new Date(now.getTime() + LINK_DAYS * DAY_MS);
  await runCommand(aggregate, person, async ({ body, version }) => {
    if (version !== seen) throw await stale(aggregate, []);
    return {
      kind: 'publish',
      what: `Recap of lesson ${key.lesson} published`,
      changes: [{ field: 'published', from: body.published ?? null, to: now.toISOString() }],
      also: async () => {
        await keepPublished(scope, key, now);
        await addLink(scope, key, token, expires);
      },
    };
  });
  return { recap: await readRecap(scope, key, now), token, expires: expires.toISOString() };
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

/** The text of this moment is what links show until the next publishing. */
async function keepPublished(
  scope: StudioScope,
  { section, lesson, audience }: RecapKey,
  now: Date,
): Promise<void> {
  const row = scope.where({ sectionId: section, lesson, audience });
  const recap = await scope.models.recaps.findOne(row);
  if (!recap) return;
  const { markdown, firstPublishedAt } = recap;
  await scope.models.recaps.update(
    {
      publishedMarkdown: markdown,
      publishedFrozen: await frozenText(scope, markdown),
      firstPublishedAt: firstPublishedAt ?? now,
    },
    row,
  );
}

async function addLink(scope: StudioScope, key: RecapKey, token: string, expires: Date): Promise<void> {
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
}
