// Where a sequence of some figures begins: as a basic does, from where most of what is wanted leads there and back.
import { isDanced } from '../couple/routes.ts';
import type { Library } from '../library/library.ts';
import type { CombinationStart } from '../model/document.ts';
import { ticks } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds } from '../steps/holds.ts';
import { alignments } from '../steps/links.ts';
import { type CombineRequest, standOf } from './request.ts';
import { shortestThrough } from './shortest-through.ts';
import { buildStandGraph } from './stand-graph.ts';
import { usableFigure } from './usable-figures.ts';

export interface HomeStart {
  readonly start: CombinationStart;
  /** What is wanted and can be danced from there and back, in the order in which it was wanted. */
  readonly reached: readonly string[];
}

/** Of the starts of the basics (of all figures where none is) the one from which most of what is wanted is reached; undefined for none. */
export function homeStart(
  library: Library,
  ids: readonly string[],
  wanted: readonly string[] = [],
): HomeStart | undefined {
  const figures = ids.flatMap(id => library.readings.get(id)?.figure ?? []).filter(isDanced);
  const basics = figures.filter(({ pattern }) => pattern.kind === 'basic');
  const starts = new Map(
    (basics.length > 0 ? basics : figures)
      .flatMap(startsOf)
      .map(start => [JSON.stringify(start), start] as const),
  );
  const homes = [...starts.values()].map((start): HomeStart => {
    return { start, reached: reachedFrom(start, figures, wanted) };
  });
  const [first, ...others] = homes;
  return (
    first && others.reduce((best, one) => (one.reached.length > best.reached.length ? one : best), first)
  );
}

function startsOf(figure: Figure): readonly CombinationStart[] {
  const { pattern, dance, parts } = figure;
  const foot = (role: 'lead' | 'follow' | 'solo') => {
    const start = parts.find(part => part.role === role)?.start;
    return start === 'L' || start === 'R' ? { [role]: start } : {};
  };
  const feet = { ...foot('lead'), ...foot('follow'), ...foot('solo') };
  const facings = dance.floor === 'line' ? alignments(figure) : [0];
  const holds = dance.roles === 'solo' ? [undefined] : entryHolds(pattern);
  return holds.flatMap(hold =>
    facings.map(facing => ({
      ...{ ...(hold !== undefined && { hold }), ...feet, ...(facing !== 0 && { facing }) },
    })),
  );
}

/** What lies on some way from the start and back, whatever its length. */
function reachedFrom(
  start: CombinationStart,
  figures: readonly Figure[],
  wanted: readonly string[],
): readonly string[] {
  const usable = figures.flatMap(figure => usableFigure(figure) ?? []);
  const [first] = usable;
  if (!first) return [];
  const request: CombineRequest = {
    ...{ dance: first.figure.dance.id, use: usable.map(({ id }) => id), beats: ticks(1), end: 'same' },
    ...{ start: standOf(start), must: [], choices: [], maxInRow: Number.POSITIVE_INFINITY, count: 1 },
  };
  const graph = buildStandGraph(request, usable);
  const isReached = new Map([...new Set(wanted)].map(id => [id, shortestThrough(graph, id) !== undefined]));
  return wanted.filter(id => isReached.get(id));
}
