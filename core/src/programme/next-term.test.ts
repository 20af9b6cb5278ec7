import { expect, test } from 'vitest';
import { nextTerm } from './next-term.ts';

const level = (id: string, order: number, dance = 'quay') => ({ id, dance, name: id, order });
const LEVELS = [level('two', 2), level('one', 1), level('other', 1, 'tap')];
const results = (role: 'lead' | 'follow', ...said: readonly ('ready' | 'nearly' | 'repeat' | 'unseen')[]) =>
  said.map(result => ({ role, result }));

test('who is ready goes one level up, who repeats or is nearly there comes again, who was not seen is told', () => {
  const classes = [
    {
      level: 'one',
      results: [...results('lead', 'ready', 'ready', 'repeat'), ...results('follow', 'ready', 'nearly')],
    },
    { level: 'one', results: results('follow', 'ready', 'unseen') },
    { level: 'two', results: results('lead', 'ready', 'repeat') },
    { level: undefined, results: results('lead', 'ready') },
  ];
  expect(nextTerm(LEVELS, classes)).toEqual([
    { level: 'one', could: { lead: 1, follow: 1, solo: 0 }, ready: 0, again: 2, unseen: 1 },
    { level: 'two', could: { lead: 3, follow: 2, solo: 0 }, ready: 4, again: 1, unseen: 0 },
  ]);
});

test('without checks nothing is said', () => {
  expect(nextTerm(LEVELS, [])).toEqual([]);
});
