// How many classes a level needs next term, from who is ready for it and who repeats it: those come back with a probability,
// each by themselves, so that their number is binomial; the interval holds the middle 95 % of it.
import type { Role } from '../model/document.ts';

export interface Forecast {
  /** Who could come, by role. */
  readonly could: Readonly<Record<Role, number>>;
  readonly expected: number;
  readonly low: number;
  readonly high: number;
  /** Classes for the fewest, the expected and the most who come. */
  readonly sections: { readonly low: number; readonly expected: number; readonly high: number };
  /** The role of which there are too few for couples, and how many of the others have no partner. */
  readonly short?: { readonly role: 'lead' | 'follow'; readonly by: number };
}

export interface ForecastTerms {
  /** From 0 to 1. */
  readonly returnRate: number;
  /** Couples in a room, or people where everybody dances alone. */
  readonly capacity: number;
}

const TAIL = 0.025;

/** The classes of a level; a pair dance fills a class by the role there is more of. */
export function forecastLevel(
  could: Readonly<Record<Role, number>>,
  { returnRate, capacity }: ForecastTerms,
): Forecast {
  const { lead, follow, solo } = could;
  const people = lead + follow + solo;
  const low = binomialQuantile(people, returnRate, TAIL);
  const high = binomialQuantile(people, returnRate, 1 - TAIL);
  const expected = people * returnRate;
  // Of those who come the roles stand as among those who could; the fuller role fills the room.
  const fuller = people === 0 ? 0 : (Math.max(lead, follow) + solo) / people;
  const sectionsFor = (number: number) => Math.max(0, Math.ceil((number * fuller) / capacity - 1e-9));
  const by = Math.abs(lead - follow);
  return {
    could,
    expected,
    low,
    high,
    sections: { low: sectionsFor(low), expected: sectionsFor(expected), high: sectionsFor(high) },
    ...(by > 0 && { short: { role: lead < follow ? 'lead' : 'follow', by } }),
  };
}

/** The least number that at most so many come with at least this probability. Linear in `trials`. */
export function binomialQuantile(trials: number, chance: number, share: number): number {
  if (chance >= 1) return trials;
  if (chance <= 0) return 0;
  let logTerm = trials * Math.log1p(-chance);
  let below = Math.exp(logTerm);
  let count = 0;
  while (below < share - 1e-12 && count < trials) {
    logTerm += Math.log((trials - count) / (count + 1)) + Math.log(chance / (1 - chance));
    count += 1;
    below += Math.exp(logTerm);
  }
  return count;
}
