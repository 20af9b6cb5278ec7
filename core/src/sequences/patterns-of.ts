import { wholeOf } from '../library/halves.ts';
import type { Combination } from '../model/document.ts';

/** The ids of all figures that a combination names, each once; of a half the whole. */
export function patternsOf({ steps }: Pick<Combination, 'steps'>): string[] {
  const named = steps.flatMap(step =>
    'oneOf' in step ? step.oneOf : [step.pattern, ...(step.last === undefined ? [] : [step.last])],
  );
  return [...new Set(named.flatMap(id => (id === null ? [] : [wholeOf(id)])))];
}
