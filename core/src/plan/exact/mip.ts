// A mixed-integer linear model as plain arrays, and what is asked of whoever solves one. The solver itself is
// passed in: the core loads none.

export interface MipModel {
  readonly columnCount: number;
  readonly rowCount: number;
  /** Added to every objective value. */
  readonly offset: number;
  readonly cost: Float64Array;
  readonly lower: Float64Array;
  readonly upper: Float64Array;
  /** 1 for a column that must be whole. */
  readonly whole: Int32Array;
  readonly rowLower: Float64Array;
  readonly rowUpper: Float64Array;
  /** Row-wise: the entries of row r are those from starts[r] up to starts[r + 1]. */
  readonly starts: Int32Array;
  readonly columns: Int32Array;
  readonly factors: Float64Array;
}

export interface MipLimits {
  readonly seconds?: number;
  /** Nodes of the search tree, for a run that must repeat exactly. */
  readonly nodes?: number;
  /** Two solutions whose costs are nearer than this are the same; without it a hundredth of a point tells them apart. */
  readonly gap?: number;
  /** A solution to begin with: a value for every column. */
  readonly start?: Float64Array;
  /** Solve without the wish for whole numbers: a bound, quickly. */
  readonly relaxed?: boolean;
  /** Called for each better solution, while the solver still runs. */
  readonly onBetter?: (values: Float64Array) => void;
  /** Called now and then with what no solution can go below. */
  readonly onBound?: (bound: number) => void;
  readonly shouldStop?: () => boolean;
}

export interface MipResult {
  readonly ended: 'optimal' | 'infeasible' | 'limit';
  /** Undefined when no solution was found. */
  readonly values: Float64Array | undefined;
  /** No solution has a lower objective. */
  readonly bound: number;
  readonly nodes: number;
}

export type MipSolver = (model: MipModel, limits: MipLimits) => MipResult;

/** A sum of columns with factors, and a constant. */
export interface Linear {
  readonly constant: number;
  readonly terms: readonly (readonly [column: number, factor: number])[];
}

export const ZERO: Linear = { constant: 0, terms: [] };

/** `factor` times a linear sum. */
export function times(factor: number, { constant, terms }: Linear): Linear {
  return {
    constant: factor * constant,
    terms: terms.map(([column, own]) => [column, factor * own] as const),
  };
}

export function sumOf(parts: readonly Linear[]): Linear {
  return {
    constant: parts.reduce((sum, { constant }) => sum + constant, 0),
    terms: parts.flatMap(({ terms }) => terms),
  };
}

export function minus(a: Linear, b: Linear): Linear {
  return sumOf([a, times(-1, b)]);
}

interface Column {
  readonly lower: number;
  readonly upper: number;
  readonly isWhole: boolean;
  /** Its value in a plan, from the values of the columns before it. */
  readonly value: (values: Float64Array) => number;
}

/** Builds a model column by column and row by row; each column knows its value in a given plan. */
export class MipBuilder {
  private readonly columns: Column[] = [];
  private readonly rows: { lower: number; upper: number; terms: Map<number, number> }[] = [];
  private objective = new Map<number, number>();
  private offset = 0;

  column(
    lower: number,
    upper: number,
    value: (values: Float64Array) => number,
    kind: 'whole' | 'any' = 'any',
  ): Linear {
    this.columns.push({ lower, upper, isWhole: kind === 'whole', value });
    return { constant: 0, terms: [[this.columns.length - 1, 1]] };
  }

  /** lower ≤ sum ≤ upper; a row of constants alone is left to the caller and not kept. */
  row(sum: Linear, lower: number, upper: number): void {
    const terms = merged(sum);
    if (terms.size === 0) return;
    this.rows.push({ lower: lower - sum.constant, upper: upper - sum.constant, terms });
  }

  /** a ≤ b */
  atMost(a: Linear, b: Linear): void {
    this.row(minus(a, b), Number.NEGATIVE_INFINITY, 0);
  }

  pay(sum: Linear): void {
    this.offset += sum.constant;
    for (const [column, factor] of sum.terms)
      this.objective.set(column, (this.objective.get(column) ?? 0) + factor);
  }

  /** The values of all columns in the plan that the columns' own functions speak of. */
  start(): Float64Array {
    const values = new Float64Array(this.columns.length);
    for (const [index, { value }] of this.columns.entries()) values[index] = value(values);
    return values;
  }

  build(): MipModel {
    const { columns, rows } = this;
    const entries = rows.flatMap(({ terms }) => [...terms]);
    const starts = new Int32Array(rows.length + 1);
    for (const [index, { terms }] of rows.entries()) starts[index + 1] = (starts[index] ?? 0) + terms.size;
    return {
      columnCount: columns.length,
      rowCount: rows.length,
      offset: this.offset,
      cost: Float64Array.from(columns, (_, index) => this.objective.get(index) ?? 0),
      lower: Float64Array.from(columns, ({ lower }) => lower),
      upper: Float64Array.from(columns, ({ upper }) => upper),
      whole: Int32Array.from(columns, ({ isWhole }) => Number(isWhole)),
      rowLower: Float64Array.from(rows, ({ lower }) => lower),
      rowUpper: Float64Array.from(rows, ({ upper }) => upper),
      starts,
      columns: Int32Array.from(entries, ([column]) => column),
      factors: Float64Array.from(entries, ([, factor]) => factor),
    };
  }
}

/** What a sum is worth, given the columns' values. */
export function worthOf({ constant, terms }: Linear, values: Float64Array): number {
  return terms.reduce((sum, [column, factor]) => sum + factor * (values[column] ?? 0), constant);
}

function merged({ terms }: Linear): Map<number, number> {
  const byColumn = new Map<number, number>();
  for (const [column, factor] of terms) byColumn.set(column, (byColumn.get(column) ?? 0) + factor);
  for (const [column, factor] of byColumn) if (factor === 0) byColumn.delete(column);
  return byColumn;
}
