// The best answer and others that differ from it: first in the order of points, then by detours around what was found.
import { beamSearch } from './beam.ts';
import { bestFirst, type SearchTerms, stepsOf, type Trail, type TrailBudget } from './best-first.ts';
import { areDifferent } from './edit-distance.ts';
import { hasFirstChoices } from './first-choice.ts';
import { type SequenceStep, scoreSequence } from './score.ts';
import { fillPricedTable } from './share-prices.ts';

export interface CombineBudget {
  /** Trails that the search for the best may look at, and that for each other answer. */
  readonly first: number;
  readonly others: number;
}

export interface Answers {
  readonly found: readonly (readonly SequenceStep[])[];
  /** The first is the best, or there is none. */
  readonly isProven: boolean;
  readonly bound: number;
}

/** Points for each time that a figure follows another as in an answer that was found: ever more, until one differs. */
const DETOURS = [3, 9];

/** So many trails are looked at before a beam is asked. */
const AT_ONCE = 6_000;

/** Trails of a beam that looks for others. */
const NARROW = 100;

export class AnswerSearch {
  readonly terms: SearchTerms;
  readonly #budget: CombineBudget;
  readonly #found: (readonly SequenceStep[])[] = [];

  constructor(terms: SearchTerms, budget: CombineBudget) {
    this.terms = terms;
    this.#budget = budget;
  }

  answers(): Answers {
    const { count } = this.terms.request;
    const spent: TrailBudget = { left: Math.min(this.#budget.first, AT_ONCE), least: 0, isOver: false };
    const trails = bestFirst(this.terms, spent);
    this.#takeFrom(trails, 1);
    const isProven = this.#found.length > 0 || spent.isOver || this.#takeFromBeam(trails, spent);
    const bound = 0 - spent.least;
    if (isProven) {
      spent.left = this.#budget.others;
      this.#takeFrom(trails, count);
    }
    if (this.#found.length > 0 && !spent.isOver) this.#goElsewhere();
    return { found: this.#inOrder(), isProven, bound };
  }

  /** The best of a beam, unless the search finds one that is worth more; true where it is known that none is. */
  #takeFromBeam(trails: Generator<Trail, void>, spent: TrailBudget): boolean {
    const beam = beamSearch(this.terms);
    if (beam[0]?.least !== spent.least) {
      spent.left = this.#budget.first - AT_ONCE;
      this.#takeFrom(trails, 1);
      if (this.#found.length > 0 || spent.isOver) return true;
    }
    this.#takeFrom(beam.values(), 1);
    return beam[0]?.least === spent.least;
  }

  #takeFrom(trails: Iterator<Trail, unknown>, count: number): void {
    // Not `for of`: a search that is left is gone on with.
    while (this.#found.length < count) {
      const next = trails.next();
      if (next.done) return;
      this.#offer(next.value);
    }
  }

  #offer(trail: Trail): void {
    const { request, graph } = this.terms;
    const steps = stepsOf(trail);
    const ids = idsOf(steps);
    if (this.#found.every(other => areDifferent(ids, idsOf(other))) && hasFirstChoices(request, graph, ids))
      this.#found.push(steps);
  }

  /** Others, each by a beam on the least detour around all that was found. */
  #goElsewhere(): void {
    const { request, graph, share } = this.terms;
    for (let wanted = this.#found.length + 1; wanted <= request.count; wanted += 1) {
      for (const points of DETOURS) {
        const pairs = this.#pairs();
        const detour: NonNullable<SearchTerms['detour']> = (node, { figure }) =>
          points * (pairs.get(`${node.last?.id} ${figure.id}`) ?? 0);
        const priced = fillPricedTable(graph, request.beats, share, detour);
        this.#takeFrom(beamSearch({ ...this.terms, ...priced, detour }, NARROW).values(), wanted);
        if (this.#found.length === wanted) break;
      }
      if (this.#found.length < wanted) return;
    }
  }

  /** How often a figure follows another in what was found. */
  #pairs(): ReadonlyMap<string, number> {
    const pairs = new Map<string, number>();
    for (const steps of this.#found)
      for (const [index, { figure }] of steps.entries()) {
        const pair = `${steps[index - 1]?.figure.id} ${figure.id}`;
        pairs.set(pair, (pairs.get(pair) ?? 0) + 1);
      }
    return pairs;
  }

  /** The first stays, the others by what they are worth. */
  #inOrder(): readonly (readonly SequenceStep[])[] {
    const { request, share } = this.terms;
    const [first, ...others] = this.#found;
    const worth = (steps: readonly SequenceStep[]) => scoreSequence(request, steps, share);
    return first ? [first, ...others.sort((a, b) => worth(b) - worth(a))] : [];
  }
}

function idsOf(steps: readonly SequenceStep[]): readonly string[] {
  return steps.map(({ figure }) => figure.id);
}
