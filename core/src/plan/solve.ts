// Anneal, then improve with the exact solver on neighbourhoods, then prove with the whole model. What fits is proven
// first, because there the annealing's plan is mostly the best; what does not fit is searched first.
import { createRandom } from '../model/random.ts';
import { describePlan, type PlanAnswer } from './answer.ts';
import type { MipSolver } from './exact/mip.ts';
import { createNeighbourhoods } from './exact/neighbourhoods.ts';
import { buildPlanModel, type PlanModelQuestion } from './exact/plan-model.ts';
import { judgePlan, type PlanCost, planRank } from './judge.ts';
import { Meter, type SolveBudget } from './meter.ts';
import { COST_WEIGHTS, type Placing, type PlanProblem, taughtLessons } from './problem.ts';
import { createPlanSearch, type PlanSearch } from './search.ts';

/** The best plan so far and what is known of better ones. */
export interface FoundPlan extends Placing {
  readonly cost: number;
  /** No plan costs less than this. */
  readonly bound: number;
  readonly proven: boolean;
}

export interface SolveOptions {
  readonly seed: number;
  readonly budget: SolveBudget;
  /** A plan to begin with; taken when it is legal and better than a fresh one. */
  readonly start?: Placing;
  /** Without it the plan is annealed only, and a cost of 0 is the only proof. */
  readonly solver?: MipSolver;
  /** Called for the first plan, each better one and each better bound. */
  readonly onBetter?: (found: FoundPlan) => void;
}

/** Iterations between two looks at the budget, about 5 ms. */
const RUN = 1000;
/** Iterations without a better plan after which the annealing hands over to the exact solver: a long round and more. */
const STALE_ITERATIONS = 240_000;
const ANNEAL_SHARE = 0.3;
const MOST_ANNEAL_SECONDS = 3;
/** Up to this many items × lessons the whole model is tried before its neighbourhoods. */
const SMALL = 150;
const STEP_SECONDS = 1;
const STEP_NODES = 300;
const ENOUGH = 0.005;
const POLISH_ITERATIONS = 80_000;

/**
 * Plans from nothing, or mends when the problem says what was taught, until the plan is proven or the budget ends.
 * The same problem, seed and amount of work give the same plan.
 */
export function solvePlan(problem: PlanProblem, options: SolveOptions): Omit<PlanAnswer, 'seconds'> {
  return new PlanSolving(problem, options).solve();
}

class PlanSolving {
  private readonly problem: PlanProblem;
  private readonly options: SolveOptions;
  private readonly meter: Meter;
  private search: PlanSearch;
  private fresh = 0;
  private placing: Placing;
  private cost: number;
  private rank: number;
  private bound = 0;
  private isProven = false;
  /** Points of what must stay out in any plan. */
  private leastLeft = 0;

  constructor(problem: PlanProblem, options: SolveOptions) {
    this.problem = problem;
    this.options = options;
    this.meter = new Meter(options.budget);
    this.search = createPlanSearch(problem, options.seed, options.start);
    this.placing = this.search.best();
    const cost = this.costNow();
    this.cost = cost.total;
    this.rank = planRank(problem, cost);
    this.proveFree();
    this.tell();
  }

  solve(): Omit<PlanAnswer, 'seconds'> {
    const { solver } = this.options;
    this.anneal(solver ? this.annealBudget() : this.meter.total, solver ? STALE_ITERATIONS : undefined);
    if (solver && this.mayGoOn()) this.goOnExactly(solver);
    const ended = this.isProven ? 'proven' : (this.meter.ended() ?? 'work');
    return describePlan(this.problem, this.placing, { ended, bound: this.bound, proven: this.isProven });
  }

  private annealBudget(): number {
    const share = ANNEAL_SHARE * this.meter.total;
    return this.meter.isTimed ? Math.min(MOST_ANNEAL_SECONDS, share) : share;
  }

  private anneal(budget: number, patience = Number.POSITIVE_INFINITY): void {
    const end = this.meter.spent() + budget;
    let stale = 0;
    // Where something is left out no proof is near: the annealing may take its time.
    while (this.mayGoOn() && this.meter.spent() < end && (stale < patience || this.isFull())) {
      this.search.run(RUN);
      this.meter.charge(RUN);
      stale = this.consider(this.search.best()) ? 0 : stale + RUN;
    }
  }

  private goOnExactly(solver: MipSolver): void {
    const { problem } = this;
    if (taughtLessons(problem) > 0) {
      this.mendExactly(solver);
      return;
    }
    const isSmall = problem.items.length * problem.lessons.length <= SMALL;
    // One way in may end in a corner: what is small is searched by a second before anything is proven.
    if (this.isFull() && isSmall) this.beginAfresh();
    if (this.isFull()) this.proveWhatIsLeft(solver, isSmall ? 0.2 : 0.06);
    // Where even what must stay out is not proven, the whole model has no hope yet.
    const hasHope = !this.isFull() || (isSmall && this.leastLeft >= this.leftPoints() - ENOUGH);
    if (hasHope) this.proveWhole(solver, (isSmall ? 0.6 : 0.4) * this.meter.total);
    this.searchNeighbourhoods(solver, isSmall && hasHope ? 0.2 * this.meter.total : 0, isSmall ? 4 : 8);
    // A start can hold the solver in a corner: the last try goes without.
    this.proveWhole(solver, this.meter.left(), false);
  }

  private costNow(): PlanCost {
    return judgePlan(this.problem, this.placing.placed, this.placing.ahead).cost;
  }

  private leftPoints(): number {
    return this.costNow().left;
  }

  /** True when something is left out. */
  private isFull(): boolean {
    return this.problem.items.some(({ id }) => this.placing.placed[id] === undefined);
  }

  private proveWhole(solver: MipSolver, budget: number, withStart = true): void {
    if (!this.mayGoOn()) return;
    const question = { from: this.placing, aim: 'cost', atLeast: this.leastLeft } as const;
    const result = this.ask(solver, question, budget, withStart);
    if (result) this.raiseBound(result.bound);
  }

  /** The least that must stay out: a bound that the whole model would find late. */
  private proveWhatIsLeft(solver: MipSolver, share: number): void {
    if (!this.mayGoOn()) return;
    const result = this.ask(solver, { from: this.placing, aim: 'left' }, share * this.meter.total);
    if (!result) return;
    this.leastLeft = Math.max(0, Math.ceil(result.bound - ENOUGH));
    this.raiseBound(this.leastLeft);
    const question = { from: this.placing, aim: 'cost', atLeast: this.leastLeft } as const;
    const relaxed = solver(buildPlanModel(this.problem, question).mip, {
      relaxed: true,
      ...this.meter.limits(STEP_SECONDS, 1),
    });
    this.meter.charge(0, 0, 1);
    this.raiseBound(relaxed.bound);
  }

  private searchNeighbourhoods(solver: MipSolver, keepFor: number, patience: number): void {
    const { problem, meter } = this;
    const neighbourhoods = createNeighbourhoods(problem, createRandom(this.options.seed), patience);
    while (this.mayGoOn() && meter.left() > keepFor) {
      const before = this.rank;
      const step = neighbourhoods.next(this.placing.placed);
      const result = this.ask(
        solver,
        { from: this.placing, ...step },
        meter.isTimed ? STEP_SECONDS : STEP_NODES,
      );
      const isProven = result?.ended === 'optimal';
      neighbourhoods.learn(this.rank < before ? 'better' : isProven ? 'proven' : 'limit');
      if (neighbourhoods.isStale()) this.beginAfresh();
    }
  }

  /** Another way into the plan: a new annealing from nothing, with a seed of its own. */
  private beginAfresh(): void {
    this.fresh += 1;
    this.search = createPlanSearch(this.problem, this.options.seed + this.fresh);
    this.anneal(this.annealBudget(), STALE_ITERATIONS);
  }

  /** First what is left out, then the number moved, then the rest: each is proven least before the next is asked. */
  private mendExactly(solver: MipSolver): void {
    const points = this.problem.weights?.moved ?? 15;
    const kept: { left?: number; moved?: number } = {};
    let isWhole = true;
    for (const aim of ['left', 'moved', 'cost'] as const) {
      if (!this.mayGoOn()) return;
      const result = this.ask(
        solver,
        { from: this.placing, aim, atMost: { ...kept } },
        this.meter.left() / 2,
      );
      isWhole &&= result?.ended === 'optimal';
      const cost = this.costNow();
      if (aim === 'left') kept.left = cost.left;
      if (aim === 'moved') kept.moved = points === 0 ? 0 : cost.moved / points;
    }
    if (!isWhole) return;
    this.bound = this.cost;
    this.isProven = true;
    this.tell();
  }

  private ask(solver: MipSolver, question: PlanModelQuestion, budget: number, withStart = true) {
    const { meter } = this;
    const model = buildPlanModel(this.problem, question);
    const shouldStop = meter.shouldStop();
    const nodes = meter.isTimed ? 0 : Math.ceil(question.free ? budget : budget / NODES_SHARE);
    const result = solver(model.mip, {
      ...meter.limits(budget, nodes),
      ...(withStart && { start: model.start }),
      ...(shouldStop && { shouldStop }),
      onBetter: values => this.consider(model.decode(values)),
      ...(question.free === undefined &&
        question.aim !== 'moved' && { onBound: bound => this.raiseBound(bound) }),
    });
    meter.charge(0, result.nodes, 1);
    if (result.values) {
      const found = model.decode(result.values);
      if (!this.consider(found) && question.aim === 'left') this.polish(found);
    }
    return result.ended === 'infeasible' ? undefined : result;
  }

  /** A plan with less left out may cost more at first: it is annealed without leaving anything else out. */
  private polish(found: Placing): void {
    const { problem } = this;
    if (judgePlan(problem, found.placed).cost.left >= this.leftPoints()) return;
    const weights = { ...COST_WEIGHTS, ...problem.weights };
    const dear = { must: weights.must * 100, should: weights.should * 100, could: weights.could * 100 };
    const search = createPlanSearch(
      { ...problem, weights: { ...weights, ...dear } },
      this.options.seed,
      found,
    );
    for (let done = 0; done < POLISH_ITERATIONS && this.mayGoOn(); done += RUN) {
      search.run(RUN);
      this.meter.charge(RUN);
    }
    if (this.consider(search.best())) this.search.adopt(this.placing);
  }

  private mayGoOn(): boolean {
    return !this.isProven && this.meter.ended() === undefined;
  }

  /** Takes a plan when it is legal and better. */
  private consider(found: Placing): boolean {
    const { cost, broken } = judgePlan(this.problem, found.placed, found.ahead);
    const rank = planRank(this.problem, cost);
    if (broken.length > 0 || rank >= this.rank - 1e-6) return false;
    [this.placing, this.cost, this.rank] = [found, cost.total, rank];
    this.proveFree();
    this.tell();
    return true;
  }

  private raiseBound(bound: number): void {
    if (taughtLessons(this.problem) > 0 || !(bound > this.bound + ENOUGH / 2)) return;
    this.bound = Math.min(bound, this.cost);
    this.isProven ||= this.cost - this.bound <= ENOUGH;
    this.tell();
  }

  /** Nothing is cheaper than nothing. */
  private proveFree(): void {
    this.isProven ||= this.cost - this.bound <= ENOUGH && taughtLessons(this.problem) === 0;
    this.isProven ||= this.rank <= 1e-9;
  }

  private tell(): void {
    const { placing, cost, bound, isProven: proven } = this;
    this.options.onBetter?.({ ...placing, cost, bound: proven ? cost : bound, proven });
  }
}

/** In a run by work, a budget of iterations is this many for a node of the whole model. */
const NODES_SHARE = 500;
