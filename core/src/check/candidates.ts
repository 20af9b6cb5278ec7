import { membersOn } from '../class/members.ts';
import type { Check, Section } from '../model/document.ts';
import type { Candidate } from './readiness.ts';

/**
 * Whom a check is about: the students of the class on its day in their roles, in the order of the class; then who was marked in
 * another role too.
 */
export function checkCandidates(
  section: Pick<Section, 'students'>,
  { date, marks }: Pick<Check, 'date' | 'marks'>,
): readonly Candidate[] {
  const members = membersOn(section, date).map(({ student, role }) => ({ student, role }));
  const inClass = new Set(section.students.map(({ student }) => student));
  const known = new Set(members.map(({ student, role }) => `${student} ${role}`));
  const besides: Candidate[] = [];
  for (const { student, role } of marks) {
    if (!inClass.has(student) || known.has(`${student} ${role}`)) continue;
    known.add(`${student} ${role}`);
    besides.push({ student, role });
  }
  return [...members, ...besides];
}

/** The check of a class that is newest by its day; of one day the later in the list. */
export function newestCheck(checks: readonly Check[], section: string): Check | undefined {
  return checks
    .filter(check => check.section === section)
    .reduce<Check | undefined>(
      (newest, check) => (newest && newest.date > check.date ? newest : check),
      undefined,
    );
}
