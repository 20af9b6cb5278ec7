// Which items a step of the neighbourhood search sets free (large neighbourhood search, Shaw 1998): the items of a
// few lessons, or items that hang together; what is left out is always free. How many is learned from how the solver
// fared: as many as it just masters.
import { allowedLessons } from '../domain.ts';
import { type Placed, type PlanProblem, taughtLessons } from '../problem.ts';
import type { PlanAim } from './plan-model.ts';

export interface Neighbourhood {
  readonly aim: PlanAim;
  readonly free: ReadonlySet<string>;
}

export type StepOutcome = 'better' | 'proven' | 'limit';

export interface Neighbourhoods {
  /** The next step: what is to be made least, and the items that are free. */
  next(best: Placed): Neighbourhood;
  /** Tells how the last step ended. */
  learn(outcome: StepOutcome): void;
  /** True when so many steps in a row brought nothing that it is time for something else. */
  isStale(): boolean;
}

/** Binaries of the first step; a solver masters a hundred in a tenth of a second. */
const FIRST_SIZE = 90;
const LEAST_SIZE = 40;
const GROWTH = { better: 1, proven: 1.12, limit: 0.75 } as const;

export function createNeighbourhoods(
  problem: PlanProblem,
  random: () => number,
  patience = 20,
): Neighbourhoods {
  const related = relations(problem);
  const ids = problem.items.map(({ id }) => id);
  const sizes = new Map(problem.items.map(item => [item.id, allowedLessons(problem, item).length]));
  const first = taughtLessons(problem) + 1;
  const lessons = problem.lessons.map((_, index) => index + 1).filter(lesson => lesson >= first);
  const most = [...sizes.values()].reduce((sum, size) => sum + size, 0);
  const wanted = { left: 1.5 * FIRST_SIZE, cost: FIRST_SIZE, moved: FIRST_SIZE };
  let aim: PlanAim = 'cost';
  let failures = 0;
  const pick = <Entry>(entries: readonly Entry[]) => entries[Math.floor(random() * entries.length)];
  const sizeOf = (free: ReadonlySet<string>) => [...free].reduce((sum, id) => sum + (sizes.get(id) ?? 0), 0);

  /** Lessons are added until there are enough items: next to each other, or anywhere. */
  function ofLessons(best: Placed, free: Set<string>, size: number): void {
    const waiting = [...lessons];
    const isNear = random() < 0.5;
    let last = pick(waiting);
    while (last !== undefined && sizeOf(free) < size) {
      const here = last;
      waiting.splice(waiting.indexOf(here), 1);
      for (const id of ids) if (best[id] === here && sizeOf(free) < 1.15 * size) free.add(id);
      const near = waiting.toSorted((a, b) => Math.abs(a - here) - Math.abs(b - here))[0];
      last = isNear && near !== undefined ? near : pick(waiting);
    }
  }

  function ofRelations(free: Set<string>, size: number): void {
    while (free.size < ids.length && sizeOf(free) < size) {
      const begun = pick(ids);
      if (begun !== undefined) free.add(begun);
      for (const id of [...free])
        for (const other of related.get(id) ?? []) if (sizeOf(free) < size && random() < 0.3) free.add(other);
    }
  }

  return {
    next(best) {
      const left = ids.filter(id => best[id] === undefined);
      aim = left.length > 0 && random() < 0.4 ? 'left' : 'cost';
      // When much is left out, only some of it is free: else nothing of the plan itself could be.
      const free = new Set<string>();
      for (const id of left.toSorted(() => random() - 0.5))
        if (sizeOf(free) < 0.5 * wanted[aim]) free.add(id);
      if (random() < 0.6) ofLessons(best, free, wanted[aim]);
      else ofRelations(free, wanted[aim]);
      return { aim, free };
    },
    learn(outcome) {
      failures = outcome === 'better' ? 0 : failures + 1;
      wanted[aim] = Math.min(most, Math.max(LEAST_SIZE, wanted[aim] * GROWTH[outcome]));
    },
    isStale: () => failures > 0 && failures % patience === 0,
  };
}

/** Items that need each other, open ways for each other, share an element or look alike. */
function relations(problem: PlanProblem): ReadonlyMap<string, readonly string[]> {
  const byElement = new Map<string, string[]>();
  for (const { id, elements } of problem.items)
    for (const element of elements) byElement.set(element, [...(byElement.get(element) ?? []), id]);
  const pairs = [
    ...problem.items.flatMap(({ id, needs, out = [], in: into = [] }) =>
      [...needs, ...out, ...into].map(other => [id, other] as const),
    ),
    ...problem.lookalikes,
    ...[...byElement.values()].flatMap(users =>
      users.length > 6 ? [] : users.flatMap((a, index) => users.slice(index + 1).map(b => [a, b] as const)),
    ),
  ];
  const related = new Map<string, string[]>();
  for (const [a, b] of pairs) {
    related.set(a, [...(related.get(a) ?? []), b]);
    related.set(b, [...(related.get(b) ?? []), a]);
  }
  return related;
}
