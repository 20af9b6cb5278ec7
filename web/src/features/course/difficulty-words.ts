import { DIFFICULTY_WEIGHTS, type Difficulty, type DifficultyTerm, type Pattern } from '@map-step/core';

const TERM_WORDS: Readonly<Record<DifficultyTerm, string>> = {
  depth: 'builds on',
  own: 'own steps',
  holds: 'hold changes',
  turn: 'half turns',
  quick: 'quick feet',
  novelty: 'novelty',
  strain: 'strain on the partner',
};

const TERMS: readonly DifficultyTerm[] = ['depth', 'own', 'holds', 'turn', 'quick', 'novelty', 'strain'];

/** "by the director’s word: heavy (computed 9.1: builds on 3.0)"; without that word what makes it hard alone. */
export function ratedInWords(difficulty: Difficulty, { difficulty: word }: Pattern): string {
  const terms = difficultyInWords(difficulty);
  return word
    ? `by the director’s word: ${word.why} (computed ${difficulty.computed.toFixed(1)}: ${terms})`
    : terms;
}

/** "builds on 3.0 · half turns 2.0": what makes a figure hard, in points, without what counts nothing. */
export function difficultyInWords({ terms }: Difficulty): string {
  return TERMS.map(term => [term, terms[term] * DIFFICULTY_WEIGHTS[term]] as const)
    .filter(([, points]) => points >= 0.05)
    .map(([term, points]) => `${TERM_WORDS[term]} ${points.toFixed(1)}`)
    .join(' · ');
}

/** "among the last by difficulty (lesson 7)". */
export function placeInWords(place: number, lessons: number): string {
  const share = lessons <= 1 ? 0 : (place - 1) / (lessons - 1);
  const where = share < 1 / 3 ? 'among the first' : share > 2 / 3 ? 'among the last' : 'in the middle';
  return `${where} by difficulty (lesson ${place})`;
}
