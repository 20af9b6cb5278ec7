// How well a class still has each figure: a memory model that was fitted on other material and therefore only ranks
// (FSRS as in `ts-fsrs`: Ye, Su, Cao, "A Stochastic Shortest Path Algorithm for Optimizing Spaced Repetition
// Scheduling", KDD 2022).
import { type Card, createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs';
import type { LogResult } from '../model/document.ts';

/** A figure that was danced on a day, and how it went. */
export interface Danced {
  readonly pattern: string;
  /** `YYYY-MM-DD`. */
  readonly date: string;
  readonly result: LogResult;
}

/** What a studio aims at unless it says otherwise: a figure below it is fading. */
export const RECALL_AIM = 0.85;

const model = fsrs({ enable_fuzz: false, enable_short_term: false });

/**
 * The probability, 0 to 1, that a class has each figure on a day, from all that it danced before, in any order: solid is
 * good, solid twice in a row easy, shaky hard, touched again; what was not reached says nothing. Linear in the entries.
 */
export function recallOn(danced: readonly Danced[], day: string): ReadonlyMap<string, number> {
  const memory = new Map<string, { card: Card; last: LogResult }>();
  for (const { pattern, date, result } of [...danced].sort((a, b) => a.date.localeCompare(b.date))) {
    if (result === 'not-reached' || date > day) continue;
    const at = new Date(date);
    const { card, last } = memory.get(pattern) ?? { card: createEmptyCard<Card>(at), last: undefined };
    memory.set(pattern, { card: model.next(card, at, gradeOf(result, last)).card, last: result });
  }
  const now = new Date(day);
  return new Map([...memory].map(([id, { card }]) => [id, model.get_retrievability(card, now, false)]));
}

function gradeOf(result: Exclude<LogResult, 'not-reached'>, last: LogResult | undefined): Grade {
  switch (result) {
    case 'solid':
      return last === 'solid' ? Rating.Easy : Rating.Good;
    case 'shaky':
      return Rating.Hard;
    case 'touched':
      return Rating.Again;
    default:
      return result satisfies never;
  }
}
