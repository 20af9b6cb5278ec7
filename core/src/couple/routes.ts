// Routes through a dance: from where its basics live to every figure and back. A state is how the couple stands between
// figures; the groups of states that all lead to one another are found by Tarjan's algorithm (SIAM J. Computing 1, 1972).
// Linear in the starts and ends of the figures.
import { groupBy } from '../model/group-by.ts';
import { isOnlyPractised } from '../model/only-practised.ts';
import { modulo } from '../model/units.ts';
import { type Figure, type FigurePart, figureTurn } from '../steps/figure.ts';
import { entryHolds, exitHolds } from '../steps/holds.ts';
import { alignments } from '../steps/links.ts';
import { strongGroups } from './strong-groups.ts';

/** `hold · free foot of each role · degrees to the line`. */
export type StandState = string;

/** One way of dancing a figure: from a state to one that it can end in. */
export interface RouteStep {
  readonly from: StandState;
  readonly to: StandState;
  readonly figure: Figure;
}

export interface DanceRoutes {
  readonly home: ReadonlySet<StandState>;
  readonly steps: readonly RouteStep[];
  /** For each state that leads on from a basic at home, the figures on a shortest way there. */
  readonly ways: ReadonlyMap<StandState, readonly string[]>;
  /** For each state that leads back to such a basic, the figures on a shortest way there. */
  readonly back: ReadonlyMap<StandState, readonly string[]>;
}

/**
 * The routes of a dance's figures, in their order; undefined without a basic. Drills, qualities and faults are not among them.
 * `livesAt` says at which of the basics that are at home it begins: all of them when it is missing.
 */
export function findRoutes(
  figures: readonly Figure[],
  livesAt: (atHome: readonly Figure[]) => readonly Figure[] = all => all,
): DanceRoutes | undefined {
  const danced = figures.filter(isDanced);
  const basics = danced.filter(({ pattern }) => pattern.kind === 'basic');
  if (basics.length === 0) return undefined;
  const home = homeOf(danced.flatMap(routeSteps), basics);
  const startsAtHome = (basic: Figure) => routeSteps(basic).filter(({ from }) => home.has(from));
  const lives = livesAt(basics.filter(basic => startsAtHome(basic).length > 0));
  return routesAmong(danced, new Set(lives.flatMap(startsAtHome).map(({ from }) => from)));
}

/** The routes of some figures, from where others said that home is. */
export function routesAmong(figures: readonly Figure[], home: ReadonlySet<StandState>): DanceRoutes {
  const steps = figures.filter(isDanced).flatMap(routeSteps);
  return { home, steps, ways: waysFrom(home, steps, 'from'), back: waysFrom(home, steps, 'to') };
}

/** True for what routes are made of: neither a drill nor a quality, and with steps. */
export function isDanced({ pattern, parts }: Figure): boolean {
  return parts.length > 0 && !isOnlyPractised(pattern);
}

/** The states that a figure may start in, and each with those that it ends in. */
export function routeSteps(figure: Figure): readonly RouteStep[] {
  const { pattern, dance } = figure;
  const onLine = dance.floor === 'line';
  const entries = entryHolds(pattern).length > 0 ? entryHolds(pattern) : [''];
  const starts = feetOf(figure.parts, part => part.start);
  const ends = feetOf(figure.parts, part => part.end);
  return (onLine ? alignments(figure) : [0]).flatMap(align =>
    entries.flatMap(entry =>
      starts.flatMap(start =>
        (entry === '' ? [''] : exitHolds(pattern, entry)).flatMap(exit =>
          ends.map(end => ({
            from: state(entry, start, align),
            to: state(exit, end, onLine ? align + figureTurn(figure) : 0),
            figure,
          })),
        ),
      ),
    ),
  );
}

function state(hold: string, feet: string, align: number): StandState {
  return `${hold} ${feet} ${modulo(align, 360)}`;
}

/** The free feet of all roles; one that goes with either is both. */
function feetOf(
  parts: readonly FigurePart[],
  of: (part: FigurePart) => FigurePart['start'],
): readonly string[] {
  return parts.reduce<readonly string[]>(
    (all, part) => {
      const foot = of(part);
      const feet = foot === 'L' || foot === 'R' ? [foot] : ['L', 'R'];
      return all.flatMap(before => feet.map(one => before + one));
    },
    [''],
  );
}

/**
 * Where basics start at home: of the groups of states that all lead to one another and in which a basic starts, the one
 * where most figures start, ties to the basic that stands first; without one, all states where basics start.
 */
function homeOf(steps: readonly RouteStep[], basics: readonly Figure[]): ReadonlySet<StandState> {
  const own = groupBy(steps, ({ figure }) => figure);
  const basicStarts = new Set(basics.flatMap(basic => own.get(basic)?.map(({ from }) => from) ?? []));
  const groups = strongGroups(steps).filter(group => [...group].some(place => basicStarts.has(place)));
  const isStarting = (group: ReadonlySet<StandState>, starts: readonly RouteStep[]) =>
    starts.some(({ from }) => group.has(from));
  const counts = groups.map(group => [...own.values()].filter(starts => isStarting(group, starts)).length);
  const most = Math.max(...counts);
  const largest = groups.filter((_, index) => counts[index] === most);
  // A set keeps the order in which the basics stand: the first start in one of the largest decides between them.
  const first = [...basicStarts].find(start => largest.some(group => group.has(start)));
  const home = largest.find(group => first !== undefined && group.has(first));
  return new Set([...basicStarts].filter(start => home?.has(start) ?? true));
}

/** Breadth first from home: along the steps, or against them. */
function waysFrom(
  home: ReadonlySet<StandState>,
  steps: readonly RouteStep[],
  near: 'from' | 'to',
): ReadonlyMap<StandState, readonly string[]> {
  const far = near === 'from' ? 'to' : 'from';
  const leaving = groupBy(steps, step => step[near]);
  const ways = new Map<StandState, readonly string[]>([...home].map(start => [start, []]));
  for (const [here, way] of ways)
    for (const step of leaving.get(here) ?? []) {
      const { id } = step.figure.pattern;
      if (!ways.has(step[far])) ways.set(step[far], near === 'from' ? [...way, id] : [id, ...way]);
    }
  return ways;
}

export interface FigureRoute {
  /** Figures on a shortest way from where a basic starts to where this one does; null where there is none. */
  readonly in: readonly string[] | null;
  /** Figures on a shortest way from where this one ends to where a basic starts. */
  readonly out: readonly string[] | null;
}

/** A shortest way in from a basic and back to one, with the figure between. */
export function figureRoute(figure: Figure, { ways, back }: DanceRoutes): FigureRoute {
  const own = routeSteps(figure);
  const into = shortest(own.map(({ from }) => ways.get(from)));
  const reached = own.filter(({ from }) => ways.has(from));
  const ends = reached.length > 0 ? reached : own;
  return { in: into, out: shortest(ends.map(({ to }) => back.get(to))) };
}

function shortest(ways: readonly (readonly string[] | undefined)[]): readonly string[] | null {
  return ways.reduce<readonly string[] | null>(
    (best, way) => (way && (best === null || way.length < best.length) ? way : best),
    null,
  );
}
