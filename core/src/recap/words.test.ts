import { expect, test } from 'vitest';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { allOf, dayInWords, sentenceOf, withinSentence } from './words.ts';

test('one, two and three things in a row', () => {
  expect([allOf(['A']), allOf(['A', 'B']), allOf(['A', 'B', 'C'])]).toEqual(['A', 'A and B', 'A, B and C']);
  // Names with an “and” or a comma of their own are told apart all the same.
  expect(allOf(['A', 'B and C', 'D'])).toBe('A, B and C, and D');
  expect(allOf(['A', 'Turn, double', 'D (slow)'])).toBe('A; Turn, double; and D (slow)');
});

test.each([
  ['2026-03-16', '2026-03-09', 'next Monday, 16 March'],
  // Over a holiday, over the end of winter time, and on another day of the week.
  ['2026-03-30', '2026-03-09', 'on Monday, 30 March, in three weeks'],
  ['2026-04-06', '2026-03-30', 'next Monday, 6 April'],
  ['2026-03-17', '2026-03-09', 'on Tuesday, 17 March'],
])('%s, said on %s, is %s', (date, from, words) => {
  expect(dayInWords(date, from)).toBe(words);
});

test('a text from outside ends as a sentence, and begins small within one', () => {
  expect([sentenceOf('Half the step'), sentenceOf('Ready?'), sentenceOf(' two\nlines. ')]).toEqual([
    'Half the step.',
    'Ready?',
    'two lines.',
  ]);
  expect([withinSentence('Too wide.'), withinSentence('R first'), withinSentence('L: out')]).toEqual([
    'too wide',
    'R first',
    'L: out',
  ]);
});

test('no sign of a text becomes markup', () => {
  expect(escapeMarkdown('a *b* [c](d) <i> `e` _f_ | g\\')).toBe(
    'a \\*b\\* \\[c\\](d) \\<i\\> \\`e\\` \\_f\\_ \\| g\\\\',
  );
  expect([
    escapeMarkdown('# one'),
    escapeMarkdown('1. two'),
    escapeMarkdown('- three'),
    escapeMarkdown('-three'),
  ]).toEqual(['\\# one', '1\\. two', '\\- three', '-three']);
});
