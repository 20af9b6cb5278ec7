import type { StandGraph, StandNode } from './stand-graph.ts';

/** Figures on the shortest way from the start to an end, through one of them if asked; undefined where there is none. */
export function shortestThrough(graph: StandGraph, through?: string): number | undefined {
  const { from, to } = distancesOf(graph);
  const lengths = graph.nodes.flatMap(node =>
    node.moves.flatMap(({ figure, to: next }) => {
      const [before, after] = [from.get(node), to.get(next)];
      const fits = through === undefined || figure.id === through;
      return fits && before !== undefined && after !== undefined ? [before + 1 + after] : [];
    }),
  );
  return lengths.length === 0 ? undefined : Math.min(...lengths);
}

/** Figures from the start to each stand, and from each to the nearest end. */
export function distancesOf({ nodes, isEnd }: StandGraph): {
  readonly from: ReadonlyMap<StandNode, number>;
  readonly to: ReadonlyMap<StandNode, number>;
} {
  const into = new Map<StandNode, StandNode[]>(nodes.map(node => [node, []]));
  for (const node of nodes) for (const { to } of node.moves) into.get(to)?.push(node);
  return {
    from: breadthFirst(nodes.slice(0, 1), node => node.moves.map(({ to }) => to)),
    to: breadthFirst(nodes.filter(isEnd), node => into.get(node) ?? []),
  };
}

function breadthFirst(
  from: readonly StandNode[],
  next: (node: StandNode) => readonly StandNode[],
): ReadonlyMap<StandNode, number> {
  const found = new Map(from.map(node => [node, 0]));
  for (const [node, distance] of found)
    for (const other of next(node)) if (!found.has(other)) found.set(other, distance + 1);
  return found;
}
