// What a plan asks of the routes through its level: which figures open the way into another, and on from it.
import { type DanceRoutes, findRoutes, isDanced, type RouteStep, routeSteps } from '../couple/routes.ts';
import { groupBy } from '../model/group-by.ts';
import type { Figure } from '../steps/figure.ts';

/** The figures of a course that lead on from one, and into it; left out where none is needed, or none is there. */
export interface FigureWays {
  readonly out?: readonly string[];
  readonly in?: readonly string[];
}

/**
 * For each figure of a course those that may follow it with a shorter way home than its own, and those that may go before it
 * with a shorter way from there. Home is where the known basics begin, or the first of the course where none is known: none
 * is needed from there, nor where a known figure does it.
 */
export function findWays(own: readonly Figure[], known: Iterable<Figure>): ReadonlyMap<string, FigureWays> {
  const isKnown = new Set(known);
  const found = new Map<string, FigureWays>();
  for (const [, figures] of groupBy([...isKnown, ...own], ({ dance }) => dance.id)) {
    // Alone everybody dances everything on either foot: there is always a way.
    if (figures[0]?.dance.roles === 'solo') continue;
    const routes = levelRoutesOf(figures, isKnown);
    if (!routes) continue;
    for (const figure of figures)
      if (!isKnown.has(figure) && isDanced(figure))
        found.set(figure.pattern.id, {
          ...open('out', figure, routes, isKnown),
          ...open('in', figure, routes, isKnown),
        });
  }
  return found;
}

/** Home is where the known basics begin, or the first basic where none is known. */
function levelRoutesOf(figures: readonly Figure[], isKnown: ReadonlySet<Figure>): DanceRoutes | undefined {
  return findRoutes(figures, basics => {
    const knownBasics = basics.filter(basic => isKnown.has(basic));
    return knownBasics.length > 0 ? knownBasics : basics.slice(0, 1);
  });
}

function open(
  way: 'out' | 'in',
  figure: Figure,
  { steps, ways, back }: DanceRoutes,
  isKnown: ReadonlySet<Figure>,
): FigureWays {
  const [near, far] = way === 'out' ? (['from', 'to'] as const) : (['to', 'from'] as const);
  const distances = way === 'out' ? back : ways;
  const distanceAt = (step: RouteStep, end: 'from' | 'to') =>
    distances.get(step[end])?.length ?? Number.POSITIVE_INFINITY;
  const own = routeSteps(figure);
  const distance = Math.min(...own.map(step => distanceAt(step, far)));
  if (distance === 0 || !Number.isFinite(distance)) return {};
  const ends = new Set(own.map(step => step[far]));
  const opening = new Set(
    steps.filter(step => ends.has(step[near]) && distanceAt(step, far) < distance).map(step => step.figure),
  );
  if ([...opening].some(other => isKnown.has(other))) return {};
  return { [way]: [...opening].map(({ pattern }) => pattern.id) };
}
