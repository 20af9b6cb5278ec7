import type { Combined, CombineRequest, EveningCombination } from '@map-step/core';
import { useMemo, useState } from 'react';
import { itemsFrom } from './items.ts';
import type { Combining } from './use-combining.ts';
import type { Danced } from './use-hands.ts';

export interface Answers {
  /** What is looked at: one that was found, or what is proposed for the evening. */
  readonly shown: Danced | undefined;
  readonly isProposal: boolean;
  /** Of those that were found, from 0. */
  readonly index: number;
  readonly count: number;
  show(index: number): void;
  next(): void;
}

/** The sequences that were found, one of them looked at. */
export function useAnswers(
  answer: Combining['answer'],
  proposed: EveningCombination | null | undefined,
): Answers {
  const found = useMemo(() => (answer ? foundOf(answer) : []), [answer]);
  const proposal = useMemo(() => (proposed ? proposedDance(proposed) : undefined), [proposed]);
  const [looked, look] = useState<{ readonly of: Combining['answer']; readonly index: number }>();
  const index = looked?.of === answer ? (looked?.index ?? 0) : 0;
  const show = (next: number) => look({ of: answer, index: next });
  return {
    ...{ index, count: found.length, show, next: () => show((index + 1) % found.length) },
    shown: answer ? found[index] : proposal,
    isProposal: answer === undefined,
  };
}

function foundOf({ combined, request }: { combined: Combined; request: CombineRequest }): readonly Danced[] {
  const { hold, feet, facing } = request.start;
  const start = {
    ...(hold !== '' && { hold }),
    ...Object.fromEntries(Object.entries(feet).filter(([, foot]) => foot === 'L' || foot === 'R')),
    ...(facing !== 0 && { facing }),
  };
  const end = typeof request.end === 'string' ? request.end : 'free';
  return combined.sequences.map(({ patterns }) => ({ start, steps: itemsFrom(patterns), end }));
}

/** What is proposed for an evening as it is danced. */
export function proposedDance({ start, found }: EveningCombination): Danced {
  return { start, steps: itemsFrom(found.patterns), end: 'same' };
}
