import type { MipLimits, MipModel, MipResult, MipSolver } from './mip.ts';

/** The part of the HiGHS package that is used here; whoever runs the solver loads the package. */
export interface HighsLike {
  readonly infinity: number;
  readonly constants: {
    readonly modelStatus: { readonly optimal: number; readonly infeasible: number };
    readonly callbackType: { readonly mipImprovingSolution: number; readonly mipInterrupt: number };
  };
  createModel(source: object): HighsModelLike;
}

interface HighsModelLike {
  readonly options: { set(values: object): unknown };
  readonly info: { get(name: string): unknown };
  setSolution(solution: { colValue: Float64Array }): unknown;
  run(callbacks: object): unknown;
  getModelStatus(): number;
  getSolution(): { readonly colValue: Float64Array };
  getObjectiveValue(): number;
  dispose(): void;
}

interface SolverEvent {
  readonly data: { readonly mip_solution?: Float64Array; readonly mip_dual_bound?: number };
  interrupt?(): void;
}

/** Costs are shown to a hundredth of a point: two plans nearer than this are the same. */
const GAP = 0.004;

/** A solver of mixed-integer models on a loaded HiGHS; each call makes a model of its own and frees it. */
export function highsSolver(highs: HighsLike): MipSolver {
  return (model, limits) => {
    const solver = highs.createModel(toHighs(model));
    try {
      solver.options.set(optionsOf(limits));
      if (limits.start && !limits.relaxed) solver.setSolution({ colValue: limits.start });
      solver.run(callbacksOf(highs, limits));
      return readResult(highs, solver, limits);
    } finally {
      solver.dispose();
    }
  };
}

function toHighs(model: MipModel): object {
  const { columnCount: numCols, rowCount: numRows } = model;
  return {
    numCols,
    numRows,
    offset: model.offset,
    colCost: model.cost,
    colLower: model.lower,
    colUpper: model.upper,
    rowLower: model.rowLower,
    rowUpper: model.rowUpper,
    integrality: model.whole,
    matrix: {
      format: 'csr',
      numRows,
      numCols,
      starts: model.starts,
      indices: model.columns,
      values: model.factors,
    },
  };
}

function optionsOf({ seconds, nodes, gap = GAP, relaxed }: MipLimits): object {
  return {
    output_flag: false,
    random_seed: 1,
    mip_rel_gap: 0,
    mip_abs_gap: gap,
    ...(seconds !== undefined && { time_limit: Math.max(0.01, seconds) }),
    ...(nodes !== undefined && { mip_max_nodes: nodes }),
    ...(relaxed && { solve_relaxation: true }),
  };
}

function callbacksOf(highs: HighsLike, { onBetter, onBound, shouldStop, relaxed }: MipLimits): object {
  const { mipImprovingSolution, mipInterrupt } = highs.constants.callbackType;
  if (relaxed) return {};
  return {
    ...(onBetter && {
      [mipImprovingSolution]: ({ data }: SolverEvent) => {
        if (data.mip_solution) onBetter(data.mip_solution);
      },
    }),
    [mipInterrupt]: (event: SolverEvent) => {
      const bound = event.data.mip_dual_bound;
      if (bound !== undefined && Number.isFinite(bound)) onBound?.(bound);
      if (shouldStop?.()) event.interrupt?.();
    },
  };
}

function readResult(highs: HighsLike, solver: HighsModelLike, { relaxed }: MipLimits): MipResult {
  const status = solver.getModelStatus();
  const { optimal, infeasible } = highs.constants.modelStatus;
  if (status === infeasible)
    return { ended: 'infeasible', values: undefined, bound: Number.POSITIVE_INFINITY, nodes: 0 };
  if (relaxed) {
    const bound = status === optimal ? solver.getObjectiveValue() : Number.NEGATIVE_INFINITY;
    return { ended: status === optimal ? 'optimal' : 'limit', values: undefined, bound, nodes: 0 };
  }
  const hasSolution = solver.info.get('primal_solution_status') === FEASIBLE;
  const bound = Number(solver.info.get('mip_dual_bound'));
  return {
    ended: status === optimal ? 'optimal' : 'limit',
    values: hasSolution ? solver.getSolution().colValue : undefined,
    bound: Number.isFinite(bound) ? bound : Number.NEGATIVE_INFINITY,
    nodes: Number(solver.info.get('mip_node_count')),
  };
}

/** HiGHS' word for "a solution that keeps every row". */
const FEASIBLE = 2;
