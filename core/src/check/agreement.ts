// Do two markers mean the same by the same mark? Quadratic-weighted kappa (J. Cohen, Psychological Bulletin 70, 1968) over
// the cells that both marked, and the mean difference with a percentile bootstrap over students (B. Efron, 1979).

import { standingMarks } from '../class/standing.ts';
import type { Layer, Mark } from '../model/document.ts';
import { createRandom } from '../model/random.ts';

export interface Agreement {
  readonly a: string;
  readonly b: string;
  /** Cells that both marked. */
  readonly cells: number;
  /** Students of these. */
  readonly students: number;
  readonly kappa: number;
  /** The mean of a's marks less b's. */
  readonly difference: number;
  /** Ends of the 95 % interval of the difference; null under five shared students. */
  readonly low: number | null;
  readonly high: number | null;
}

/** Two marks of one cell. */
export interface SharedCell {
  readonly student: string;
  readonly pattern: string;
  readonly layer: Layer;
  readonly a: number;
  readonly b: number;
}

const RESAMPLES = 2000;
const FEWEST_STUDENTS = 5;
const TAIL = 0.025;
/** A difference within this is none. */
export const TOLERANCE = 0.25;

/** Each pair of markers who share cells, by name; the same seed gives the same intervals. */
export function markerAgreement(marks: readonly Mark[], seed = 1): readonly Agreement[] {
  const pairs = new Map<string, { a: string; b: string; cells: SharedCell[] }>();
  for (const own of standingMarks(marks).values()) {
    const inCell = [...own.values()].sort((one, other) => (one.by < other.by ? -1 : 1));
    for (const [index, one] of inCell.entries())
      for (const other of inCell.slice(index + 1)) {
        const key = `${one.by} ${other.by}`;
        const pair = pairs.get(key) ?? { a: one.by, b: other.by, cells: [] };
        const { student, pattern, layer } = one;
        pair.cells.push({ student, pattern, layer, a: one.mark, b: other.mark });
        pairs.set(key, pair);
      }
  }
  return [...pairs.entries()]
    .sort(([one], [other]) => (one < other ? -1 : 1))
    .map(([, { a, b, cells }]) => ({ a, b, ...agreementOf(cells, seed) }));
}

/** True where an interval lies wholly outside the tolerance: these two should look at the same students together. */
export function needsCalibration({ low, high }: Pick<Agreement, 'low' | 'high'>): boolean {
  return low !== null && high !== null && (low > TOLERANCE || high < -TOLERANCE);
}

function agreementOf(cells: readonly SharedCell[], seed: number): Omit<Agreement, 'a' | 'b'> {
  const byStudent = [...groupDifferences(cells).values()];
  const difference = meanOf(byStudent);
  const [low, high] =
    byStudent.length < FEWEST_STUDENTS ? [null, null] : bootstrap(byStudent, createRandom(seed));
  return {
    cells: cells.length,
    students: byStudent.length,
    kappa: weightedKappa(cells),
    difference,
    low,
    high,
  };
}

/**
 * Quadratic-weighted kappa of pairs of marks: 1 less the mean squared difference over that which chance would give by
 * both marginals. Equal to 2·cov / (var a + var b + (mean a − mean b)²), population moments (J. Fleiss and J. Cohen,
 * Educational and Psychological Measurement 33, 1973). 1 when both give all the same mark; NaN for no pairs.
 */
export function weightedKappa(pairs: readonly Pick<SharedCell, 'a' | 'b'>[]): number {
  const n = pairs.length;
  let observed = 0;
  for (const { a, b } of pairs) observed += (a - b) ** 2;
  let expected = 0;
  const times = timesOf(pairs);
  for (const { a } of pairs) for (const [b, count] of times) expected += count * (a - b) ** 2;
  return expected === 0 ? 1 : 1 - observed / (expected / n);
}

/** How often b gave each mark. */
function timesOf(pairs: readonly Pick<SharedCell, 'b'>[]): ReadonlyMap<number, number> {
  const times = new Map<number, number>();
  for (const { b } of pairs) times.set(b, (times.get(b) ?? 0) + 1);
  return times;
}

interface Differences {
  readonly sum: number;
  readonly count: number;
}

function groupDifferences(cells: readonly SharedCell[]): ReadonlyMap<string, Differences> {
  const groups = new Map<string, Differences>();
  for (const { student, a, b } of cells) {
    const { sum, count } = groups.get(student) ?? { sum: 0, count: 0 };
    groups.set(student, { sum: sum + a - b, count: count + 1 });
  }
  return groups;
}

function meanOf(groups: readonly Differences[]): number {
  const count = groups.reduce((all, group) => all + group.count, 0);
  return groups.reduce((all, group) => all + group.sum, 0) / count;
}

/** Students are drawn again and again; their cells come with them. */
function bootstrap(groups: readonly Differences[], random: () => number): [number, number] {
  const means = Array.from({ length: RESAMPLES }, () => {
    let [sum, count] = [0, 0];
    for (let draw = 0; draw < groups.length; draw += 1) {
      const group = groups[Math.floor(random() * groups.length)];
      sum += group?.sum ?? 0;
      count += group?.count ?? 0;
    }
    return sum / count;
  }).sort((a, b) => a - b);
  return [quantile(means, TAIL), quantile(means, 1 - TAIL)];
}

/** Between the two nearest of sorted values, in proportion. */
function quantile(sorted: readonly number[], share: number): number {
  const at = share * (sorted.length - 1);
  const [below = 0, above = below] = [sorted[Math.floor(at)], sorted[Math.ceil(at)]];
  return below + (above - below) * (at - Math.floor(at));
}
