import type { WeightClass } from '../model/document.ts';
import type { Step } from './step.ts';

/** Which foot can step next; `any` before anything is known, `both` while the weight is on both feet. */
export type FreeFoot = 'L' | 'R' | 'both' | 'any';

export interface WeightFault {
  readonly step: number;
  readonly code: 'foot-carries-weight' | 'foot-is-free';
  readonly message: string;
}

export interface WeightReading {
  readonly start: FreeFoot;
  readonly end: FreeFoot;
  readonly faults: readonly WeightFault[];
}

const FOOT_NAME = { L: 'left', R: 'right' } as const;

/**
 * Follows the weight through a part. The start foot is the first taking or free-foot step's; a part that
 * begins with both feet, or has neither, starts from any. After a fault reading goes on as if the step had
 * been danced. Steps that could not be read are null and change nothing.
 */
export function readWeight(
  steps: readonly (Step | null)[],
  weightOf: (step: Step) => WeightClass,
): WeightReading {
  const start = startFoot(steps, weightOf);
  const faults: WeightFault[] = [];
  let free = start;
  for (const [index, step] of steps.entries()) {
    if (!step) continue;
    const message = weightFault(step, weightOf(step), free);
    if (message) faults.push({ step: index, ...message });
    free = freeAfter(step, weightOf(step), free);
  }
  return { start, end: free, faults };
}

function otherFoot(foot: 'L' | 'R'): 'L' | 'R' {
  return foot === 'L' ? 'R' : 'L';
}

function startFoot(steps: readonly (Step | null)[], weightOf: (step: Step) => WeightClass): FreeFoot {
  for (const step of steps) {
    if (!step) continue;
    if (step.foot === 'B') return 'any';
    if (weightOf(step) !== 'stays') return step.foot;
  }
  return 'any';
}

function weightFault(step: Step, weight: WeightClass, free: FreeFoot): Omit<WeightFault, 'step'> | undefined {
  if (step.foot === 'B' || step.action === 'wait' || free === 'any' || free === 'both') return undefined;
  const name = FOOT_NAME[step.foot];
  const other = FOOT_NAME[otherFoot(step.foot)];
  if (weight === 'stays')
    return free === step.foot
      ? {
          code: 'foot-is-free',
          message: `the ${name} foot is free: "${step.action}" needs the weight on it; use the ${other} foot`,
        }
      : undefined;
  return free === step.foot
    ? undefined
    : {
        code: 'foot-carries-weight',
        message: `the ${name} foot carries the weight and cannot ${step.action}; use the ${other} foot`,
      };
}

function freeAfter(step: Step, weight: WeightClass, free: FreeFoot): FreeFoot {
  const isShared = step.qualifiers.includes('shared') && weight !== 'none';
  if (step.foot === 'B' || isShared) return 'both';
  if (step.action === 'wait') return free;
  return weight === 'none' ? step.foot : otherFoot(step.foot);
}
