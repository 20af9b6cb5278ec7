import type { Library, PlanCost } from '@map-step/core';

/** Puts the house's names where the core names figures by id. */
export function withNames(text: string, library: Library): string {
  return text.replace(/"([a-z0-9-]+)"/g, (whole, id: string) => library.patterns.get(id)?.name ?? whole);
}

const points = (value: number) => String(Math.round(value * 10) / 10);

/** The terms of a plan's cost that are not 0, in words, the dearest first. */
export function costInWords(cost: PlanCost): readonly string[] {
  const terms: [number, string][] = [
    [cost.left, `${points(cost.left)} for figures left out`],
    [cost.level, `${points(cost.level)} for lessons fuller than their share`],
    [cost.lookalikes, `${points(cost.lookalikes)} for look-alikes in the wrong lessons`],
    [cost.mix, `${points(cost.mix)} for lessons with one kind of figure only`],
    [cost.moved, `${points(cost.moved)} for figures moved since the plan was published`],
  ];
  return terms
    .filter(([value]) => value > 0)
    .sort(([a], [b]) => b - a)
    .map(([, words]) => words);
}
