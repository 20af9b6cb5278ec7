import { RECALL_AIM } from '../memory/recall.ts';

export interface RecallSource {
  /** By the plan's fixed offsets, in its order. */
  readonly planned: readonly string[];
  /** What the course gives a second look this evening. */
  readonly again: readonly string[];
  /** How well the class still has each figure (`recallOn`); empty before any log. */
  readonly recall: ReadonlyMap<string, number>;
  /** What comes as new this evening and is therefore not reviewed. */
  readonly fresh: ReadonlySet<string>;
  /** From it on a figure is not fading. */
  readonly aim?: number;
  /** How many the minutes of the recall are enough for, the second looks apart. */
  readonly most: number;
  /** How many more than planned there is time for. */
  readonly more?: number;
}

/**
 * What is reviewed, what fades most first: as many figures as the plan reviews and the minutes are enough for, those
 * below the aim before the planned ones, and the second looks beside them. Before any log the planned reviews, in the plan's order.
 */
export function chooseReviews({
  planned,
  again,
  recall,
  fresh,
  aim = RECALL_AIM,
  most,
  more = 0,
}: RecallSource): readonly string[] {
  const own = planned.filter(id => !fresh.has(id));
  const rank = (id: string) => recall.get(id) ?? 1;
  const byRecall = (ids: readonly string[]) => ids.toSorted((a, b) => rank(a) - rank(b));
  const fading = byRecall([...recall.keys()].filter(id => rank(id) < aim && !fresh.has(id)));
  const chosen = [...new Set([...fading, ...byRecall(own)])].slice(0, Math.min(own.length + more, most));
  return [...new Set([...chosen, ...again.filter(id => !fresh.has(id))])];
}
