// The figures of a sequence as the search reads them: ways through the holds, feet, turns and beats.
import type { DancedWay } from '../couple/carry.ts';
import { danceFigure, entryOf, exitOf } from '../library/danced-figures.ts';
import { isOffered, type Library } from '../library/library.ts';
import type { Dance, Role } from '../model/document.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import type { Ticks } from '../model/units.ts';
import { type Figure, type FigurePart, figureTurn } from '../steps/figure.ts';
import { entryHolds, exitHolds } from '../steps/holds.ts';
import { alignments } from '../steps/links.ts';
import type { FreeFoot } from '../steps/weight.ts';

/** One way through a figure: the hold it comes in and the one it leaves in. */
export interface SequenceWay {
  readonly entry: string;
  readonly exit: string;
  /** How often the hold changes on it. */
  readonly changes: number;
  /** The couple on it; undefined for one who dances alone. */
  readonly danced?: DancedWay;
}

/** A turn to the left (1) or right (-1), so many ticks from the figure's start, or before its end. */
export interface TurnAt {
  readonly side: 1 | -1;
  readonly ticks: number;
}

export interface SequenceFigure {
  readonly id: string;
  readonly figure: Figure;
  readonly beats: Ticks;
  /** Degrees that the couple turns. */
  readonly turn: number;
  readonly starts: readonly (readonly [Role, FreeFoot])[];
  readonly ends: readonly (readonly [Role, FreeFoot])[];
  /** Degrees to the line that it may start from; undefined where the floor has no line. */
  readonly aligned?: readonly number[];
  readonly ways: readonly SequenceWay[];
  readonly firstTurn?: TurnAt;
  readonly lastTurn?: TurnAt;
}

/** Turns of less than this give no momentum. */
const LEAST_TURN = 90;

/** A figure with beats and steps as sequences read it; undefined for one that has none. */
export function usableFigure(figure: Figure): SequenceFigure | undefined {
  const { pattern, dance, beats, parts } = figure;
  if (beats === null || beats <= 0 || parts.length === 0) return undefined;
  return {
    ...{ id: pattern.id, figure, beats, turn: figureTurn(figure), ways: waysOf(figure) },
    starts: parts.map(({ role, start }) => [role, start] as const),
    ends: parts.map(({ role, end }) => [role, end] as const),
    ...(dance.floor === 'line' && { aligned: alignments(figure) }),
    ...turnsOf(figure),
  };
}

/** The sound figures of a dance on offer that can be used, in the order of the library. */
export function usableFigures(library: Library, dance: string): readonly SequenceFigure[] {
  return [...library.readings.values()].flatMap(({ figure, faults }) => {
    const { pattern, dance: own } = figure;
    if (own.id !== dance || !isOffered(pattern) || isOnlyPractised(pattern) || faults.length > 0) return [];
    return usableFigure(figure) ?? [];
  });
}

function waysOf(figure: Figure): readonly SequenceWay[] {
  const danced = danceFigure(figure);
  if (danced)
    return danced.ways.map(way => ({
      ...{ entry: entryOf(way), exit: exitOf(way), danced: way },
      changes: changesOf(way.line.map(({ hold }) => hold.id)),
    }));
  const { pattern } = figure;
  return entriesOf(figure).flatMap(entry =>
    (entry === ANY_HOLD ? [ANY_HOLD] : exitHolds(pattern, entry)).map(exit => ({
      ...{ entry, exit },
      changes: changesOf([entry, ...(pattern.holds ?? []).map(({ hold }) => hold), exit]),
    })),
  );
}

/** The hold of somebody who dances alone. */
export const ANY_HOLD = '';

function entriesOf({ pattern, dance }: Figure): readonly string[] {
  const entries = entryHolds(pattern);
  return entries.length === 0 && dance.roles === 'solo' ? [ANY_HOLD] : entries;
}

function changesOf(holds: readonly string[]): number {
  return holds.filter((hold, index) => index > 0 && hold !== holds[index - 1]).length;
}

/** Whose turns carry a figure on: the follower's, or the dancer's own. */
function turnsOf({ parts, beats }: Figure): Pick<SequenceFigure, 'firstTurn' | 'lastTurn'> {
  const turning = turnsOfPart(parts.find(({ role }) => role !== 'lead') ?? parts[0]);
  const [first, last] = [turning[0], turning.at(-1)];
  return {
    ...(first && { firstTurn: first }),
    ...(last && beats !== null && { lastTurn: { side: last.side, ticks: beats - last.ticks } }),
  };
}

function turnsOfPart(part: FigurePart | undefined): readonly TurnAt[] {
  const begins = part?.rhythm.events[0]?.onset ?? 0;
  return (part?.steps ?? []).flatMap(({ step, time }) => {
    const turn = step ? step.turnBefore + step.turnAfter : 0;
    if (Math.abs(turn) < LEAST_TURN || time?.onset == null) return [];
    return { side: turn > 0 ? (1 as const) : (-1 as const), ticks: time.onset - begins };
  });
}

/** How far a facing goes until it counts as the same: what an end asks for. */
export function facingCircle({ floor }: Pick<Dance, 'floor'>): 180 | 360 {
  return floor === 'slot' ? 180 : 360;
}
