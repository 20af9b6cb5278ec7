// What a table cannot hold, that a figure is danced beyond its share, priced: each time that it is danced costs something, and its
// share is paid back. For any prices from nothing to what going beyond costs the points so found are at most the true ones
// (Lagrangian relaxation; M. Held, R. Karp, 1971); a few steps along the subgradient bring them near.

import { CoreError } from '../model/units.ts';
import { type CompletionTable, fillCompletionTable, PARTS, type Toll } from './completion-table.ts';
import { SEQUENCE_WEIGHTS, stepPoints } from './score.ts';
import { type Move, metAfter, type StandGraph, type StandNode } from './stand-graph.ts';
import type { SequenceFigure } from './usable-figures.ts';

/** Parts of a point for each time that a figure is danced. */
export type SharePrices = ReadonlyMap<SequenceFigure, number>;

const MOST_PRICE = SEQUENCE_WEIGHTS.share * PARTS;
const STEPS = 24;
/** Cells filled in all: a large table is priced in few steps. */
const MOST_FILLED = 12_000_000;

/** A table filled at prices. */
export interface PricedTable {
  readonly table: CompletionTable;
  readonly prices: SharePrices;
}

/** The table at the prices under which the best way from the start costs the most. `detour`: whole points of a move besides its own. */
export function fillPricedTable(
  graph: StandGraph,
  ticks: number,
  share: number,
  detour: Toll = () => 0,
): PricedTable {
  const figures = new Set(graph.nodes.flatMap(({ moves }) => moves.map(({ figure }) => figure)));
  const prices = new Map([...figures].map(figure => [figure, 0]));
  let best: (PricedTable & { readonly bound: number }) | undefined;
  for (let [step, cells] = [1, 0]; step <= STEPS && cells < MOST_FILLED; step += 1) {
    const toll: Toll = (node, move) => (prices.get(move.figure) ?? 0) + detour(node, move) * PARTS;
    const table = fillCompletionTable(graph, ticks, toll);
    const way = bestWay(graph, table, toll);
    const bound = way ? way.parts - paidBack(prices, share) : 0;
    if (!best || bound > best.bound) best = { table, prices: new Map(prices), bound };
    if (!way || !priceAnew(prices, way.times, share, step)) break;
    cells += table.cells;
  }
  if (!best) throw new CoreError('no table of sequences was filled');
  return best;
}

/** What the shares of all figures are worth. */
export function paidBack(prices: SharePrices, share: number): number {
  return [...prices.values()].reduce((sum, price) => sum + price * share, 0);
}

/** Dearer where a figure is danced beyond its share, cheaper where it is not danced as often; false where nothing changes. */
function priceAnew(
  prices: Map<SequenceFigure, number>,
  times: ReadonlyMap<SequenceFigure, number>,
  share: number,
  step: number,
): boolean {
  let isChanged = false;
  for (const [figure, price] of prices) {
    const beyond = (times.get(figure) ?? 0) - share;
    const by = Math.round((beyond * MOST_PRICE) / (1 + step));
    const next = Math.min(MOST_PRICE, Math.max(0, price + by));
    isChanged ||= next !== price;
    prices.set(figure, next);
  }
  return isChanged;
}

/** A best way of a table from the start, and how often each figure comes in it. */
function bestWay({ nodes }: StandGraph, table: CompletionTable, toll: Toll) {
  let node = nodes[0];
  const parts = node && table.least(node, 0, 0);
  if (!node || parts === undefined) return undefined;
  const times = new Map<SequenceFigure, number>();
  for (let [at, met, rest] = [0, 0, parts]; at < table.length; ) {
    const here: StandNode = node;
    const next = here.moves.find(move => {
      const then = at + move.figure.beats / table.grain;
      const left = then <= table.length ? table.least(move.to, then, metAfter(met, move)) : undefined;
      return left !== undefined && left + costOf(here, move, toll) === rest;
    });
    if (!next) break;
    rest -= costOf(here, next, toll);
    at += next.figure.beats / table.grain;
    met = metAfter(met, next);
    times.set(next.figure, (times.get(next.figure) ?? 0) + 1);
    node = next.to;
  }
  return { parts, times };
}

function costOf(node: StandNode, move: Move, toll: Toll): number {
  return stepPoints(node.last, move) * PARTS + toll(node, move);
}
