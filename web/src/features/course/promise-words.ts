import type { BrokenPromise } from '@map-step/core';

/** Where a figure is now that was promised for another lesson. */
export function promiseInWords({ now, isOver }: Pick<BrokenPromise, 'now' | 'isOver'>): string {
  if (now === undefined) return 'it is in no lesson now';
  return isOver ? `it came in lesson ${now}` : `it comes in lesson ${now}`;
}
