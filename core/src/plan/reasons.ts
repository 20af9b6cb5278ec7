// Why an item lies where it lies, from the same judge as every plan: force it elsewhere, with every other placement as
// it is, and tell what breaks or what it costs.
import { allowedLessons } from './domain.ts';
import { type BrokenRule, type Judgement, judgePlan, type PlanCost } from './judge.ts';
import { lastIntroducing, type Placed, type Placing, type PlanProblem, taughtLessons } from './problem.ts';

/** The lesson an item goes to, or null to leave it out. */
export type Moves = { readonly [id: string]: number | null };

export interface MoveEffect {
  /** Rules that the moves break and that held before. */
  readonly broken: readonly BrokenRule[];
  /** Rules that were broken before and hold after. */
  readonly mended: readonly BrokenRule[];
  /** The cost after, less the cost before, term by term, in points. */
  readonly change: PlanCost;
  readonly after: Judgement;
}

export interface ItemReasons {
  /** Undefined for the first lesson. */
  readonly earlier?: MoveEffect;
  /** Undefined for the last lesson that introduces something. */
  readonly later?: MoveEffect;
}

/** A plan after some moves; what is not named stays. */
export function movePlaced(placed: Placed, moves: Moves): Placed {
  const entries = Object.entries<number | null>({ ...placed, ...moves });
  return Object.fromEntries(entries.flatMap(([id, lesson]) => (lesson === null ? [] : [[id, lesson]])));
}

/** What some moves break, mend and cost; what is taught ahead for a figure goes along. */
export function moveEffect(
  problem: PlanProblem,
  { placed, ahead }: Placing,
  moves: Moves,
  before: Judgement = judgePlan(problem, placed, ahead),
): MoveEffect {
  return changeEffect(problem, before, { placed: movePlaced(placed, moves), ahead });
}

/** What another plan breaks, mends and costs beside the one that was judged. */
export function changeEffect(problem: PlanProblem, before: Judgement, to: Placing): MoveEffect {
  const after = judgePlan(problem, to.placed, to.ahead);
  return {
    broken: without(after.broken, before.broken),
    mended: without(before.broken, after.broken),
    change: costChange(before.cost, after.cost),
    after,
  };
}

/** Why a placed item lies in its lesson and not one earlier or later; empty for one that is left out or was taught. */
export function itemReasons(
  problem: PlanProblem,
  plan: Placing,
  id: string,
  before: Judgement = judgePlan(problem, plan.placed, plan.ahead),
): ItemReasons {
  const lesson = plan.placed[id];
  if (lesson === undefined || problem.taught?.items[id] !== undefined) return {};
  const first = taughtLessons(problem) + 1;
  const effect = (to: number) => moveEffect(problem, plan, { [id]: to }, before);
  return {
    ...(lesson > first && { earlier: effect(lesson - 1) }),
    ...(lesson + 1 >= first && lesson < lastIntroducing(problem) && { later: effect(lesson + 1) }),
  };
}

export interface WhatItTakes {
  /** The lesson in which the least is missing. */
  readonly lesson: number;
  /** Needs that are left out or come later, and would have to come by then. */
  readonly needs: readonly string[];
  /** Tenths that the fullest lesson would be over; 0 when there is room. */
  readonly over: number;
  readonly overIn?: number;
  readonly effect: MoveEffect;
}

/** What would bring an item back that is left out; undefined when no lesson may have it. */
export function whatItTakes(problem: PlanProblem, plan: Placing, id: string): WhatItTakes | undefined {
  const { placed } = plan;
  const item = problem.items.find(entry => entry.id === id);
  if (!item || placed[id] !== undefined) return undefined;
  const before = judgePlan(problem, placed, plan.ahead);
  const options = allowedLessons(problem, item).map((lesson): WhatItTakes => {
    const effect = moveEffect(problem, plan, { [id]: lesson }, before);
    const overs = effect.after.lessons.map(({ capacity, new: fresh, review }) => fresh + review - capacity);
    const over = Math.max(0, ...overs);
    const needs = item.needs.filter(need => {
      const there = placed[need];
      const isSplit = problem.items.find(entry => entry.id === need)?.split === true;
      if (there === undefined) return true;
      return problem.open ? there !== lesson : there + (isSplit ? 1 : 0) > lesson;
    });
    return { lesson, needs, over, ...(over > 0 && { overIn: overs.indexOf(over) + 1 }), effect };
  });
  const rate = ({ needs, over, effect }: WhatItTakes) =>
    over + 1000 * needs.length + effect.change.total / 1e6;
  return options.sort((a, b) => rate(a) - rate(b))[0];
}

/** What one plan costs more than another, term by term. */
export function costChange(before: PlanCost, after: PlanCost): PlanCost {
  const less = (term: keyof PlanCost) => Math.round((after[term] - before[term]) * 100) / 100;
  return {
    total: less('total'),
    left: less('left'),
    level: less('level'),
    lookalikes: less('lookalikes'),
    mix: less('mix'),
    order: less('order'),
    stuck: less('stuck'),
    ahead: less('ahead'),
    moved: less('moved'),
  };
}

/** Rules by name and place: a lesson that is over stays the same broken rule when it is more over. */
function without(rules: readonly BrokenRule[], others: readonly BrokenRule[]): readonly BrokenRule[] {
  const keys = new Set(others.map(keyOf));
  return rules.filter(rule => !keys.has(keyOf(rule)));
}

function keyOf({ rule, at, message }: BrokenRule): string {
  return rule === 'need' ? `${rule} ${at} ${needOf(message)}` : `${rule} ${at}`;
}

/** A need is named in its message; whether it is late or left out, it is the same rule. */
function needOf(message: string): string {
  return /"([^"]+)"/.exec(message)?.[1] ?? message;
}
