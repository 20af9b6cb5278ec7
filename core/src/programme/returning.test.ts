import { expect, test } from 'vitest';
import type { Readiness } from '../check/readiness.ts';
import { returningTo } from './returning.ts';

const level = (id: string, order: number, dance = 'quay') => ({ id, dance, name: id, order });
const LEVELS = [level('three', 3), level('one', 1), level('two', 2), level('tap', 1, 'tap')];
const told = (student: string, result: Readiness['result']): Readiness => ({
  ...{ student, role: 'lead', result, passed: [], open: [], missing: [], enough: 0, asked: 4, marked: 4 },
});
const said = (section: string, of: string, date: string, ...results: readonly Readiness[]) => ({
  ...{ section, level: of, date, results },
});
const names = (of: string, classes: Parameters<typeof returningTo>[2]) =>
  returningTo(of, LEVELS, classes).map(({ student, why, section }) => `${student} ${why} ${section}`);

test('who is ready comes from the level below, who repeats comes again, who is nearly ready has a choice', () => {
  const classes = [
    said('a', 'one', '2026-01-01', told('ida', 'nearly'), told('jo', 'repeat'), told('kit', 'ready')),
    said('b', 'two', '2026-01-02', told('lu', 'ready'), told('mo', 'nearly'), told('no', 'repeat')),
    said('c', 'tap', '2026-01-02', told('pip', 'ready')),
  ];
  expect(names('two', classes)).toEqual(['kit ready a', 'mo again b', 'no again b', 'ida nearly a']);
  expect(names('one', classes)).toEqual(['ida again a', 'jo again a']);
  expect(names('three', classes)).toEqual(['lu ready b', 'mo nearly b']);
});

test('the newest check of a student counts, and one in which too little was marked says nothing', () => {
  const classes = [
    said('old', 'one', '2025-06-01', told('ida', 'repeat'), told('jo', 'ready')),
    said('new', 'one', '2026-01-01', told('ida', 'ready'), told('jo', 'unseen')),
    said('up', 'two', '2026-03-01', told('kit', 'ready')),
    said('down', 'one', '2026-01-01', told('kit', 'ready')),
  ];
  expect(names('two', classes)).toEqual(['ida ready new', 'jo ready old']);
  expect(returningTo('gone', LEVELS, classes)).toEqual([]);
});
