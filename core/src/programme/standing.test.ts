import { expect, test } from 'vitest';
import { log } from '../test/log.ts';
import { classStanding } from './standing.ts';

const dates = ['2026-03-02', '2026-03-09', '2026-03-16', '2026-03-23'];
const plan = { basic: 1, wrap: 2, turn: 3 };
const recap = (lesson: number, isPublished = true) => ({ lesson, isPublished });

test('a class on the evening of its third lesson: what is not written, what it lacks, what it has more', () => {
  const logs = [log(1, 'basic'), log(1, 'turn'), log(2, 'wrap', 'not-reached')];
  const facts = { dates, logs, recaps: [recap(1), recap(2, false)], plan };
  expect(classStanding(facts, '2026-03-16')).toEqual({
    today: 3,
    next: 3,
    unlogged: [],
    unrecapped: [2],
    behind: ['wrap'],
    ahead: ['turn'],
  });
});

test('the evening before: tonight is not yet to be written about', () => {
  const standing = classStanding({ dates, logs: [log(1, 'basic')], recaps: [recap(1)], plan }, '2026-03-08');
  expect(standing).toEqual({ tomorrow: 2, next: 2, unlogged: [], unrecapped: [], behind: [], ahead: [] });
});

test('after the last evening nothing comes; what was never logged is named', () => {
  const { next, unlogged } = classStanding({ dates, logs: [], recaps: [], plan }, '2026-04-01');
  expect([next, unlogged]).toEqual([undefined, [1, 2, 3, 4]]);
});
