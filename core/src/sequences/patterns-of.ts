import type { Combination } from '../model/document.ts';

/** The ids of all figures that a combination names, each once. */
export function patternsOf({ steps }: Pick<Combination, 'steps'>): string[] {
  const named = steps.flatMap(step =>
    'oneOf' in step ? step.oneOf : [step.pattern, ...(step.last === undefined ? [] : [step.last])],
  );
  return [...new Set(named.filter(id => id !== null))];
}
