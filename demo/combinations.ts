import type { Combination } from '@map-step/core';

const danced = (...patterns: string[]) => patterns.map(pattern => ({ pattern }));

/** What is danced together in an evening of Hustle 1: three eights. */
export const combinations: Combination[] = [
  {
    ...{ id: 'round-the-loft', name: 'Round the loft', dance: 'hustle', course: 'hustle-1', lesson: 7 },
    start: { hold: 'two-hand', lead: 'L' },
    steps: [
      { pattern: 'side-basic', times: 2 },
      ...danced('left-turn', 'right-turn', 'left-turn', 'right-turn'),
      { pattern: 'leaders-turn', note: 'Both hands again on 3.' },
      { pattern: 'forward-back-basic' },
    ],
    end: 'same',
  },
];
