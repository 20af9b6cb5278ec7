import { circlesOf } from '../library/check-needs.ts';
import { gateLesson } from './domain.ts';
import { lastIntroducing, type PlanProblem, taughtLessons } from './problem.ts';

/** Why a problem cannot be planned at all; empty when it can. Each message names the ids. */
export function findProblemFaults(problem: PlanProblem): readonly string[] {
  return [...unknownIds(problem), ...badLessons(problem), ...cycles(problem), ...forbiddenPins(problem)];
}

function unknownIds(problem: PlanProblem): string[] {
  const items = new Set<string>();
  const faults: string[] = [];
  for (const { id } of problem.items) {
    if (items.has(id)) faults.push(`the item "${id}" stands twice`);
    items.add(id);
  }
  const ask = (id: string, whose: string) => {
    if (!items.has(id)) faults.push(`${whose} names "${id}", which is not among the items`);
  };
  for (const item of problem.items) {
    for (const need of item.needs) ask(need, `"${item.id}" needs what is not there: it`);
    for (const way of item.out ?? []) ask(way, `what "${item.id}" leads on to`);
    for (const way of item.in ?? []) ask(way, `what leads into "${item.id}"`);
    for (const element of item.elements)
      if (!Object.hasOwn(problem.elements, element))
        faults.push(`"${item.id}" has the element "${element}", which has no minutes`);
  }
  for (const pair of problem.lookalikes) for (const id of pair) ask(id, 'a look-alike pair');
  for (const id of Object.keys(problem.taught?.items ?? {})) ask(id, 'what was taught');
  return faults;
}

function badLessons(problem: PlanProblem): string[] {
  const count = problem.lessons.length;
  const outside = (lesson: number | undefined) => lesson !== undefined && (lesson < 1 || lesson > count);
  return [
    ...problem.lessons.flatMap(({ capacity }, index) =>
      capacity < 0
        ? [`lesson ${index + 1} has ${-capacity / 10} minutes less than its fixed blocks take`]
        : [],
    ),
    ...problem.items.flatMap(({ id, pin, from, to }) => [
      ...(outside(pin) ? [`"${id}" is pinned to lesson ${pin}, but there are ${count}`] : []),
      ...(from !== undefined && to !== undefined && from > to
        ? [`"${id}" may come from lesson ${from} to lesson ${to}: that is never`]
        : []),
    ]),
  ];
}

function cycles(problem: PlanProblem): string[] {
  return circlesOf(problem.items, ({ needs }) => needs).map(
    cycle => `these need each other: ${[...cycle, cycle[0]].join(' → ')}`,
  );
}

function forbiddenPins(problem: PlanProblem): string[] {
  const items = new Map(problem.items.map(item => [item.id, item]));
  const gate = gateLesson(problem);
  const taught = taughtLessons(problem);
  return problem.items.flatMap(item => {
    const { id, pin, split } = item;
    if (pin === undefined || pin <= taught || problem.taught?.items[id] !== undefined) return [];
    const joined = split ? pin + 1 : pin;
    const isLate = joined > lastIntroducing(problem);
    const late = isLate ? [`"${id}" is pinned to lesson ${pin}, which cannot introduce it`] : [];
    const gated =
      item.gate && gate !== undefined && gate > taught && joined > gate
        ? [`"${id}" is a gate and must be taught by lesson ${gate}; it is pinned to lesson ${pin}`]
        : [];
    const needs = item.needs.flatMap(needId => {
      const need = items.get(needId);
      const earliest = need?.pin ?? need?.from;
      if (need === undefined || earliest === undefined || problem.taught?.items[needId] !== undefined)
        return [];
      const from = earliest + (need.split ? 1 : 0);
      return from > pin
        ? [`"${id}" is pinned to lesson ${pin}, but needs "${needId}", which comes in ${from}`]
        : [];
    });
    return [...late, ...gated, ...needs];
  });
}
