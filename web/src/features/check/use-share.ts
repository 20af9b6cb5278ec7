import {
  type Candidate,
  type Criterion,
  isOnStaff,
  layersFor,
  markingShare,
  SHARED_STUDENTS,
} from '@map-step/core';
import { useMemo } from 'react';
import { optionsOf } from '../../ui/choice.tsx';
import { useClass, useCourse } from '../course/course-context.ts';
import type { Marks } from './use-marks.ts';

export type Share = 'all' | 'students' | 'figures';
export const SHARES = optionsOf({
  all: 'every student and every figure',
  students: 'my share of the students',
  figures: 'my share of the figures',
} satisfies Record<Share, string>);

/** What this person marks when the staff of the evening divide it: the same for all who divide alike, agreed on by nobody. */
export function useShare({ check, candidates }: Marks, share: Share) {
  const { me } = useCourse();
  const { section } = useClass();
  return useMemo(() => {
    const staff = (section?.section.staff ?? []).map(({ person }) => person);
    const markers = staff.filter(person => section && isOnStaff(section.section, person, check.date));
    const own = <Entry>(entries: readonly Entry[], shared: number) =>
      markingShare(entries.length, markers, me.id, shared).flatMap(index => entries[index] ?? []);
    return {
      candidates: share === 'students' ? own(candidates, SHARED_STUDENTS) : candidates,
      items: share === 'figures' ? own(check.items, 0) : check.items,
    };
  }, [section, check, candidates, share, me.id]);
}

/** What is still to be marked of what is shown. */
export function missingInWords(
  marks: Marks,
  candidates: readonly Candidate[],
  items: readonly Criterion[],
): string {
  let [asked, open] = [0, 0];
  const unseen: string[] = [];
  for (const candidate of candidates) {
    const before = { asked, open };
    for (const item of items)
      for (const layer of layersFor(item, candidate.role)) {
        asked += 1;
        if (marks.cell({ ...candidate, pattern: item.pattern, layer }).markers === 0) open += 1;
      }
    if (asked > before.asked && open - before.open === asked - before.asked)
      unseen.push(marks.nameOf(candidate.student));
  }
  if (open === 0) return 'Everything is marked.';
  const nobody = unseen.length > 0 && unseen.length <= 4 ? `; nothing yet of ${unseen.join(', ')}` : '';
  return `Still to mark: ${open} of ${asked}${nobody}.`;
}
