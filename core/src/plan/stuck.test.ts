import { describe, expect, test } from 'vitest';
import { item, laid, problem } from '../test/plan-problems.ts';
import { judgePlan } from './judge.ts';
import { findOpenings } from './openings.ts';
import { findStuck } from './stuck.ts';

const away = item('away', { out: ['home'] });
const home = item('home', { in: ['away'] });
const given = problem([away, home]);
const told = (placed: Record<string, number>, of = given) =>
  findStuck(of, placed).map(({ id, lacks, from, until }) => [id, lacks, from, until]);

describe('a figure is stuck from its lesson to the one in which a way comes', () => {
  test('ten points a lesson, to the last one where none comes', () => {
    expect(told({ away: 1, home: 3 })).toEqual([['away', 'out', 1, 3]]);
    expect(judgePlan(given, { away: 1, home: 3 }).cost.stuck).toBe(20);
    expect(told({ away: 2 })).toEqual([['away', 'out', 2, undefined]]);
    expect(judgePlan(given, { away: 2 }).cost.stuck).toBe(40);
    expect(told({ away: 2, home: 2 })).toEqual([]);
  });

  test('where both ways lack it is told once', () => {
    const both = problem([item('a', { out: ['b'], in: ['c'] }), item('b'), item('c')]);
    expect(told({ a: 1, b: 2, c: 3 }, both)).toEqual([['a', 'both', 1, 3]]);
    expect(judgePlan(both, { a: 1, b: 2, c: 3 }).cost.stuck).toBe(20);
  });

  test('one over two lessons counts from where it is joined', () => {
    const split = problem([{ ...away, split: true }, home]);
    expect(told({ away: 1, home: 2 }, split)).toEqual([]);
    const late = problem([away, { ...home, split: true }]);
    expect(told({ away: 1, home: 1 }, late)).toEqual([['away', 'out', 1, 2]]);
  });

  test('lessons that are over and open courses count nothing; an empty list is like none', () => {
    const taught = { lessons: 2, items: { away: 1 } };
    expect(told({ away: 1, home: 4 }, { ...given, taught })).toEqual([['away', 'out', 3, 4]]);
    expect(told({ away: 1 }, { ...given, open: true })).toEqual([]);
    expect(told({ a: 1 }, problem([item('a', { out: [], in: [] })]))).toEqual([]);
  });
});

test('what opens it is laid into its lesson, or it where it is opened: each tried, the cheapest first', () => {
  const placed = { away: 1, home: 3 };
  const before = judgePlan(given, placed);
  const [stuck] = before.stuck;
  const openings = stuck ? findOpenings(given, laid(placed), stuck, before) : [];
  expect(openings.map(({ moves }) => moves)).toContainEqual({ home: 1 });
  expect(openings.map(({ moves }) => moves)).toContainEqual({ away: 3 });
  for (const { effect } of openings) expect(effect.change.stuck).toBeLessThan(0);
});
