import type { CombinationStart, Foot, Role } from '../model/document.ts';
import type { Ticks } from '../model/units.ts';
import type { FreeFoot } from '../steps/weight.ts';

/** How the couple, or the dancer, stands between two figures. */
export interface Stand {
  readonly hold: string;
  /** The free foot of each role; `both` and `any` go with either. */
  readonly feet: Partial<Readonly<Record<Role, FreeFoot>>>;
  /** Degrees to the left of where 0 is; on a line of dance to the line. */
  readonly facing: number;
}

/** One of several figures, or none (null), between two others. */
export interface Choice {
  readonly after: string;
  readonly before: string;
  readonly of: readonly (string | null)[];
}

/** `same` goes round and round; `opposite` faces the other way and is back after the second round. */
export type SequenceEnd = 'same' | 'opposite' | Stand;

export interface CombineRequest {
  readonly dance: string;
  /** Figures that may be danced. */
  readonly use: readonly string[];
  /** Ticks of the whole, above 0. */
  readonly beats: Ticks;
  readonly start: Stand;
  readonly end: SequenceEnd;
  /** Figures that must be danced, all of them in `use`; one that stands here twice at least twice. */
  readonly must: readonly string[];
  readonly choices: readonly Choice[];
  /** How often one figure may come in a row, over the seam of a loop too. */
  readonly maxInRow: number;
  /** How many answers are wanted. */
  readonly count: number;
}

/** The stand of a combination's start. */
export function standOf({ hold = '', lead, follow, solo, facing = 0 }: CombinationStart): Stand {
  const free = { lead: footOf(lead), follow: footOf(follow ?? otherOf(lead)), solo: footOf(solo) };
  return { hold, feet: free, facing };
}

function footOf(foot: Foot | undefined): FreeFoot {
  return foot === 'B' ? 'both' : (foot ?? 'any');
}

function otherOf(foot: Foot | undefined): Foot | undefined {
  return foot === 'L' ? 'R' : foot === 'R' ? 'L' : foot;
}

/** True for an end that goes on from its start again. */
export function isLoop({ end }: Pick<CombineRequest, 'end'>): boolean {
  return end === 'same' || end === 'opposite';
}
