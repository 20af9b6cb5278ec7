import pLimit, { type LimitFunction } from 'p-limit';

export interface Turns {
  /** Does somebody's work when it is its turn. Throws the refusal when too much of theirs waits already. */
  take<Answer>(who: string, work: () => Promise<Answer>): Promise<Answer>;
}

/** Of each so many things are done at a time, in the order in which they came: a busy one does not crowd out the others. */
export function openTurns(terms: {
  readonly atOnce: number;
  /** What is done and what waits, together. */
  readonly most: number;
  readonly refusal: Error;
}): Turns {
  const turns = new Map<string, LimitFunction>();
  return {
    async take(who, work) {
      const turn = turns.get(who) ?? pLimit(terms.atOnce);
      if (turn.activeCount + turn.pendingCount >= terms.most) throw terms.refusal;
      turns.set(who, turn);
      try {
        return await turn(work);
      } finally {
        if (turn.activeCount + turn.pendingCount === 0) turns.delete(who);
      }
    },
  };
}
