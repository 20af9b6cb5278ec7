import type { Level } from '../model/document.ts';

/** The level of the same dance that comes before a level; undefined for the lowest, and for one that is not there. */
export function levelBelow(level: string, levels: readonly Level[]): Level | undefined {
  const own = levels.find(({ id }) => id === level);
  return levels
    .filter(({ dance, order }) => own !== undefined && dance === own.dance && order < own.order)
    .toSorted((a, b) => b.order - a.order)[0];
}
