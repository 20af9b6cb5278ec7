import type { Log } from '../model/document.ts';
import { standingLogs } from './standing.ts';

/** The minutes of each figure until it was danced to the end for the first time; of none that never was, or of which one is not known. */
export function minutesUntilDanced(logs: readonly Log[]): ReadonlyMap<string, number> {
  const taken = new Map<string, number>();
  const danced = new Map<string, number>();
  for (const { pattern, result, minutes } of standingLogs(logs).toSorted((a, b) => a.lesson - b.lesson)) {
    if (danced.has(pattern) || result === 'not-reached') continue;
    taken.set(pattern, (taken.get(pattern) ?? 0) + (minutes ?? Number.NaN));
    if (result !== 'touched') danced.set(pattern, taken.get(pattern) ?? 0);
  }
  return new Map([...danced].filter(([, minutes]) => !Number.isNaN(minutes)));
}
