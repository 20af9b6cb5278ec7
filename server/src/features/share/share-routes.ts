import type { ShareAnswer } from '@map-step/contract';
import type { Section } from '@map-step/core';
import { documentStore } from '../../db/document-store.ts';
import type { RecapRow } from '../../db/models.ts';
import { type Deps, todayIn } from '../../deps.ts';
import { HttpFault } from '../../faults/http-fault.ts';
import { publicRoute } from '../../http/route.ts';
import { hashToken } from '../../http/token.ts';
import { getStudio } from '../studio/studio-store.ts';

export const shareRoutes = [publicRoute('share.read', ({ deps, params }) => readShared(deps, params.token))];

const EXPIRED = new HttpFault('link-expired', 'This link no longer works. Ask your teacher for a new one.');

/** What was published behind a link; a link that was withdrawn, has expired or never was says so alike. */
async function readShared(deps: Deps, token: string): Promise<ShareAnswer> {
  const { database } = deps;
  const link = await database.inTransaction(transaction =>
    database.models.recapLinks.findByPk(hashToken(token), { transaction }),
  );
  if (!link) return readOwnWords(deps, token);
  if (link.audience !== 'students' || link.revokedAt || link.expiresAt <= deps.now()) throw EXPIRED;
  return database.inStudio(link.studioId, async scope => {
    const { sectionId, lesson, audience } = link;
    const recap = await scope.models.recaps.findOne(scope.where({ sectionId, lesson, audience }));
    const section = (await documentStore(scope, 'sections').find(sectionId))?.body;
    const course = section && (await documentStore(scope, 'courses').find(section.course))?.body;
    const { name } = await getStudio(scope);
    return {
      studio: name,
      course: course?.name ?? '',
      lesson,
      date: section?.dates[lesson - 1] ?? null,
      markdown: recap?.publishedFrozen ?? recap?.publishedMarkdown ?? '',
      corrected: correctedAt(recap),
    };
  });
}

/** What one student was told of a check. */
async function readOwnWords(deps: Deps, token: string): Promise<ShareAnswer> {
  const { database, now } = deps;
  const link = await database.inTransaction(transaction =>
    database.models.checkLinks.findByPk(hashToken(token), { transaction }),
  );
  if (!link) return readMissed(deps, token);
  if (link.expiresAt <= now()) throw EXPIRED;
  return database.inStudio(link.studioId, async scope => {
    const check = (await documentStore(scope, 'checks').find(link.checkId))?.body;
    const section = check && (await documentStore(scope, 'sections').find(check.section))?.body;
    const course = section && (await documentStore(scope, 'courses').find(section.course))?.body;
    return {
      studio: (await getStudio(scope)).name,
      course: course?.name ?? '',
      lesson: 0,
      date: check?.date ?? null,
      markdown: link.markdown,
      corrected: null,
    };
  });
}

/** What one student who was away has missed. */
async function readMissed(deps: Deps, token: string): Promise<ShareAnswer> {
  const { database, now } = deps;
  const link = await database.inTransaction(transaction =>
    database.models.missedLinks.findByPk(hashToken(token), { transaction }),
  );
  if (!link || link.expiresAt <= now()) throw EXPIRED;
  return database.inStudio(link.studioId, async scope => {
    const section = (await documentStore(scope, 'sections').find(link.sectionId))?.body;
    const studio = await getStudio(scope);
    if (!section || !isStillIn(section, link.studentId, todayIn(deps, studio.timezone))) throw EXPIRED;
    const course = (await documentStore(scope, 'courses').find(section.course))?.body;
    return {
      studio: studio.name,
      course: course?.name ?? '',
      lesson: 0,
      date: link.createdAt.toISOString().slice(0, 10),
      markdown: link.markdown,
      corrected: null,
    };
  });
}

/** True of a student of a class today, or on its last day once that is over. */
function isStillIn(section: Section, student: string, today: string): boolean {
  const last = section.dates.at(-1) ?? today;
  const day = last < today ? last : today;
  return section.students.some(one => one.student === student && (one.to === undefined || one.to >= day));
}

/** When a text that had been published before was published anew. */
function correctedAt(recap: RecapRow | null): string | null {
  const { publishedAt, firstPublishedAt } = recap ?? {};
  if (!publishedAt || !firstPublishedAt || publishedAt <= firstPublishedAt) return null;
  return publishedAt.toISOString();
}
