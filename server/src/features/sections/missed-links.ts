import type { AnswerOf, BodyOf, LinkAnswer } from '@map-step/contract';
import type { StudioScope } from '../../db/studio-scope.ts';
import { hashToken, newToken } from '../../http/token.ts';
import { frozenText } from './frozen-text.ts';
import { getSection, requireStudents } from './rights.ts';

const DAY_MS = 86_400_000;
const LINK_DAYS = 120;

/** A link of a student's own to what was missed; the one that they had before works no more. */
export async function tellMissed(
  scope: StudioScope,
  section: string,
  { student, markdown }: BodyOf<'section.missed'>,
  now: Date,
): Promise<LinkAnswer> {
  requireStudents(await getSection(scope, section), [student]);
  await withdrawMissed(scope, section, student);
  const [token, expires] = [newToken(), new Date(now.getTime() + LINK_DAYS * DAY_MS)];
  await scope.models.missedLinks.create(
    {
      tokenHash: hashToken(token),
      studioId: scope.studioId,
      sectionId: section,
      studentId: student,
      markdown: await frozenText(scope, markdown),
      createdAt: now,
      expiresAt: expires,
    },
    { transaction: scope.transaction },
  );
  return { token, expires: expires.toISOString() };
}

/** The link of a student works no more. */
export function withdrawMissed(scope: StudioScope, section: string, student: string): Promise<number> {
  return scope.models.missedLinks.destroy(scope.where({ sectionId: section, studentId: student }));
}

/** Who has such a link, and since when. */
export async function listMissedLinks(
  scope: StudioScope,
  section: string,
): Promise<AnswerOf<'section.missedLinks'>> {
  const links = await scope.models.missedLinks.findAll(scope.where({ sectionId: section }));
  return {
    students: links.map(({ studentId, createdAt }) => ({ student: studentId, at: createdAt.toISOString() })),
  };
}
