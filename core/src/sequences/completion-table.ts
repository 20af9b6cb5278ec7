// The fewest points that any way from a stand to the end takes off, by what is left of the music and which musts are met:
// dynamic programming backwards over beats. Time and memory: beats in grains x stands x 2^musts.
import { greatestCommonDivisor } from '../model/fraction.ts';
import { CoreError, type Ticks } from '../model/units.ts';
import { stepPoints } from './score.ts';
import type { Move, StandGraph, StandNode } from './stand-graph.ts';

export interface CompletionTable {
  /** Ticks of one grain. */
  readonly grain: number;
  /** Grains of the whole. */
  readonly length: number;
  readonly cells: number;
  /**
   * Least points from here to the end, in parts of a point; undefined where no way leads there. `at` in grains, `met` in bits.
   */
  least(node: StandNode, at: number, met: number): number | undefined;
}

/** A point is so many parts. */
export const PARTS = 16;

/** Parts of a point that a move takes besides its own points. */
export type Toll = (node: StandNode, move: Move) => number;

/** More cells than these are not filled: 48 MB. */
const MOST_CELLS = 24_000_000;
const NO_WAY = 32_767;

/**
 * Fills the table of a graph for so many ticks. Of more musts than the cells allow the last are not held: the points are then
 * at most what any way takes. Throws where even none fit; `figures` with no common grain but a tick are long before that.
 */
export function fillCompletionTable(
  { nodes, isEnd, all }: StandGraph,
  ticks: number,
  toll: Toll = () => 0,
): CompletionTable {
  const grain = grainOf(nodes, ticks);
  const length = ticks / grain;
  const reached = reachedFrom(nodes, grain, length);
  const held = heldBits(nodes.length * (length + 1), all);
  const masks = held + 1;
  const cells = new Int16Array((length + 1) * nodes.length * masks).fill(NO_WAY);
  const cellAt = (at: number, index: number) => (at * nodes.length + index) * masks;
  const moves = nodes.map(node =>
    node.moves.map(move => ({
      to: move.to.index,
      grains: move.figure.beats / grain,
      must: move.must & held,
      chosen: move.chosen & held,
      points: stepPoints(node.last, move) * PARTS + toll(node, move),
    })),
  );
  for (const node of nodes) if (isEnd(node)) cells[cellAt(length, node.index) + held] = 0;
  for (let at = length - 1; at >= 0; at -= 1)
    for (const [index, own] of moves.entries()) {
      if (!reached[at * nodes.length + index]) continue;
      const here = cellAt(at, index);
      for (const { to, grains, must, chosen, points } of own) {
        if (at + grains > length) continue;
        const there = cellAt(at + grains, to);
        for (let met = 0; met < masks; met += 1) {
          const open = must & ~met;
          const sum = (cells[there + (met | chosen | (open & -open))] ?? NO_WAY) + points;
          if (sum < (cells[here + met] ?? NO_WAY)) cells[here + met] = sum;
        }
      }
    }
  return {
    ...{ grain, length, cells: cells.length },
    least: (node, at, met) => {
      const points = cells[cellAt(at, node.index) + (met & held)] ?? NO_WAY;
      return points === NO_WAY ? undefined : points;
    },
  };
}

/** The musts, all ones from the lowest bit, for which there are cells. */
function heldBits(cells: number, all: number): number {
  let held = all;
  while (held > 0 && cells * (held + 1) > MOST_CELLS) held >>= 1;
  if (cells > MOST_CELLS) throw new CoreError(`${cells} cells are more than a search of sequences holds`);
  return held;
}

/** By grains and nodes: 1 where the start leads there in just that time. */
function reachedFrom(nodes: readonly StandNode[], grain: number, length: number): Uint8Array {
  const reached = new Uint8Array((length + 1) * nodes.length);
  reached[0] = 1;
  for (let at = 0; at < length; at += 1)
    for (const node of nodes) {
      if (!reached[at * nodes.length + node.index]) continue;
      for (const { figure, to } of node.moves) {
        const then = at + figure.beats / grain;
        if (then <= length) reached[then * nodes.length + to.index] = 1;
      }
    }
  return reached;
}

/** The lengths in ticks, up to one, in which a graph leads from its start to an end; shortest first. */
export function lengthsToEnd({ nodes, isEnd }: StandGraph, most: Ticks): readonly number[] {
  const grain = grainOf(nodes, most);
  const length = most / grain;
  const reached = reachedFrom(nodes, grain, length);
  const ends = nodes.filter(isEnd);
  return Array.from({ length: length + 1 }, (_, at) => at)
    .filter(at => ends.some(({ index }) => reached[at * nodes.length + index]))
    .map(at => at * grain);
}

/** The most ticks that all beats are whole in. */
function grainOf(nodes: readonly StandNode[], ticks: number): number {
  return nodes
    .flatMap(node => node.moves)
    .reduce((common, { figure }) => greatestCommonDivisor(figure.beats, common), ticks);
}
