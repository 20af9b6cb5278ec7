import type { Library } from '../library/library.ts';
import { ticks } from '../model/units.ts';
import { combineFigures } from './combine.ts';
import type { CombineRequest, Stand } from './request.ts';
import { type GivenSequence, type WalkRow, walkSequence } from './walk.ts';

/** A stretch of a sequence, from an item up to another that is not of it, and what may be danced in it. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly use: readonly string[];
  readonly maxInRow: number;
}

/** Figures for a stretch, in the places of the items from `from` up to, without, `to`. */
export interface Filling {
  readonly from: number;
  readonly to: number;
  readonly patterns: readonly string[];
}

const TRIED = 6;

/**
 * All that lies between the items that stay found anew, stretch by stretch from the end, so that indexes hold for whoever puts
 * them in in this order; what finds no other stays. A search for each stretch.
 */
export function refillAround(
  library: Library,
  sequence: GivenSequence,
  { kept, ...within }: Omit<Stretch, 'from' | 'to'> & { readonly kept: readonly number[] },
): readonly Filling[] {
  const edges = [-1, ...[...kept].sort((a, b) => a - b), sequence.steps.length];
  const open = edges.flatMap((edge, index) => {
    const to = edges[index + 1];
    return to !== undefined && to > edge + 1 ? [{ from: edge + 1, to }] : [];
  });
  let now = sequence;
  return open.reverse().flatMap((stretch): Filling[] => {
    const patterns = refill(library, now, { ...within, ...stretch });
    if (!patterns) return [];
    const items = patterns.map(pattern => ({ pattern }));
    now = { ...now, steps: now.steps.toSpliced(stretch.from, stretch.to - stretch.from, ...items) };
    return [{ ...stretch, patterns }];
  });
}

/**
 * Other figures for a stretch, as long as those that are there, so that what stands before and after it stays; undefined where
 * there are none with which the whole can be danced through and ends as it did. A search, and a walk for each answer.
 */
export function refill(
  library: Library,
  sequence: GivenSequence,
  stretch: Stretch,
): readonly string[] | undefined {
  const { dance, steps, end } = sequence;
  const walk = walkSequence(library, sequence);
  const rowAt = (item: number) => walk.rows.find(row => row.item >= item);
  const [first, after] = [rowAt(stretch.from), rowAt(stretch.to)];
  if (!first || first === after) return undefined;
  const request: CombineRequest = {
    ...{ dance: dance.id, use: stretch.use, maxInRow: stretch.maxInRow, must: [], choices: [], count: TRIED },
    ...{ start: standAt(first), end: after ? standAt(after) : endOf(sequence) },
    beats: ticks((after?.beat ?? walk.beats) - first.beat),
  };
  const own = walk.rows.filter(({ item }) => item >= stretch.from && item < stretch.to);
  const isOther = (patterns: readonly string[]) =>
    patterns.join() !== own.map(({ pattern }) => pattern).join();
  return combineFigures(library, request)
    .sequences.map(({ patterns }) => patterns)
    .filter(isOther)
    .find(patterns => {
      const items = patterns.map(pattern => ({ pattern }));
      const changed = [...steps.slice(0, stretch.from), ...items, ...steps.slice(stretch.to)];
      const { faults, closes } = walkSequence(library, { dance, start: sequence.start, end, steps: changed });
      return faults.length <= walk.faults.length && (closes || !walk.closes);
    });
}

function standAt({ hold, feet, facing }: WalkRow): Stand {
  return { hold, feet, facing };
}

function endOf({ start, end }: GivenSequence): Stand {
  if (typeof end === 'object') return end;
  return { ...start, facing: start.facing + (end === 'opposite' ? 180 : 0) };
}
