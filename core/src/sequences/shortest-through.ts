import type { Move, StandGraph, StandNode } from './stand-graph.ts';
import type { SequenceFigure } from './usable-figures.ts';

/** The figures of a shortest way from the start to an end, through one of them if asked; undefined where there is none. */
export function shortestThrough(graph: StandGraph, through?: string): readonly SequenceFigure[] | undefined {
  const { from, to } = waysOf(graph);
  let best: readonly SequenceFigure[] | undefined;
  for (const node of graph.nodes)
    for (const { figure, to: next } of node.moves) {
      const [before, after] = [from.get(node), to.get(next)];
      if (!before || !after || (through !== undefined && figure.id !== through)) continue;
      if (!best || before.length + 1 + after.length < best.length) best = [...before, figure, ...after];
    }
  return best;
}

/** The figures from the start to each stand, and from each to the nearest end. */
export function waysOf({ nodes, isEnd }: StandGraph): {
  readonly from: ReadonlyMap<StandNode, readonly SequenceFigure[]>;
  readonly to: ReadonlyMap<StandNode, readonly SequenceFigure[]>;
} {
  const into = new Map<StandNode, { node: StandNode; move: Move }[]>(nodes.map(node => [node, []]));
  for (const node of nodes) for (const move of node.moves) into.get(move.to)?.push({ node, move });
  return {
    from: breadthFirst(nodes.slice(0, 1), (node, way) =>
      node.moves.map(({ to, figure }) => [to, [...way, figure]] as const),
    ),
    to: breadthFirst(nodes.filter(isEnd), (node, way) =>
      (into.get(node) ?? []).map(({ node: before, move }) => [before, [move.figure, ...way]] as const),
    ),
  };
}

type Way = readonly SequenceFigure[];

function breadthFirst(
  from: readonly StandNode[],
  next: (node: StandNode, way: Way) => readonly (readonly [StandNode, Way])[],
): ReadonlyMap<StandNode, Way> {
  const found = new Map<StandNode, Way>(from.map(node => [node, []]));
  for (const [node, way] of found)
    for (const [other, longer] of next(node, way)) if (!found.has(other)) found.set(other, longer);
  return found;
}
