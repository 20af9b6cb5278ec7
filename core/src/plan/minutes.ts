import { roundHalfUp } from '../model/units.ts';
import { lastIntroducing, type PlanItem, type PlanProblem, REVIEWS, taughtLessons } from './problem.ts';

/** Tenths of an item that fall a number of lessons after the one it is introduced in. */
export interface ItemMinutes {
  readonly after: number;
  readonly minutes: number;
}

/** When an item's assembly is taught: half of a split one, rounded up, in its first lesson. */
export function teachingMinutes(item: PlanItem): readonly ItemMinutes[] {
  if (!item.split) return [{ after: 0, minutes: item.assembly }];
  const first = Math.ceil(item.assembly / 2);
  return [
    { after: 0, minutes: first },
    { after: 1, minutes: item.assembly - first },
  ];
}

/** When it is reviewed, counted from where it was joined; never in an open course. */
export function reviewMinutes(item: PlanItem, open: boolean): readonly ItemMinutes[] {
  if (open) return [];
  return REVIEWS.map(({ after, share }) => ({
    after: after + (item.split ? 1 : 0),
    minutes: roundHalfUp(item.assembly * share),
  }));
}

/** Each lesson's fair share of the new minutes, from lesson 1; 0 for lessons that are not judged. */
export function lessonShares(problem: PlanProblem): readonly number[] {
  const last = lastIntroducing(problem);
  const raw = problem.lessons.map((_, index) => {
    if (index < taughtLessons(problem) || index >= last) return 0;
    return last === 1 ? 1 : 1.1 - (0.2 * index) / (last - 1);
  });
  const sum = raw.reduce((total, share) => total + share, 0);
  return raw.map(share => (sum === 0 ? 0 : share / sum));
}
