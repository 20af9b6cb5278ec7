import type { Readiness } from '../check/readiness.ts';
import type { Level, Role } from '../model/document.ts';
import { levelBelow } from './level-below.ts';

/** What the final check of a class said. */
export interface FinishedClass {
  /** Undefined for a course of no level: nothing follows from it. */
  readonly level: string | undefined;
  readonly results: readonly Pick<Readiness, 'role' | 'result'>[];
}

export interface LevelNext {
  readonly level: string;
  /** Who could come, by role. */
  readonly could: Readonly<Record<Role, number>>;
  /** Of these, ready from the level below, and here again. */
  readonly ready: number;
  readonly again: number;
  /** Of the level's own classes, of whom too little was marked to say. */
  readonly unseen: number;
}

/**
 * Who could come to each level next term: those who are ready for it, and those who repeat it. Who is ready at the top of
 * a dance goes nowhere. Levels in the order of their dances, the lowest first; those that nobody could come to are left out.
 */
export function nextTerm(levels: readonly Level[], classes: readonly FinishedClass[]): readonly LevelNext[] {
  const dances = [...new Set(levels.map(({ dance }) => dance))];
  const sorted = levels.toSorted(
    (a, b) => dances.indexOf(a.dance) - dances.indexOf(b.dance) || a.order - b.order,
  );
  return sorted
    .map((level): LevelNext => {
      const own = resultsOf(classes, level.id);
      const ready = resultsOf(classes, levelBelow(level.id, levels)?.id).filter(
        ({ result }) => result === 'ready',
      );
      const again = own.filter(({ result }) => result === 'repeat' || result === 'nearly');
      const could = { lead: 0, follow: 0, solo: 0 };
      for (const { role } of [...ready, ...again]) could[role] += 1;
      return {
        level: level.id,
        could,
        ready: ready.length,
        again: again.length,
        unseen: own.filter(({ result }) => result === 'unseen').length,
      };
    })
    .filter(({ ready, again, unseen }) => ready + again + unseen > 0);
}

function resultsOf(classes: readonly FinishedClass[], level: string | undefined): FinishedClass['results'] {
  return level === undefined
    ? []
    : classes.filter(one => one.level === level).flatMap(({ results }) => results);
}
