import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { type Tenths, tenths } from '../model/units.ts';
import { bruteForce, item, problem, small } from '../test/plan-problems.ts';
import { course, figure, studio } from '../test/studio.ts';
import { buildPlanProblem } from './build-problem.ts';
import { allowedLessons } from './domain.ts';
import { judgePlan } from './judge.ts';
import type { Placed, PlanItem, PlanProblem } from './problem.ts';
import { solvePlan } from './solve.ts';
import { findProblemFaults } from './validate.ts';

const rules = (given: PlanProblem, placed: Placed) =>
  judgePlan(given, placed).broken.map(({ rule, at }) => `${rule} ${at}`);

describe('the minutes of a lesson', () => {
  test('an item is reviewed 1, 2 and 4 lessons later for ½, 0.3 and 0.2 of its assembly, half up', () => {
    const { lessons } = judgePlan(problem([item('a', { assembly: tenths(45) })]), { a: 1 });
    expect(lessons.map(({ review }) => review)).toEqual([0, 23, 14, 0, 9]);
  });

  test('an element is paid once, in the first lesson that brings it; known ones never', () => {
    const elements = { e: tenths(30), k: tenths(20) };
    const given = problem([item('a', { elements: ['e', 'k'] }), item('b', { elements: ['e'] })], {
      elements,
      known: ['k'],
    });
    expect(judgePlan(given, { a: 2, b: 1 }).lessons.map(lesson => lesson.new)).toEqual([70, 40, 0, 0, 0]);
  });

  test('an element that an item names twice is paid once', () => {
    const given = problem([item('a', { elements: ['e', 'e'] })], { elements: { e: tenths(30) } });
    expect(judgePlan(given, { a: 1 }).lessons[0]?.new).toBe(70);
  });

  test('a split item: 25 of 4.9 minutes, rounded up, then the rest; its reviews count from where it is joined', () => {
    const given = problem([item('a', { assembly: tenths(49), split: true })]);
    const { lessons } = judgePlan(given, { a: 1 });
    expect(lessons.map(lesson => lesson.new)).toEqual([25, 24, 0, 0, 0]);
    expect(lessons.map(({ review }) => review)).toEqual([0, 0, 25, 15, 0]);
  });

  test('in an open course each lesson pays for its elements, and nothing is reviewed', () => {
    const given = problem([item('a', { elements: ['e'] }), item('b', { elements: ['e'] })], {
      elements: { e: tenths(30) },
      open: true,
    });
    const { lessons } = judgePlan(given, { a: 1, b: 5 });
    expect(lessons.map(lesson => [lesson.new, lesson.review])).toEqual([
      [70, 0],
      [0, 0],
      [0, 0],
      [0, 0],
      [70, 0],
    ]);
  });
});

describe('hard rules are named with their place', () => {
  test.each<[string, PlanItem[], Placed, string[]]>([
    ['a need that comes later', [item('a'), item('b', { needs: ['a'] })], { a: 3, b: 2 }, ['need b']],
    ['a need that is left out', [item('a'), item('b', { needs: ['a'] })], { b: 2 }, ['need b']],
    ['a need in the same lesson is met', [item('a'), item('b', { needs: ['a'] })], { a: 2, b: 2 }, []],
    [
      'a split need is ready one lesson later',
      [item('a', { split: true }), item('b', { needs: ['a'] })],
      { a: 2, b: 2 },
      ['need b'],
    ],
    ['the last lesson introduces nothing', [item('a')], { a: 5 }, ['last a']],
    ['a window', [item('a', { from: 2, to: 3 })], { a: 4 }, ['window a']],
    ['a pin', [item('a', { pin: 2 })], { a: 3 }, ['pin a']],
    ['a pinned item left out', [item('a', { pin: 2 })], {}, ['left-out a']],
    ['a gate must be reviewed before the check: by T−2', [item('a', { gate: true })], { a: 4 }, ['gate a']],
    ['a gate in time', [item('a', { gate: true })], { a: 3 }, []],
    ['lessons of another dance', [item('a', { allowed: [1, 3] })], { a: 2 }, ['dance a']],
    ['a split item needs a second lesson', [item('a', { split: true })], { a: 4 }, ['split a']],
    [
      'two qualities at once',
      [item('a', { kind: 'quality' }), item('b', { kind: 'quality' })],
      { a: 1, b: 1 },
      ['quality lesson 1'],
    ],
    ['more minutes than fit', [item('a', { assembly: tenths(301) })], { a: 1 }, ['capacity lesson 1']],
  ])('%s', (_, items, placed, broken) => {
    expect(rules(problem(items), placed)).toEqual(broken);
  });

  test('in an open course needs lie in the same lesson and the last lesson is like the others', () => {
    const open = problem([item('a'), item('b', { needs: ['a'] })], { open: true });
    expect(rules(open, { a: 1, b: 2 })).toEqual(['need b']);
    expect(rules(open, { a: 5, b: 5 })).toEqual([]);
  });

  test('after lessons were taught: they are closed, ended windows are open, old pins are dropped', () => {
    const mended = problem([item('a', { to: 2 }), item('b', { pin: 1 }), item('c')], {
      taught: { lessons: 2, items: { c: 1 } },
    });
    const [a, b, c] = mended.items as [PlanItem, PlanItem, PlanItem];
    expect(allowedLessons(mended, a)).toEqual([3, 4]);
    expect(allowedLessons(mended, b)).toEqual([3, 4]);
    expect(allowedLessons(mended, c)).toEqual([1]);
  });
});

describe('the cost, term by term', () => {
  const cost = (given: PlanProblem, placed: Placed) => judgePlan(given, placed).cost;

  test('left out: 10000 a must, 1000 a should, 100 a could', () => {
    const given = problem([item('a'), item('b', { value: 'should' }), item('c', { value: 'could' })]);
    expect(cost(given, {}).left).toBe(11_100);
  });

  test('level: shares 1.1 and 0.9 of two lessons; 10 minutes in the first are 2.5 over, times 1+3', () => {
    const three = { lessons: [300, 300, 300].map(capacity => ({ capacity: capacity as Tenths })) };
    // shares .55 and .45 of 10 minutes: over = 10 − 5.5 − 2 = 2.5
    expect(cost(problem([item('a', { assembly: tenths(100) })], three), { a: 1 }).level).toBe(10);
  });

  test('look-alikes apart: 20 in one lesson; together: 20 when more than one lesson apart', () => {
    const pair = { lookalikes: [['a', 'b']] as [string, string][] };
    const items = [item('a'), item('b')];
    expect(cost(problem(items, pair), { a: 1, b: 1 }).lookalikes).toBe(20);
    expect(cost(problem(items, pair), { a: 1, b: 2 }).lookalikes).toBe(0);
    const together = { ...pair, apart: false };
    expect(cost(problem(items, together), { a: 1, b: 3 }).lookalikes).toBe(20);
    expect(cost(problem(items, together), { a: 1 }).lookalikes).toBe(0);
  });

  test('mix: 5 for each kind short of two, in four lessons', () => {
    const given = problem([item('a'), item('b', { kind: 'turn' }), item('c', { kind: 'drill' })]);
    expect(cost(given, { a: 1, b: 1, c: 2 }).mix).toBe(30);
  });

  test('moved: 15 for what a published plan had placed elsewhere', () => {
    const given = problem([item('a'), item('b'), item('c')], { published: { a: 1, b: 2 } });
    expect(cost(given, { a: 1, b: 3, c: 4 }).moved).toBe(15);
  });

  test('a course’s own weights stand in for the published ones', () => {
    expect(cost(problem([item('a')], { weights: { must: 7 } }), {}).left).toBe(7);
  });
});

describe('a problem that cannot be planned is refused with the ids named', () => {
  test.each<[string, Partial<PlanProblem> & { items: PlanItem[] }, RegExp]>([
    ['needs in a circle', { items: [item('a', { needs: ['b'] }), item('b', { needs: ['a'] })] }, /a → b → a/],
    ['an unknown need', { items: [item('a', { needs: ['z'] })] }, /"z"/],
    ['an unknown element', { items: [item('a', { elements: ['z'] })] }, /"z"/],
    ['an item twice', { items: [item('a'), item('a')] }, /"a" stands twice/],
    [
      'a pin before its need',
      { items: [item('a', { pin: 3 }), item('b', { pin: 2, needs: ['a'] })] },
      /"b" is pinned to lesson 2/,
    ],
    ['a gate pinned too late', { items: [item('a', { gate: true, pin: 4 })] }, /"a" is a gate/],
    [
      'a lesson shorter than its fixed blocks',
      { items: [], lessons: [{ capacity: tenths(-20) }] },
      /lesson 1 has 2 minutes less/,
    ],
    ['a window that is never', { items: [item('a', { from: 3, to: 2 })] }, /never/],
  ])('%s', (_, given, message) => {
    expect(findProblemFaults(problem(given.items, given)).join('; ')).toMatch(message);
  });
});

describe('the search', () => {
  test('agrees with brute force on the best cost of 30 small problems, and breaks no rule', () => {
    fc.assert(
      fc.property(small(5), given => {
        const found = solvePlan(given, { seed: 1, budget: { kind: 'work', work: 30_000 } });
        expect(found.broken).toEqual([]);
        expect(found.cost.total).toBeCloseTo(bruteForce(given), 2);
      }),
      { seed: 31, numRuns: 30 },
    );
  });

  test('the same problem, seed and work give the same plan', () => {
    const given = problem(
      Array.from({ length: 12 }, (_, i) =>
        item(`i${i}`, { kind: i % 2 ? 'turn' : 'basic', assembly: tenths(30 + i) }),
      ),
    );
    const run = () => solvePlan(given, { seed: 4, budget: { kind: 'work', work: 3000 } }).placed;
    expect(run()).toEqual(run());
  });

  test('pins that cannot fit are kept and told as broken', () => {
    const given = problem([
      item('a', { pin: 1, assembly: tenths(200) }),
      item('b', { pin: 1, assembly: tenths(200) }),
    ]);
    const found = solvePlan(given, { seed: 1, budget: { kind: 'work', work: 5000 } });
    expect(found.placed).toEqual({ a: 1, b: 1 });
    expect(found.broken.map(({ rule }) => rule)).toEqual(['capacity']);
  });

  test('mending moves no more than it must', () => {
    const items = ['a', 'b', 'c', 'd'].map((id, i) =>
      item(id, { kind: i % 2 ? 'turn' : 'basic', assembly: tenths(60) }),
    );
    const published = { a: 1, b: 1, c: 3, d: 4 };
    const given = problem(items, { published, taught: { lessons: 1, items: { a: 1 } } });
    const { placed } = solvePlan(given, { seed: 1, budget: { kind: 'work', work: 8000 } });
    expect(placed).toMatchObject({ a: 1, c: 3, d: 4 });
    expect(placed.b).toBeGreaterThan(1);
  });
});

describe('the problem of a course', () => {
  const basic = figure('walk', { kind: 'basic', level: 'one' });
  const turn = figure('turn', { level: 'one', needs: ['walk'], lookalikes: ['walk'] });
  const build = (patterns = [basic, turn], more = {}) =>
    buildPlanProblem(
      openLibrary(studio(patterns)),
      course(
        [
          { pattern: 'walk', value: 'must' },
          { pattern: 'turn', value: 'must' },
        ],
        more,
      ),
    );

  test('has the minutes between the fixed blocks; recall stays in', () => {
    const built = build();
    // 60 − 3 − 5 − 8 − 10 − 4 = 30
    expect(built.ok && built.value.lessons.map(({ capacity }) => capacity)).toEqual([
      300, 300, 300, 300, 300,
    ]);
    expect(built.ok && built.value.lookalikes).toEqual([['turn', 'walk']]);
  });

  test('figures and elements of lower levels are known', () => {
    const above = { ...turn, level: 'two' };
    const built = buildPlanProblem(
      openLibrary(studio([basic, above])),
      course([{ pattern: 'turn', value: 'must' }], { level: 'two' }),
    );
    expect(built).toMatchObject({
      ok: true,
      value: { known: ['hold-open'], items: [{ needs: [], assembly: 30 }] },
    });
  });

  test('a need that nobody teaches is refused', () => {
    const built = buildPlanProblem(
      openLibrary(studio([basic, turn])),
      course([{ pattern: 'turn', value: 'must' }]),
    );
    expect(built).toMatchObject({ ok: false, fault: [expect.stringContaining('"turn" needs "walk"')] });
  });

  test('a figure too long for any lesson is split over two', () => {
    const built = build([basic, { ...turn, minutes: 40 }]);
    expect(built.ok && built.value.items.map(({ split }) => split ?? false)).toEqual([false, true]);
  });
});
