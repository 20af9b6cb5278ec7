// Which of the figures that a class knows a new one is most like, and of which it is made.
import type { Library } from '../library/library.ts';
import type { Role } from '../model/document.ts';
import { needsOf } from '../model/needs.ts';
import type { Figure } from '../steps/figure.ts';
import { entryHolds } from '../steps/holds.ts';
import { stepInWords } from '../steps/words.ts';
import { compareFigures } from './compare.ts';

export interface Shared {
  readonly other: Figure;
  /** Of each part of the figure told the indexes of the steps that are shared. */
  readonly steps: ReadonlyMap<Role, ReadonlySet<number>>;
  /** Those of them that turn otherwise. */
  readonly turning: ReadonlyMap<Role, ReadonlySet<number>>;
  /** Of all steps of the figure told. */
  readonly share: number;
}

/** More than this share of a figure's steps makes it like another. */
export const LEAST_SHARE = 0.5;

/** The figures of the same dance among these ids, the newest, which is last, first. */
export function figuresBeside(
  figure: Figure,
  ids: readonly string[],
  { readings }: Pick<Library, 'readings'>,
): readonly Figure[] {
  return [...new Set(ids)].reverse().flatMap(id => {
    const other = readings.get(id)?.figure;
    return other && id !== figure.pattern.id && other.dance.id === figure.dance.id ? [other] : [];
  });
}

/** The one of `others` that shares most steps, up to a difference in turn or length; of several the nearest, then the first. */
export function mostShared(figure: Figure, others: readonly Figure[]): Shared | undefined {
  let best: Shared | undefined;
  const count = figure.parts.reduce((sum, { steps }) => sum + steps.length, 0);
  for (const other of nearestFirst(figure, others)) {
    const { roles } = compareFigures(figure, other);
    const indexesOf = (kinds: readonly string[]) =>
      new Map(
        figure.parts.map(({ role }) => {
          const pairs = roles[role]?.pairs ?? [];
          const own = pairs.flatMap(([index, , kind]) =>
            index !== null && kinds.includes(kind) ? [index] : [],
          );
          return [role, new Set(own)] as const;
        }),
      );
    const [steps, longer] = [indexesOf(['same', 'turn', 'length']), countOf(indexesOf(['length']))];
    const shared = countOf(steps);
    // At another pace throughout it is another figure.
    if (longer > shared / 2) continue;
    const share = count === 0 ? 0 : shared / count;
    const turning = indexesOf(['turn']);
    const isNearer = best?.share === share && countOf(turning) < countOf(best.turning);
    if (!best || share > best.share || isNearer) best = { other, steps, turning, share };
  }
  return best;
}

function countOf(steps: ReadonlyMap<Role, ReadonlySet<number>>): number {
  return [...steps.values()].reduce((sum, { size }) => sum + size, 0);
}

/** Those that a figure needs or looks like, then those as long as it, then those in a hold that it begins in. */
function nearestFirst(figure: Figure, others: readonly Figure[]): readonly Figure[] {
  const own = entryHolds(figure.pattern);
  const distance = (other: Figure) =>
    Number(!isNear(figure, other)) * 4 +
    Number(other.beats !== figure.beats) * 2 +
    Number(!entryHolds(other.pattern).some(hold => own.includes(hold)));
  return others.toSorted((a, b) => distance(a) - distance(b));
}

/** True for what a figure needs or looks like. */
export function isNear({ pattern }: Figure, other: Figure): boolean {
  return [...needsOf(pattern), ...(pattern.lookalikes ?? [])].includes(other.pattern.id);
}

/** The figures that a longer one is made of, whole and one after the other; none where it is not. */
export function joinedFrom(figure: Figure, others: readonly Figure[]): readonly Figure[] {
  const own = danceSteps(figure);
  const pieces = nearestFirst(figure, others).map(other => ({ other, steps: danceSteps(other) }));
  const from = (at: number): readonly Figure[] | undefined => {
    if (at === own.length) return [];
    for (const { other, steps } of pieces) {
      if (
        steps.length === 0 ||
        steps.length === own.length ||
        !steps.every((step, index) => step === own[at + index])
      )
        continue;
      const rest = from(at + steps.length);
      if (rest) return [other, ...rest];
    }
    return undefined;
  };
  return own.length === 0 ? [] : (from(0) ?? []);
}

/** What everybody does in each event of a figure, and how long it is; empty for one without timing. */
function danceSteps({ parts, beats }: Figure): readonly string[] {
  const events = parts[0]?.rhythm.events ?? [];
  if (beats === null) return [];
  return events.map(({ length }, event) =>
    [
      length,
      ...parts.map(({ role, steps }) => {
        const step = steps.find(({ time }) => time?.event === event)?.step;
        return step ? `${role} ${stepInWords(step)}` : role;
      }),
    ].join(),
  );
}
