import type { AnswerOf, BodyOf, LinkAnswer } from '@map-step/contract';
import type { StudioScope } from '../../db/studio-scope.ts';
import { hashToken, newToken } from '../../http/token.ts';
import { getSection, requireStudents } from '../sections/rights.ts';

const DAY_MS = 86_400_000;
const LINK_DAYS = 120;

interface OfCheck {
  readonly section: string;
  readonly check: string;
}

/** A link of a student's own to what was written for them; the one that they had before works no more. */
export async function tellStudent(
  scope: StudioScope,
  { section, check }: OfCheck,
  { student, markdown }: BodyOf<'check.tell'>,
  now: Date,
): Promise<LinkAnswer> {
  requireStudents(await getSection(scope, section), [student]);
  await withdrawLink(scope, check, student);
  const [token, expires] = [newToken(), new Date(now.getTime() + LINK_DAYS * DAY_MS)];
  await scope.models.checkLinks.create(
    {
      tokenHash: hashToken(token),
      studioId: scope.studioId,
      checkId: check,
      studentId: student,
      markdown,
      createdAt: now,
      expiresAt: expires,
    },
    { transaction: scope.transaction },
  );
  return { token, expires: expires.toISOString() };
}

export function withdrawLink(scope: StudioScope, check: string, student: string): Promise<number> {
  return scope.models.checkLinks.destroy(scope.where({ checkId: check, studentId: student }));
}

/** Who has been told, and when. */
export async function listTold(scope: StudioScope, check: string): Promise<AnswerOf<'check.told'>> {
  const links = await scope.models.checkLinks.findAll(scope.where({ checkId: check }));
  return {
    students: links.map(({ studentId, createdAt }) => ({ student: studentId, at: createdAt.toISOString() })),
  };
}
