import { cellKey, standingMarks } from '../class/standing.ts';
import type { Layer, Mark } from '../model/document.ts';
import { averageMark } from './average-mark.ts';
import { type Criterion, layersFor } from './criteria.ts';
import type { Candidate, Readiness } from './readiness.ts';

export interface ItemResult {
  readonly pattern: string;
  /** Students who were looked at, and those who passed. */
  readonly asked: number;
  readonly passed: number;
}

export interface LayerResult extends ItemResult {
  readonly layer: Layer;
  /** Students of whom somebody marked it. */
  readonly marked: number;
}

/** Under this share a figure goes to what the level did not teach. */
export const TAUGHT_SHARE = 0.6;
const PASS_MARK = 2;
const EPSILON = 1e-9;

/** How many passed each figure, in the order of the check; whom nobody marked is not counted. */
export function itemResults(
  criteria: readonly Criterion[],
  ready: readonly Pick<Readiness, 'passed' | 'marked'>[],
): readonly ItemResult[] {
  const seen = ready.filter(({ marked }) => marked > 0);
  return criteria.map(({ pattern }) => ({
    pattern,
    asked: seen.length,
    passed: seen.filter(({ passed }) => passed.includes(pattern)).length,
  }));
}

/** The figures that under 60 % of those who were looked at passed, the worst first. */
export function notTaught(results: readonly ItemResult[]): readonly ItemResult[] {
  const share = ({ passed, asked }: ItemResult) => passed / asked;
  return results
    .filter(result => result.asked > 0 && share(result) < TAUGHT_SHARE - EPSILON)
    .sort((a, b) => share(a) - share(b));
}

/** How many are at 2 or above in each layer of each figure. */
export function layerResults(
  criteria: readonly Criterion[],
  marks: readonly Mark[],
  candidates: readonly Candidate[],
): readonly LayerResult[] {
  const standing = standingMarks(marks);
  return criteria.flatMap(criterion =>
    criterion.layers.map(layer => {
      const { pattern } = criterion;
      const asked = candidates.filter(({ role }) => layersFor(criterion, role).includes(layer));
      const averages = asked.flatMap(
        candidate => averageMark(standing.get(cellKey({ ...candidate, pattern, layer }))) ?? [],
      );
      const passed = averages.filter(average => average >= PASS_MARK - EPSILON).length;
      return { pattern, layer, asked: asked.length, marked: averages.length, passed };
    }),
  );
}
