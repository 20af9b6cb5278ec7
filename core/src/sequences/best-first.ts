// Sequences in the order of their points, the best first: A* (P. Hart, N. Nilsson, B. Raphael, 1968) over the completion table.
// What the table cannot hold, reuse and the whole, only ever takes more off, so the order is exact.
import { NOT_OFF, type Off } from '../couple/carry.ts';
import { carryOn, goesRound } from './carried-place.ts';
import { type CompletionTable, PARTS } from './completion-table.ts';
import { type CombineRequest, isLoop } from './request.ts';
import {
  NO_STRETCHES,
  SEQUENCE_WEIGHTS,
  type SequenceStep,
  type Stretches,
  seamPoints,
  spreadPoints,
  stepPoints,
  stretchTo,
} from './score.ts';
import { paidBack, type SharePrices } from './share-prices.ts';
import { type Move, metAfter, type StandGraph, type StandNode } from './stand-graph.ts';
import type { SequenceFigure } from './usable-figures.ts';

/** A sequence so far. */
export interface Trail {
  readonly before: Trail | undefined;
  readonly move: Move | undefined;
  readonly node: StandNode;
  /** In grains of the table. */
  readonly at: number;
  readonly met: number;
  /** Points taken off so far, tolls of a detour too. */
  readonly points: number;
  /** What the table's tolls hold of shares that are not danced yet, in parts of a point. */
  readonly unpaid: number;
  readonly stretches: Stretches;
  /** At least so many points in all. */
  readonly least: number;
  readonly off: Off;
  readonly isWhole: boolean;
}

export interface SearchTerms {
  readonly request: CombineRequest;
  readonly graph: StandGraph;
  /** Filled with the tolls of the prices and of the detour. */
  readonly table: CompletionTable;
  readonly share: number;
  readonly prices: SharePrices;
  /** Whole points of a move that lead a search elsewhere. */
  readonly detour?: (node: StandNode, move: Move) => number;
  /** What is not asked, to find out what stands in the way: how often in a row over the seam, or with that the couple's place. */
  readonly leaves?: 'seam' | 'place';
}

/** So many trails may be looked at; how far a search came. */
export interface TrailBudget {
  left: number;
  /** What is not found yet takes off no less. */
  least: number;
  /** All was looked at. */
  isOver: boolean;
}

export function startTrail({ graph, table, prices, share }: SearchTerms): Trail | undefined {
  const [node] = graph.nodes;
  const parts = node && table.least(node, 0, 0);
  if (!node || parts === undefined) return undefined;
  const unpaid = paidBack(prices, share);
  const nothing = { before: undefined, move: undefined, points: 0, met: 0, at: 0, stretches: NO_STRETCHES };
  return { ...nothing, node, unpaid, least: wholePoints(parts - unpaid), off: NOT_OFF, isWhole: false };
}

/** Every sequence that can be danced, the best first, until the budget has nothing left; of equals the longest trail goes first. */
export function* bestFirst(terms: SearchTerms, budget: TrailBudget): Generator<Trail, void> {
  const start = startTrail(terms);
  const waiting = new PointQueue();
  if (start) waiting.add(start);
  while (budget.left > 0) {
    const trail = waiting.take();
    if (!trail) {
      budget.isOver = true;
      return;
    }
    budget.left -= 1;
    budget.least = trail.least;
    if (trail.isWhole) yield trail;
    else for (const next of trailsAfter(trail, terms)) waiting.add(next);
  }
}

/** What may come next; the last is the first of the library. */
export function trailsAfter(trail: Trail, terms: SearchTerms): readonly Trail[] {
  const times = timesOf(trail);
  return trail.node.moves
    .flatMap(move => {
      const next = trailAfter(trail, move, times.get(move.figure) ?? 0, terms);
      if (!next) return [];
      return next.at === terms.table.length ? (whole(next, terms) ?? []) : next;
    })
    .reverse();
}

/** `times`: how often the figure was danced before. */
function trailAfter(trail: Trail, move: Move, times: number, terms: SearchTerms): Trail | undefined {
  const { request, table, share, prices, detour, leaves } = terms;
  const { figure, way, to } = move;
  const at = trail.at + figure.beats / table.grain;
  if (at > table.length) return undefined;
  const met = metAfter(trail.met, move);
  const rest = table.least(to, at, met);
  if (rest === undefined) return undefined;
  const { hints, off } = carryOn(way, trail.off);
  if (hints.length > 0 && leaves !== 'place') return undefined;
  const isWithinShare = times < share;
  const own = stepPoints(trail.node.last, move) + (isWithinShare ? 0 : SEQUENCE_WEIGHTS.share);
  const points = trail.points + own + (detour?.(trail.node, move) ?? 0);
  const unpaid = trail.unpaid - (isWithinShare ? (prices.get(figure) ?? 0) : 0);
  const isMust = request.must.includes(figure.id);
  const stretches = isMust ? stretchTo(trail.stretches, trail.at * table.grain) : trail.stretches;
  const spread = spreadPoints(request, stretches, at * table.grain);
  const least = points + spread + Math.max(0, wholePoints(rest - unpaid));
  return { before: trail, move, node: to, at, met, points, unpaid, stretches, least, off, isWhole: false };
}

/** Parts of a point as points: all that is taken off is whole. */
function wholePoints(parts: number): number {
  return Math.ceil(parts / PARTS);
}

/** A trail that fills the music, with the points of the whole; undefined where it is no sequence after all. */
function whole(trail: Trail, { request, graph, leaves }: SearchTerms): Trail | undefined {
  if (trail.met !== graph.all) return undefined;
  const steps = stepsOf(trail);
  const [first, last] = [steps[0], steps.at(-1)];
  if (!first || !last) return undefined;
  if (isLoop(request)) {
    const figures = steps.map(({ figure }) => figure);
    if (!leaves && seamRow(figures) > request.maxInRow) return undefined;
    if (leaves !== 'place' && !goesRound(steps.map(({ way }) => way))) return undefined;
  }
  const spread = spreadPoints(request, trail.stretches, request.beats);
  const points = trail.points + spread + seamPoints(request, first.figure, last.figure);
  return { ...trail, points, least: points, isWhole: true };
}

/** How often one figure comes in a row over the seam; endlessly where there is no other. */
export function seamRow(figures: readonly SequenceFigure[]): number {
  const [first] = figures;
  const ahead = figures.findIndex(figure => figure !== first);
  if (ahead === -1) return Number.POSITIVE_INFINITY;
  const behind = [...figures].reverse().findIndex(figure => figure !== first);
  return behind === 0 ? 0 : ahead + behind;
}

/** How often each figure comes in a trail. */
function timesOf(trail: Trail): ReadonlyMap<SequenceFigure, number> {
  const times = new Map<SequenceFigure, number>();
  for (let one: Trail | undefined = trail; one?.move; one = one.before) {
    const { figure } = one.move;
    times.set(figure, (times.get(figure) ?? 0) + 1);
  }
  return times;
}

/** The figures of a trail with their ways, in the order in which they are danced. */
export function stepsOf(trail: Trail): readonly SequenceStep[] {
  const steps: SequenceStep[] = [];
  for (let one: Trail | undefined = trail; one?.move; one = one.before)
    steps.push({ figure: one.move.figure, way: one.move.way });
  return steps.reverse();
}

/** Trails by their least points, whole numbers; of equals the one that came last. */
class PointQueue {
  readonly #stacks: (Trail[] | undefined)[] = [];
  #lowest = 0;

  add(trail: Trail): void {
    const stack = this.#stacks[trail.least] ?? [];
    this.#stacks[trail.least] = stack;
    stack.push(trail);
    this.#lowest = Math.min(this.#lowest, trail.least);
  }

  take(): Trail | undefined {
    for (; this.#lowest < this.#stacks.length; this.#lowest += 1) {
      const trail = this.#stacks[this.#lowest]?.pop();
      if (trail) return trail;
    }
    return undefined;
  }
}
