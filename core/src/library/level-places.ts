// A level as places and what leads between them: how a couple may stand between figures, and the figures from one to another.
import { findRoutes, isDanced, routeSteps, routesAmong, type StandState } from '../couple/routes.ts';
import { groupBy } from '../model/group-by.ts';
import { modulo } from '../model/units.ts';
import type { Figure } from '../steps/figure.ts';
import { findHold } from '../steps/holds.ts';

/** A way to stand between figures; ways that the same figures begin and end in are one place. */
export interface LevelPlace {
  readonly id: string;
  /** Names of its holds; empty where the dance has none. */
  readonly holds: readonly string[];
  /** The leader's free foot, or the dancer's, where both occur in the level. */
  readonly foot?: 'L' | 'R';
  /** Degrees to the line, to the left, where the level turns on one. */
  readonly degrees?: number;
  /** Figures on a shortest way there from home; undefined where none leads there. */
  readonly distance: number | undefined;
  /** Figures that begin and end here. */
  readonly stay: readonly string[];
}

/** Figures that lead from one place to another. */
export interface LevelWay {
  readonly from: string;
  readonly to: string;
  readonly figures: readonly string[];
}

export interface LevelPlaces {
  readonly places: readonly LevelPlace[];
  readonly ways: readonly LevelWay[];
}

/** The places of the figures of one dance, nearest to home first; without a basic there are none. */
export function levelPlaces(figures: readonly Figure[]): LevelPlaces {
  const danced = figures.filter(isDanced);
  const routes = findRoutes(danced);
  const dance = danced[0]?.dance;
  if (!routes || !dance) return { places: [], ways: [] };
  const { ways, steps } = routes;
  const states = [...new Set(steps.flatMap(({ from, to }) => [from, to]))];
  const at = placeOfStates(states, steps);
  const byPlace = groupBy(states, state => at.get(state) ?? state);
  const parts = states.map(state => state.split(' '));
  const differs = (index: number) => new Set(parts.map(part => part[index])).size > 1;
  const moves = groupBy(
    steps.map(({ from, to, figure }) => ({
      from: at.get(from) ?? from,
      to: at.get(to) ?? to,
      id: figure.pattern.id,
    })),
    ({ from, to }) => `${from}|${to}`,
  );
  const between = [...moves.values()].flatMap((all): LevelWay[] => {
    const [first] = all;
    return first ? [{ from: first.from, to: first.to, figures: [...new Set(all.map(({ id }) => id))] }] : [];
  });
  const places = [...byPlace].map(([id, own]): LevelPlace => {
    const [, feet = '', align = '0'] = (own[0] ?? '').split(' ');
    const holds = [...new Set(own.map(state => state.split(' ')[0] ?? ''))].filter(Boolean);
    const reached = own.flatMap(state => ways.get(state)?.length ?? []);
    return {
      id,
      holds: holds.map(hold => findHold(dance, hold)?.name ?? hold),
      ...(differs(1) && { foot: feet.startsWith('L') ? ('L' as const) : ('R' as const) }),
      ...(differs(2) && { degrees: 180 - modulo(180 - Number(align), 360) }),
      distance: reached.length > 0 ? Math.min(...reached) : undefined,
      stay: between.find(({ from, to }) => from === id && to === id)?.figures ?? [],
    };
  });
  const far = ({ distance }: LevelPlace) => distance ?? Number.POSITIVE_INFINITY;
  return {
    places: places.toSorted((a, b) => (far(a) === far(b) ? 0 : far(a) - far(b))),
    ways: between.filter(({ from, to }) => from !== to),
  };
}

/** States that the same figures begin and end in are one. */
function placeOfStates(
  states: readonly StandState[],
  steps: ReturnType<typeof routeSteps>,
): ReadonlyMap<StandState, string> {
  const [begins, ends] = [groupBy(steps, ({ from }) => from), groupBy(steps, ({ to }) => to)];
  const namesOf = (of: ReturnType<typeof routeSteps> = []) =>
    [...new Set(of.map(({ figure }) => figure.pattern.id))].toSorted().join(',');
  const groups = groupBy(states, state => {
    const [, ...standing] = state.split(' ');
    return [standing.join(' '), namesOf(begins.get(state)), namesOf(ends.get(state))].join('|');
  });
  return new Map([...groups.values()].flatMap(own => own.map(state => [state, own[0] ?? state] as const)));
}

/**
 * Of the figures that a class has had those that it cannot dance: no way leads into them from home, or none from them back,
 * among what it has had. Home is that of the whole level, where the first of its basics begins that the class had first.
 */
export function stuckAmong(had: readonly Figure[], level: readonly Figure[]): readonly Figure[] {
  const whole = findRoutes(level, basics => {
    const first = had.find(figure => basics.includes(figure));
    return first ? [first] : basics.slice(0, 1);
  });
  if (!whole) return [];
  const { ways, back } = routesAmong(had, whole.home);
  return had.filter(figure => {
    const own = isDanced(figure) ? routeSteps(figure).filter(({ from }) => ways.has(from)) : undefined;
    return own !== undefined && !own.some(({ to }) => back.has(to));
  });
}
