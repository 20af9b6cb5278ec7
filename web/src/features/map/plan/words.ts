import {
  type FoundPlan,
  figureName,
  type Library,
  type MoveEffect,
  type PlanCost,
  type PlanProblem,
  type StuckItem,
} from '@map-step/core';
import type { DraftPlan } from '../../course/course-view.ts';

/** Puts the house's names where the core names figures by id. */
export function withNames(text: string, library: Library): string {
  return text.replace(/"([a-z0-9-]+)"/g, (whole, id: string) => library.patterns.get(id)?.name ?? whole);
}

export const points = (value: number) => String(Math.round(value * 10) / 10);

/** "5 figures are left out: 2 shoulds, 3 coulds". */
export function leftInWords({ problem, placed }: Pick<DraftPlan, 'problem' | 'placed'>): string {
  const left = (problem?.items ?? []).filter(({ id }) => placed[id] === undefined);
  if (left.length === 0) return 'Every figure has its lesson';
  const counts = (['must', 'should', 'could'] as const).flatMap(value => {
    const count = left.filter(item => item.value === value).length;
    return count === 0 ? [] : [`${count} ${value}${count === 1 ? '' : 's'}`];
  });
  return `${left.length} ${left.length === 1 ? 'figure is' : 'figures are'} left out: ${counts.join(', ')}`;
}

const TERMS: readonly (readonly [Exclude<keyof PlanCost, 'total'>, string])[] = [
  ['left', 'for figures left out'],
  ['level', 'for lessons fuller than their share'],
  ['lookalikes', 'for look-alikes in the wrong lessons'],
  ['mix', 'for lessons with one kind of figure only'],
  ['order', 'for figures far from their place from easy to hard'],
  ['stuck', 'for figures that cannot be danced on'],
  ['ahead', 'for what is shown a lesson ahead'],
  ['moved', 'for figures moved since the plan was published'],
];

/** The terms of a plan's cost that are not 0, in words, the dearest first. */
export function costInWords(cost: PlanCost): readonly string[] {
  return TERMS.filter(([term]) => Math.abs(cost[term]) >= 0.05)
    .sort(([a], [b]) => Math.abs(cost[b]) - Math.abs(cost[a]))
    .map(([term, words]) => `${words.replace(/^for /, '')}: ${points(cost[term])} points`);
}

/** What a plan wins or loses against another, term by term. */
export function changeInWords(change: PlanCost): readonly string[] {
  return TERMS.filter(([term]) => Math.abs(change[term]) >= 0.05)
    .sort(([a], [b]) => change[a] - change[b])
    .map(
      ([term, words]) => `${points(Math.abs(change[term]))} ${change[term] < 0 ? 'less' : 'more'} ${words}`,
    );
}

/** Why a move is not made: the rules it breaks, or what it costs. */
export function effectInWords({ broken, change }: MoveEffect, library: Library): string {
  const [rule] = broken;
  if (rule) {
    const name = figureName(library, rule.at);
    const more = broken.length > 1 ? `, and ${broken.length - 1} more` : '';
    return `would break a rule: ${name} ${withNames(rule.message, library)}${more}`;
  }
  if (change.total < -0.05) return `would save ${points(-change.total)} points`;
  if (change.total < 0.05) return 'would do as well';
  const why = changeInWords(change).filter(words => words.includes(' more '));
  return `would cost ${points(change.total)} points more: ${why.join(', ')}`;
}

/** "Hammerlock hold a lesson ahead". */
export function aheadInWords(name: string, isAhead: boolean): string {
  return isAhead ? `${name} a lesson ahead` : `${name} with its figure`;
}

const LACKS = {
  in: 'has no way in',
  out: 'cannot be left',
  both: 'has no way in and none out',
} as const;

/** "Hand change cannot be left until Handshake pass (lesson 6)." */
export function stuckInWords(
  { id, lacks, from, until, opens }: StuckItem,
  { problem, placed }: { readonly problem: PlanProblem; readonly placed: DraftPlan['placed'] },
  library: Library,
): string {
  const name = figureName(library, id);
  if (until === undefined) {
    const missing = opens.map(other => figureName(library, other)).join(' or ');
    return `${name} ${LACKS[lacks]} from lesson ${from} on: ${missing} is left out.`;
  }
  const opener = opens.find(other => {
    const split = problem.items.find(item => item.id === other)?.split ? 1 : 0;
    return (placed[other] ?? 0) + split === until;
  });
  const by = opener === undefined ? '' : `${figureName(library, opener)} (`;
  return `${name} ${LACKS[lacks]} until ${by}lesson ${until}${by && ')'}.`;
}

/** How good a plan is known to be. */
export function knownInWords({ cost, bound, proven }: Pick<FoundPlan, 'cost' | 'bound' | 'proven'>): string {
  if (proven) return 'No better plan exists.';
  const gap = cost - bound;
  if (bound <= 0) return 'How much better a plan can be is not known yet.';
  return gap < 1
    ? 'Within 1 point of the best possible.'
    : `Within ${points(gap)} points of the best possible.`;
}
