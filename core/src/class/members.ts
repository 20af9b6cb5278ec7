import type { Section } from '../model/document.ts';

/**
 * The students of a class on a date with the role they have then, from their first day to their last; each once, the stretch that
 * began last. Without a date (a lesson that has none yet) those who have not left.
 */
export function membersOn(
  { students }: Pick<Section, 'students'>,
  date: string | undefined,
): Section['students'] {
  const there = students.filter(({ from, to }) =>
    date === undefined ? to === undefined : (from ?? date) <= date && date <= (to ?? date),
  );
  const latest = new Map<string, Section['students'][number]>();
  for (const entry of there) {
    const other = latest.get(entry.student);
    if (!other || (other.from ?? '') <= (entry.from ?? '')) latest.set(entry.student, entry);
  }
  return [...latest.values()];
}
