// A sequence danced through, figure by figure: where the couple stands as each begins, and every link that fails, by the couple's
// own place carried on. After a link that fails it goes on as if the figure had been danced from the middle of its hold. Linear in
// figures by the ways through them.
import type { Off } from '../couple/carry.ts';
import { wholeOf } from '../library/halves.ts';
import { figureName, type Library } from '../library/library.ts';
import type { Dance, Role } from '../model/document.ts';
import { modulo, type Ticks } from '../model/units.ts';
import { holdPlace } from '../steps/hold-shape.ts';
import { feetAgree } from '../steps/links.ts';
import type { FreeFoot } from '../steps/weight.ts';
import { ROUNDS } from './carried-place.ts';
import type { CombineRequest, SequenceEnd, Stand } from './request.ts';
import {
  ANY_HOLD,
  facingCircle,
  type SequenceFigure,
  type SequenceWay,
  usableFigure,
} from './usable-figures.ts';
import { type Branch, type LinkFault, type Standing, startStanding, stepOn } from './walk-step.ts';

/** What is danced one after the other: a figure, so many times, the last of them another if said; or the first of several that fits. */
export type SequenceItem =
  | { readonly pattern: string; readonly times?: number; readonly last?: string }
  | { readonly oneOf: readonly (string | null)[] };

export interface GivenSequence {
  readonly dance: Dance;
  readonly start: Stand;
  readonly steps: readonly SequenceItem[];
  /** `free` asks for the start again, but nobody has to be there. */
  readonly end: SequenceEnd | 'free';
}

/** A figure as it begins. */
export interface WalkRow {
  readonly pattern: string;
  /** Index of the item it comes from. */
  readonly item: number;
  /** Ticks from the start of the sequence. */
  readonly beat: Ticks;
  readonly hold: string;
  readonly feet: Partial<Readonly<Record<Role, FreeFoot>>>;
  /** Degrees, from 0 to 359. */
  readonly facing: number;
  /** Where the follower is in the leader's frame, in metres; null for who dances alone. */
  readonly place: Off | null;
  /** The way that it is danced on. */
  readonly way: SequenceWay | undefined;
}

export interface WalkFault extends LinkFault {
  /** Index of the row, and of the item it comes from. */
  readonly row: number;
  readonly item: number;
}

export interface Walk {
  readonly rows: readonly WalkRow[];
  readonly faults: readonly WalkFault[];
  readonly beats: Ticks;
  /** Hold, feet and facing are at the end as is asked. */
  readonly closes: boolean;
}

/** Dances a sequence of figures of the library that have no faults; ids that it lacks are passed over. */
export function walkSequence(library: Library, { dance, start, steps, end }: GivenSequence): Walk {
  const figures = figureFinder(library);
  const stands: RowStand[] = [];
  const faults: WalkFault[] = [];
  let at = startStanding(start);
  const items = steps.flatMap((item, index) => idsOf(item).map(ids => ({ ids, item: index })));
  for (const [index, { ids, item }] of items.entries()) {
    const next = items[index + 1]?.ids[0];
    const id = firstFitting(at, ids, next, figures);
    if (id === null) continue;
    const figure = figures(id);
    stands.push({ id, figure, item, from: at });
    const row = stands.length - 1;
    if (!figure) {
      const message = library.readings.get(id)
        ? `${figureName(library, id)} has no beats: nobody can say where the music is after it`
        : `${figureName(library, wholeOf(id))} cannot be danced so: there is no such figure, or it is not cut there`;
      faults.push({ row, item, code: 'untimed', message });
      continue;
    }
    const { standing, faults: own } = stepOn(at, figure);
    faults.push(...own.map(fault => ({ row, item, ...fault })));
    at = standing;
  }
  const goal = goalOf(start, end);
  const last = at.branches.find(({ hold }) => hold === goal.hold) ?? at.branches[0];
  return {
    rows: rowsOf(stands, last),
    faults,
    beats: at.beat,
    closes: closesAt(at, goal, dance) && (last?.hold === goal.hold || dance.roles === 'solo'),
  };
}

/** The ids that come one after the other, each with what may stand for it: null is nothing. */
function idsOf(item: SequenceItem): readonly (readonly (string | null)[])[] {
  if ('oneOf' in item) return [item.oneOf];
  const { pattern, times = 1, last } = item;
  return Array.from({ length: times }, (_, index) => [index === times - 1 ? (last ?? pattern) : pattern]);
}

type FindFigure = (id: string) => SequenceFigure | undefined;

function figureFinder(library: Library): FindFigure {
  const known = new Map<string, SequenceFigure | undefined>();
  return id => {
    if (!known.has(id)) {
      const figure = library.readings.get(id)?.figure;
      known.set(id, figure && usableFigure(figure));
    }
    return known.get(id);
  };
}

/** The first of several that can be danced here and be gone on from; the first of all where none can. */
function firstFitting(
  at: Standing,
  ids: readonly (string | null)[],
  next: string | null | undefined,
  figures: FindFigure,
): string | null {
  const [first = null] = ids;
  if (ids.length < 2) return first;
  const fits = (id: string | null) => {
    const chain = [id, next].flatMap(one => (one == null ? [] : [figures(one)]));
    let standing = at;
    return chain.every(figure => {
      const on = figure && stepOn(standing, figure);
      standing = on?.standing ?? standing;
      return on?.faults.length === 0;
    });
  };
  const found = ids.find(fits);
  return found === undefined ? first : found;
}

function goalOf(start: Stand, end: GivenSequence['end']): Stand {
  if (typeof end === 'object') return end;
  return { ...start, facing: start.facing + (end === 'opposite' ? 180 : 0) };
}

function closesAt({ feet, facing, last }: Standing, goal: Stand, dance: Dance): boolean {
  const isBack = (last?.ends ?? []).every(([role]) =>
    feetAgree(feet[role] ?? 'any', goal.feet[role] ?? 'any'),
  );
  return isBack && modulo(facing - goal.facing, facingCircle(dance)) === 0;
}

interface RowStand {
  readonly id: string;
  /** Undefined where it has no beats. */
  readonly figure: SequenceFigure | undefined;
  readonly item: number;
  readonly from: Standing;
}

/** The rows, on the branches that led to the last. */
function rowsOf(stands: readonly RowStand[], last: Branch | undefined): readonly WalkRow[] {
  const line: Branch[] = [];
  for (let one = last; one?.way; one = one.before) line.unshift(one);
  let danced = 0;
  return stands.map(({ id, figure, item, from }) => {
    const branch = figure && line[danced];
    if (figure) danced += 1;
    const { hold, place } = standingIn(branch, from);
    const facing = modulo(from.facing, 360);
    return { pattern: id, item, beat: from.beat, hold, feet: from.feet, facing, place, way: branch?.way };
  });
}

/** The hold that a way begins in and the follower's place in it. */
function standingIn(branch: Branch | undefined, from: Standing): Pick<WalkRow, 'hold' | 'place'> {
  const way = branch?.way;
  if (!way || way.entry === ANY_HOLD) return { hold: from.branches[0]?.hold ?? ANY_HOLD, place: null };
  if (!way.danced) return { hold: way.entry, place: null };
  const { middle } = holdPlace(way.danced.line[0].hold);
  const { came } = branch;
  return { hold: way.entry, place: { ahead: middle.ahead + came.ahead, side: middle.side + came.side } };
}

/** What fails first in figures of a request that are danced four times round, in words. */
export function findLinkFault(
  library: Library,
  { dance, start }: Pick<CombineRequest, 'dance' | 'start'>,
  ids: readonly string[],
): string | undefined {
  const known = library.dances.get(dance);
  if (!known) return undefined;
  const steps = Array.from({ length: ROUNDS }, () => ids.map(pattern => ({ pattern }))).flat();
  return walkSequence(library, { dance: known, start, steps, end: 'free' }).faults[0]?.message;
}
