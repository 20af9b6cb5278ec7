import { type Figure, figureLinks, figureName, followsItself } from '@map-step/core';
import { useMemo, useState } from 'react';
import type { Option } from '../../../ui/choice.tsx';
import { useCourse } from '../../course/course-context.ts';

/** Alone, over again, or after a figure by its id. */
export type CameFrom = 'alone' | 'again' | (string & {});

interface Words {
  readonly alone: string;
  readonly again: string;
}

/** After what a figure is looked at: by itself, for the second time, or after one that leads into it. */
export function useCameFrom(figure: Figure, words: Words) {
  const { library } = useCourse();
  const [chosen, choose] = useState<CameFrom>('alone');
  const { id } = figure.pattern;
  const among = useMemo((): readonly Option<CameFrom>[] => {
    const before = figureLinks(library, figure).before.filter(other => other !== id);
    return [
      { value: 'alone', words: words.alone },
      ...(followsItself(figure) ? [{ value: 'again', words: words.again }] : []),
      ...before.map(other => ({ value: other, words: `after ${figureName(library, other)}` })),
    ];
  }, [library, figure, id, words]);
  const value = among.some(option => option.value === chosen) ? chosen : 'alone';
  const before = value === 'again' ? figure : library.readings.get(value)?.figure;
  return { among, value, choose, before };
}
