import { cellKey, standingMarks } from '../class/standing.ts';
import type { Layer, Mark, Role } from '../model/document.ts';
import { averageMark } from './average-mark.ts';
import { type Criterion, layersFor } from './criteria.ts';

export interface Candidate {
  readonly student: string;
  readonly role: Role;
}

export interface FailedLayer {
  readonly pattern: string;
  readonly layer: Layer;
}

export interface Readiness extends Candidate {
  readonly result: 'ready' | 'nearly' | 'repeat' | 'unseen';
  /** Figures every asked layer of which is at 2 or above. */
  readonly passed: readonly string[];
  /** All others, in the order of the check. */
  readonly open: readonly string[];
  /**
   * Of a nearly ready one each failing layer of what would make them ready, gates first, and after it those of all else
   * that is open; of one who repeats each failing layer, gates first; else empty.
   */
  readonly missing: readonly FailedLayer[];
  /** Of a nearly ready one: so many of the figures of `missing`, the first ones, would do. 0 for all others. */
  readonly enough: number;
  /** Cells asked, and those that carry a mark. */
  readonly asked: number;
  readonly marked: number;
}

/** A mark of 2 is without prompting. */
const PASS_MARK = 2;
/** The share of the figures that are no gates that has to be passed. */
export const PASS_SHARE = 0.8;
/** So many figures more would make somebody ready who is nearly so. */
const NEARLY = 2;
const EPSILON = 1e-9;

/**
 * How ready each candidate is. A figure is passed when the markers' average of every asked layer is 2 or above; a level when
 * all its gates are, and `share` of the others (all, where there are no others). Under half of the cells marked: unseen.
 * Nearly: passing at most two more figures would make ready, the gates, then those of the others that lack the least.
 */
export function readiness(
  criteria: readonly Criterion[],
  marks: readonly Mark[],
  candidates: readonly Candidate[],
  share: number = PASS_SHARE,
): readonly Readiness[] {
  const standing = standingMarks(marks);
  return candidates.map(candidate => {
    const seen = criteria.map(criterion => seenOf(criterion, candidate, standing));
    const [asked, marked] = [total(seen, ({ asked: cells }) => cells), total(seen, one => one.marked)];
    const passed = seen.filter(({ failing }) => failing.length === 0);
    const open = seen.filter(one => one.failing.length > 0);
    const idsOf = (of: readonly Seen[]) => of.map(({ pattern }) => pattern);
    const told = { ...candidate, passed: idsOf(passed), open: idsOf(open), enough: 0, asked, marked };
    if (asked === 0 || marked * 2 < asked) return { ...told, result: 'unseen', missing: [] };
    const gates = seen.filter(({ gate, failing }) => gate && failing.length > 0);
    const others = seen.filter(({ gate }) => !gate);
    const short = shortOf(others, share);
    const failing = others.filter(one => one.failing.length > 0);
    if (gates.length === 0 && short === 0) return { ...told, result: 'ready', missing: [] };
    if (gates.length + short <= NEARLY) {
      const nearest = failing.toSorted((a, b) => a.failing.length - b.failing.length || b.sum - a.sum);
      const chosen = new Set(nearest.slice(0, short));
      return {
        ...told,
        result: 'nearly',
        enough: gates.length + short,
        missing: layersOf([
          ...gates,
          ...failing.filter(one => chosen.has(one)),
          ...failing.filter(one => !chosen.has(one)),
        ]),
      };
    }
    return { ...told, result: 'repeat', missing: layersOf([...gates, ...failing]) };
  });
}

/** What was passed in this check and not in an earlier one, and the other way round. */
export function movedSince(
  before: Pick<Readiness, 'passed'>,
  now: Pick<Readiness, 'passed' | 'open'>,
): { readonly gained: readonly string[]; readonly lost: readonly string[] } {
  return {
    gained: now.passed.filter(id => !before.passed.includes(id)),
    lost: now.open.filter(id => before.passed.includes(id)),
  };
}

interface Seen {
  readonly pattern: string;
  readonly gate: boolean;
  readonly failing: readonly Layer[];
  readonly asked: number;
  readonly marked: number;
  /** Of all averages. */
  readonly sum: number;
}

function seenOf(
  criterion: Criterion,
  candidate: Candidate,
  standing: ReturnType<typeof standingMarks>,
): Seen {
  const { pattern, gate } = criterion;
  const layers = layersFor(criterion, candidate.role).map(layer => ({
    layer,
    average: averageMark(standing.get(cellKey({ ...candidate, pattern, layer }))),
  }));
  return {
    pattern,
    gate,
    failing: layers.flatMap(({ layer, average = 0 }) => (average < PASS_MARK - EPSILON ? [layer] : [])),
    asked: layers.length,
    marked: layers.filter(({ average }) => average !== undefined).length,
    sum: total(layers, ({ average = 0 }) => average),
  };
}

/** How many more of these would have to be passed. */
function shortOf(others: readonly Seen[], share: number): number {
  const passed = others.filter(({ failing }) => failing.length === 0).length;
  return Math.max(0, Math.ceil(share * others.length - EPSILON) - passed);
}

function layersOf(seen: readonly Seen[]): readonly FailedLayer[] {
  return seen.flatMap(({ pattern, failing }) => failing.map(layer => ({ pattern, layer })));
}

function total<Entry>(entries: readonly Entry[], of: (entry: Entry) => number): number {
  return entries.reduce((sum, entry) => sum + of(entry), 0);
}
