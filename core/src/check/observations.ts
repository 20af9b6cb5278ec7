// What markers say beside a mark: who danced with whom, which quality is meant, a remark, a second look that is asked for.

import { cellKey, standingMarks } from '../class/standing.ts';
import type { Mark } from '../model/document.ts';
import type { Candidate } from './readiness.ts';

/** A mark whose marker asks that somebody else looks too. */
export interface SecondLook {
  readonly mark: Mark;
  /** When it was first asked for. */
  readonly asked: string;
}

/** The second looks that nobody else has taken since they were asked for, the oldest first. Linear in the marks. */
export function openSecondLooks(marks: readonly Mark[]): readonly SecondLook[] {
  const asked = new Map<string, string>();
  for (const mark of marks) {
    if (!mark.lookAgain) continue;
    const key = `${mark.by} ${cellKey(mark)}`;
    const before = asked.get(key);
    if (before === undefined || mark.at < before) asked.set(key, mark.at);
  }
  const looks = [...standingMarks(marks).values()].flatMap(own =>
    [...own.values()].flatMap((mark): SecondLook[] => {
      const since = mark.lookAgain ? asked.get(`${mark.by} ${cellKey(mark)}`) : undefined;
      if (since === undefined) return [];
      const isTaken = [...own.values()].some(({ by, at }) => by !== mark.by && at > since);
      return isTaken ? [] : [{ mark, asked: since }];
    }),
  );
  return looks.sort((a, b) => a.asked.localeCompare(b.asked));
}

/** With whom a candidate was seen dancing where partnering was looked at, as far as it was said; each partner once. */
export function partnersSeen(marks: readonly Mark[], { student, role }: Candidate): readonly string[] {
  const seen = marks.filter(
    mark => mark.layer === 'partner' && mark.student === student && mark.role === role,
  );
  return [...new Set(seen.flatMap(mark => mark.with ?? []))];
}
