import { needsOf } from '../model/needs.ts';
import type { Library } from './library.ts';

/** A figure in the drawing of what needs what, with how far it is from the chosen one. */
export interface NeedsNode {
  readonly id: string;
  /** Below 0: what the chosen one stands on, by the longest way; above 0: what it opens; 0 for itself. */
  readonly layer: number;
}

export interface NeedsGraph {
  /** The deepest ancestor first, then layer by layer; within a layer as in the library. */
  readonly nodes: readonly NeedsNode[];
  /** From a figure to what needs it, between the nodes. */
  readonly edges: readonly (readonly [from: string, to: string])[];
}

/** All that a figure stands on, in turn, and all that it opens, in turn. A circle is walked once. */
export function needsGraph(library: Library, id: string): NeedsGraph {
  const needsIn = (figure: string) =>
    needsOf(library.patterns.get(figure) ?? {}).filter(need => library.patterns.has(need));
  const opensOf = openedBy(library);
  const below = longestWays(id, needsIn);
  const above = longestWays(id, figure => opensOf.get(figure) ?? []);
  const layers = new Map([[id, 0]]);
  for (const [figure, way] of below) if (!layers.has(figure)) layers.set(figure, -way);
  for (const [figure, way] of above) if (!layers.has(figure)) layers.set(figure, way);
  const order = [...library.patterns.keys()];
  const place = new Map(order.map((figure, index) => [figure, index]));
  const nodes = [...layers]
    .map(([figure, layer]) => ({ id: figure, layer }))
    .sort((a, b) => a.layer - b.layer || (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0));
  const edges = nodes.flatMap(({ id: to }) =>
    needsIn(to).flatMap(from => (layers.has(from) ? [[from, to] as const] : [])),
  );
  return { nodes, edges };
}

function openedBy(library: Library): ReadonlyMap<string, readonly string[]> {
  const opened = new Map<string, string[]>();
  for (const pattern of library.patterns.values())
    for (const need of needsOf(pattern)) opened.set(need, [...(opened.get(need) ?? []), pattern.id]);
  return opened;
}

/** The longest way from a figure to each that it leads to, without going round in a circle. */
function longestWays(
  start: string,
  next: (figure: string) => readonly string[],
): ReadonlyMap<string, number> {
  const ways = new Map<string, number>();
  const visit = (figure: string, way: number, trail: ReadonlySet<string>) => {
    for (const other of next(figure)) {
      if (trail.has(other) || (ways.get(other) ?? 0) >= way) continue;
      ways.set(other, way);
      visit(other, way + 1, new Set([...trail, other]));
    }
  };
  visit(start, 1, new Set([start]));
  return ways;
}
