// What a search may spend: seconds by a clock that is passed in, or an amount of work that repeats exactly.

export type SolveBudget = (
  | { readonly kind: 'work'; readonly work: number }
  | { readonly kind: 'time'; readonly seconds: number; readonly clock: () => number }
) & { readonly shouldStop?: () => boolean };

/** A node of the exact solver's tree counts as so many iterations of the annealing. */
export const NODE_WORK = 500;
/** So does what it does before its first node. */
export const ROOT_WORK = 20_000;

/** Seconds or iterations, as the budget has it: in the same unit it tells what is spent and what is left. */
export class Meter {
  readonly total: number;
  readonly isTimed: boolean;
  private readonly budget: SolveBudget;
  private readonly began: number;
  private work = 0;

  constructor(budget: SolveBudget) {
    this.budget = budget;
    this.isTimed = budget.kind === 'time';
    this.total = budget.kind === 'time' ? budget.seconds : budget.work;
    this.began = budget.kind === 'time' ? budget.clock() : 0;
  }

  spent(): number {
    return this.budget.kind === 'time' ? this.budget.clock() - this.began : this.work;
  }

  left(): number {
    return Math.max(0, this.total - this.spent());
  }

  /** Why to end now; undefined to go on. */
  ended(): 'time' | 'work' | 'stopped' | undefined {
    if (this.budget.shouldStop?.()) return 'stopped';
    return this.left() > 0 ? undefined : this.budget.kind;
  }

  charge(iterations: number, nodes = 0, roots = 0): void {
    this.work += iterations + nodes * NODE_WORK + roots * ROOT_WORK;
  }

  /** Limits for the exact solver: at most so many seconds where time counts, else so many nodes. */
  limits(seconds: number, nodes: number): { readonly seconds?: number; readonly nodes?: number } {
    return this.isTimed
      ? { seconds: Math.min(seconds, this.left()) }
      : { nodes: Math.max(1, Math.min(nodes, Math.floor(this.left() / NODE_WORK))) };
  }

  shouldStop(): (() => boolean) | undefined {
    return this.budget.shouldStop;
  }
}
