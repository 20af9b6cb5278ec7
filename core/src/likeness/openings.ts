// What a figure can still be: the figures of a level merged by their equal openings, role by role, as a tree over
// the steps. Linear in all their steps.
import type { PatternMark, Role } from '../model/document.ts';
import { stepCount } from '../steps/counts.ts';
import { type Figure, findPart } from '../steps/figure.ts';
import { type ComparedStep, comparedSteps, sharedOpening } from './align.ts';

export interface Opening {
  /** How many steps from the start all of these figures share. */
  readonly depth: number;
  /** As the first of them is written: the count, and the step that was added last. */
  readonly label: string;
  readonly figures: readonly Figure[];
  /** The count on which they part, by which a signal must have come; undefined where they do not. */
  readonly by?: string;
  /** Where they part; empty for a figure by itself, or for figures that are equal to the end. */
  readonly branches: readonly Opening[];
}

/** The tree of one role: its root is before the first step. Figures without that role are left out. */
export function openingTree(figures: readonly Figure[], role: Role): Opening {
  const readings = figures.flatMap(figure => {
    const part = findPart(figure, role);
    const steps = part ? comparedSteps(figure, part) : [];
    const labels = part?.steps.map((_, index) => stepCount(figure, part, index)) ?? [];
    return steps.length > 0 ? [{ figure, steps, labels }] : [];
  });
  return grow(readings, 0, '');
}

interface Reading {
  readonly figure: Figure;
  readonly steps: readonly ComparedStep[];
  readonly labels: readonly string[];
}

function grow(readings: readonly Reading[], depth: number, label: string): Opening {
  let shared = depth;
  while (readings.length > 1 && branchesAt(readings, shared).length === 1 && everyHas(readings, shared))
    shared += 1;
  const last = shared === depth ? label : (readings[0]?.labels[shared - 1] ?? label);
  const branches = readings.length > 1 ? branchesAt(readings, shared) : [];
  const isEnd =
    branches.length === 1 && !everyHas(readings, shared) && branches[0]?.length === readings.length;
  return {
    depth: readings.length === 1 ? (readings[0]?.steps.length ?? 0) : shared,
    label: readings.length === 1 ? (readings[0]?.labels.at(-1) ?? label) : last,
    figures: readings.map(({ figure }) => figure),
    ...(branches.length > 0 && !isEnd && { by: partingCount(readings, shared) }),
    branches: isEnd ? [] : branches.map(branch => grow(branch, shared + 1, branch[0]?.labels[shared] ?? '')),
  };
}

/** As written by a figure that goes on; one that has ended there says nothing of the count. */
function partingCount(readings: readonly Reading[], index: number): string {
  return readings.find(({ labels }) => labels[index])?.labels[index] ?? '';
}

function everyHas(readings: readonly Reading[], index: number): boolean {
  return readings.every(({ steps }) => index < steps.length);
}

/** The readings that go on alike at a step, in the order in which they come; those that end there are one. */
function branchesAt(readings: readonly Reading[], index: number): readonly (readonly Reading[])[] {
  const groups = new Map<string, Reading[]>();
  for (const reading of readings) {
    const step = reading.steps[index];
    const key = step ? JSON.stringify(step) : 'end';
    groups.set(key, [...(groups.get(key) ?? []), reading]);
  }
  return [...groups.values()];
}

/** Steps from the start that two figures share in every role. */
export function sharedSteps(a: Figure, b: Figure): number {
  const counts = a.parts.map(part => {
    const other = findPart(b, part.role);
    if (!other) return 0;
    return sharedOpening(comparedSteps(a, part), comparedSteps(b, other));
  });
  return counts.length === 0 ? 0 : Math.min(...counts);
}

/** The signals of a figure that have come by a step, counted from 0: those that still tell which figure it is. */
export function signalsBy({ pattern, parts }: Figure, step: number): readonly PatternMark[] {
  const last = parts[0]?.steps[step]?.time?.event ?? Number.POSITIVE_INFINITY;
  return (pattern.marks ?? []).filter(({ kind, event }) => kind === 'signal' && (event ?? 0) <= last);
}
