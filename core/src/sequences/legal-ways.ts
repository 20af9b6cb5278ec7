// Whether figures in a given order answer a request: tried on every way through their holds.
import { entryAt } from '../model/entry-at.ts';
import { seamRow } from './best-first.ts';
import { goesOnce, goesRound } from './carried-place.ts';
import { type CombineRequest, isLoop } from './request.ts';
import type { SequenceStep } from './score.ts';
import { type Move, metAfter, type StandGraph, type StandNode } from './stand-graph.ts';

/** The ways on which figures in this order answer the request; none where they do not. */
export function* legalWays(
  request: CombineRequest,
  graph: StandGraph,
  ids: readonly string[],
): Generator<readonly SequenceStep[], void> {
  for (const moves of movesThrough(graph, entryAt(graph.nodes, 0), ids)) {
    const beats = moves.reduce((sum, { figure }) => sum + figure.beats, 0);
    const met = moves.reduce(metAfter, 0);
    const last = moves.at(-1)?.to;
    if (beats !== request.beats || met !== graph.all || !last || !graph.isEnd(last)) continue;
    if (isLoop(request) && seamRow(moves.map(({ figure }) => figure)) > request.maxInRow) continue;
    const ways = moves.map(({ way }) => way);
    if (isLoop(request) ? goesRound(ways) : goesOnce(ways))
      yield moves.map(({ figure, way }) => ({ figure, way }));
  }
}

export function isLegal(request: CombineRequest, graph: StandGraph, ids: readonly string[]): boolean {
  return !legalWays(request, graph, ids).next().done;
}

function* movesThrough(
  graph: StandGraph,
  from: StandNode,
  [id, ...rest]: readonly string[],
): Generator<readonly Move[], void> {
  if (id === undefined) {
    yield [];
    return;
  }
  for (const move of from.moves) {
    if (move.figure.id !== id) continue;
    for (const after of movesThrough(graph, move.to, rest)) yield [move, ...after];
  }
}
