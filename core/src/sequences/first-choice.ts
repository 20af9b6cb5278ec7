import { isLegal } from './legal-ways.ts';
import type { CombineRequest } from './request.ts';
import type { StandGraph } from './stand-graph.ts';

/** True where each choice of a sequence has the first of its figures (or none) with which the sequence answers the request. */
export function hasFirstChoices(request: CombineRequest, graph: StandGraph, ids: readonly string[]): boolean {
  return request.choices.every(({ after, before, of }) =>
    ids.every((id, at) => {
      if (id !== after) return true;
      const chosen = chosenAt(ids, at, before, of);
      if (chosen === undefined) return true;
      const rest = ids.slice(at + (chosen === null ? 1 : 2));
      return !of
        .slice(0, of.indexOf(chosen))
        .some(other =>
          isLegal(request, graph, [...ids.slice(0, at + 1), ...(other ? [other] : []), ...rest]),
        );
    }),
  );
}

/** What stands in a choice's place after the figure at an index; undefined where it is no such place. */
function chosenAt(
  ids: readonly string[],
  at: number,
  before: string,
  of: readonly (string | null)[],
): string | null | undefined {
  const next = ids[at + 1];
  if (next === before && of.includes(null)) return null;
  return next !== undefined && of.includes(next) && ids[at + 2] === before ? next : undefined;
}
