import type { WeightClass } from './document.ts';

/** An action's id: one of `ACTIONS` or one that a dance adds. */
export type Action = string;

/** Every action that all dances know, with what it does to the weight. */
export const ACTIONS: ReadonlyMap<Action, WeightClass> = new Map([
  ...words('takes', 'fwd back side close place replace cross-front cross-behind diag-fwd diag-back'),
  ...words('takes', 'lock-front lock-behind pivot land'),
  ...words('none', 'tap touch point kick flick brush scuff heel toe hitch sweep'),
  ...words('stays', 'hop swivel spin heel-drop rise wait dip'),
]);

export const QUALIFIERS = [
  ...(['small', 'outside', 'between', 'ball', 'heel', 'toe', 'flat'] as const),
  ...(['shared', 'accent', 'soft'] as const),
] as const;
export type Qualifier = (typeof QUALIFIERS)[number];

/** The only actions that both feet can make together. */
export const BOTH_FEET_ACTIONS: ReadonlySet<Action> = new Set([
  ...['land', 'place', 'wait', 'heel-drop', 'rise'],
]);

/** What everybody can do: these cost no minutes of their own. */
export const PLAINEST_ACTIONS: ReadonlySet<Action> = new Set([
  ...['fwd', 'back', 'side', 'close', 'place', 'replace', 'tap', 'touch', 'wait'],
]);

function words(weight: WeightClass, list: string): [Action, WeightClass][] {
  return list.split(' ').map(action => [action, weight]);
}
