// Combine: sequences of figures that fit the music, hold what they must and come back to where they began. The best is exact where
// the search comes to its end within the budget; otherwise a beam's best, and by how much it may fall short.
import type { Library } from '../library/library.ts';
import { modulo, type Ticks, ticks } from '../model/units.ts';
import { AnswerSearch, type CombineBudget } from './answer-search.ts';
import type { CombineRequest } from './request.ts';
import { type SequenceStep, scoreSequence, shareOf } from './score.ts';
import { fillPricedTable } from './share-prices.ts';
import { buildStandGraph } from './stand-graph.ts';
import { type SequenceFigure, usableFigure, usableFigures } from './usable-figures.ts';
import { type NoSequence, whyNone } from './why-none.ts';
import { whyNotDanced } from './why-not-danced.ts';

export interface FoundSequence {
  readonly patterns: readonly string[];
  readonly beats: Ticks;
  /** Where the couple faces at its end, in degrees from 0 to 359. */
  readonly facing: number;
  /** 0 at best, less for each point taken off. */
  readonly score: number;
}

export interface Combined {
  /** The best first, each other differing in at least a third from all. */
  readonly sequences: readonly FoundSequence[];
  /** Why there is none; null where there is one. */
  readonly why: NoSequence | null;
  /** True where no first answer is worth more, or there is none at all. */
  readonly proven: boolean;
  /** No sequence is worth more than this. */
  readonly bound: number;
  /** Ids of the request's figures that have no beats: they are left out. */
  readonly untimed: readonly string[];
}

const USUAL_BUDGET: CombineBudget = { first: 60_000, others: 4_000 };

/** Finds sequences for a request whose ids are all in the library, without faults. Repeats exactly. */
export function combineFigures(
  library: Library,
  request: CombineRequest,
  budget: CombineBudget = USUAL_BUDGET,
): Combined {
  const { figures, untimed } = figuresOf(library, request);
  const asked = { request, figures, others: usableFigures(library, request.dance), untimed };
  const none = (why: NoSequence, proven = true): Combined => ({
    ...{ sequences: [], why, proven, bound: 0, untimed },
  });
  const graph = buildStandGraph(request, figures);
  const [start] = graph.nodes;
  if (!start || figures.length === 0) return none(whyNone(asked));
  const share = shareOf(request, figures);
  const priced = fillPricedTable(graph, request.beats, share);
  if (priced.table.least(start, 0, 0) === undefined) return none(whyNone(asked));
  const search = new AnswerSearch({ request, graph, share, ...priced }, budget);
  const { found, isProven, bound } = search.answers();
  if (found.length === 0) return none(whyNotDanced(library, search.terms, isProven), isProven);
  const sequences = found.map(steps => told(request, steps, share));
  return { sequences, why: null, proven: isProven, bound, untimed };
}

function figuresOf(library: Library, { use, choices }: CombineRequest) {
  const ids = new Set([...use, ...choices.flatMap(({ of }) => of.filter(id => id !== null))]);
  const figures: SequenceFigure[] = [];
  const untimed: string[] = [];
  for (const id of ids) {
    const figure = library.readings.get(id)?.figure;
    const usable = figure && usableFigure(figure);
    if (usable) figures.push(usable);
    else untimed.push(id);
  }
  return { figures, untimed };
}

function told(request: CombineRequest, steps: readonly SequenceStep[], share: number): FoundSequence {
  const turned = steps.reduce((sum, { figure }) => sum + figure.turn, request.start.facing);
  return {
    patterns: steps.map(({ figure }) => figure.id),
    beats: ticks(steps.reduce((sum, { figure }) => sum + figure.beats, 0)),
    facing: modulo(turned, 360),
    score: scoreSequence(request, steps, share),
  };
}
