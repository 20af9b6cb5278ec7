import type { CombineRequest } from './request.ts';
import type { SequenceFigure } from './usable-figures.ts';

/** A request with the figures it may use, read. */
export interface Asked {
  readonly request: CombineRequest;
  readonly figures: readonly SequenceFigure[];
  /** All the figures of the dance. */
  readonly others: readonly SequenceFigure[];
  /** Ids of the request's figures without beats. */
  readonly untimed: readonly string[];
}
