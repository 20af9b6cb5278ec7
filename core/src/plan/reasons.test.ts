import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { tenths } from '../model/units.ts';
import { anyProblem, item, judge, laid, problem } from '../test/plan-problems.ts';
import { judgePlan } from './judge.ts';
import { planMends, takeAlong } from './mends.ts';
import { lastIntroducing, type PlanProblem, taughtLessons } from './problem.ts';
import { itemReasons, moveEffect, movePlaced, whatItTakes } from './reasons.ts';
import { createPlanSearch } from './search.ts';
import { askWhatIf, changeProblem, leastMinutes, whatIfsOf } from './what-if.ts';

const planOf = (given: PlanProblem, seed: number) => {
  const search = createPlanSearch(given, seed);
  search.run(400);
  return search.best();
};

describe('reasons', () => {
  test('forcing an item one lesson earlier or later breaks just the rules and costs just what was told', () => {
    fc.assert(
      fc.property(anyProblem, fc.integer({ min: 1, max: 1e6 }), (given, seed) => {
        const plan = planOf(given, seed);
        const { placed } = plan;
        const before = judge(given, plan);
        fc.pre(before.broken.length === 0);
        for (const { id } of given.items) {
          const lesson = placed[id];
          const reasons = itemReasons(given, plan, id);
          const isTaught = given.taught?.items[id] !== undefined;
          if (lesson === undefined || isTaught) expect(reasons).toEqual({});
          else {
            expect(reasons.earlier === undefined).toBe(lesson <= taughtLessons(given) + 1);
            expect(reasons.later === undefined).toBe(lesson >= lastIntroducing(given));
          }
          for (const [told, to] of [
            [reasons.earlier, (lesson ?? 0) - 1],
            [reasons.later, (lesson ?? 0) + 1],
          ] as const) {
            if (!told) continue;
            const forced = judge(given, { ...plan, placed: { ...placed, [id]: to } });
            expect(told.broken).toEqual(forced.broken);
            expect(told.change.total).toBeCloseTo(forced.cost.total - before.cost.total, 2);
          }
        }
      }),
      { seed: 71, numRuns: 60 },
    );
  });

  const full = problem(
    [
      item('a', { assembly: tenths(250), kind: 'basic' }),
      item('b', { needs: ['a'], value: 'should' }),
      item('c', { needs: ['b'], value: 'could' }),
    ],
    { lessons: Array.from({ length: 3 }, () => ({ capacity: tenths(260) })) },
  );

  test('of an item that is left out: the lesson with the least missing, its needs, and the minutes', () => {
    // Lesson 1 has 25 of 26 minutes full; 4 more are 3 too many. In lesson 2 there are 12.5 of review: it fits.
    expect(whatItTakes(full, laid({ a: 1 }), 'b')).toMatchObject({ lesson: 2, needs: [], over: 0 });
    expect(whatItTakes(full, laid({ a: 1 }), 'c')).toMatchObject({ needs: ['b'] });
    const narrow = { ...full, lessons: full.lessons.map(() => ({ capacity: tenths(150) })) };
    expect(whatItTakes(narrow, laid({}), 'a')).toMatchObject({ over: 100, overIn: 1 });
    expect(whatItTakes(full, laid({ a: 1 }), 'a')).toBe(undefined);
  });

  test('a rule that stays broken is not told again', () => {
    const effect = moveEffect(full, laid({ a: 1, b: 1, c: 1 }), { c: 2 });
    expect(effect.broken).toEqual([]);
    expect(movePlaced({ a: 1, b: 1 }, { b: null, c: 2 })).toEqual({ a: 1, c: 2 });
  });
});

describe('mends', () => {
  const given = problem([
    item('a', { kind: 'basic' }),
    item('b', { needs: ['a'], kind: 'turn' }),
    item('c', { assembly: tenths(280) }),
  ]);
  const mended = (placed: Record<string, number>) => {
    const [broken] = judgePlan(given, placed).broken;
    if (!broken) throw new Error('nothing is broken');
    return planMends(given, laid(placed), broken);
  };

  test('an item before its need: the need is taken along, or the item goes back', () => {
    const mends = mended({ a: 3, b: 2, c: 1 });
    expect(mends.some(({ kind, moves }) => kind === 'take-along' && moves.a === 2)).toBe(true);
    for (const { moves } of mends)
      expect(judgePlan(given, movePlaced({ a: 3, b: 2, c: 1 }, moves)).broken).toEqual([]);
  });

  test('a lesson that is too full: something moves to where there is room', () => {
    const [first] = mended({ a: 1, b: 1, c: 1 });
    expect(judgePlan(given, movePlaced({ a: 1, b: 1, c: 1 }, first?.moves ?? {})).broken).toEqual([]);
  });

  test('whatever is told as a mend mends, and breaks nothing else', () => {
    fc.assert(
      fc.property(anyProblem, fc.nat(11), fc.integer({ min: 1, max: 6 }), (random, index, lesson) => {
        const placed = { ...planOf(random, index + 1).placed, [`i${index}`]: lesson };
        const before = judgePlan(random, placed);
        for (const rule of before.broken)
          for (const { moves } of planMends(random, laid(placed), rule)) {
            const after = judgePlan(random, movePlaced(placed, moves)).broken;
            const isStill = after.some(other => other.rule === rule.rule && other.at === rule.at);
            expect([isStill, after.length < before.broken.length]).toEqual([false, true]);
          }
      }),
      { seed: 72, numRuns: 60 },
    );
  });

  test('taking along pulls needs earlier and pushes what needs it later', () => {
    expect(takeAlong(given, { a: 3, b: 4 }, 'b', 2)).toEqual({ b: 2, a: 2 });
    expect(takeAlong(given, { a: 1, b: 2 }, 'a', 3)).toEqual({ a: 3, b: 3 });
  });
});

describe('what would make it fit', () => {
  const tight = problem(
    Array.from({ length: 6 }, (_, i) =>
      item(`i${i}`, {
        assembly: tenths(120),
        kind: i % 2 ? 'turn' : 'basic',
        value: i < 4 ? 'must' : 'should',
        needs: i === 5 ? ['i4'] : [],
      }),
    ),
    { lessons: Array.from({ length: 4 }, () => ({ capacity: tenths(200) })) },
  );

  test('one more lesson, more minutes, or something away: each a real plan of the changed problem', () => {
    const plan = planOf(tight, 1);
    for (const whatIf of whatIfsOf(tight)) {
      const answer = askWhatIf(tight, plan, whatIf);
      const judged = judge(changeProblem(tight, whatIf), answer);
      expect([judged.broken, judged.cost]).toEqual([[], answer.cost]);
    }
  });

  test('when everything hangs on one item, nothing is left without it, and that costs only the empty lessons', () => {
    const chain = problem([item('a'), item('b', { needs: ['a'] })]);
    const answer = askWhatIf(chain, laid({ a: 1, b: 2 }), { kind: 'without', id: 'a' });
    expect([answer.placed, answer.left, answer.cost.left]).toEqual([{}, [], 0]);
  });

  test('a pin that pushes a must out is asked about, and lifted it lets the must in', () => {
    // 12 minutes each in lessons of 20: one a lesson, of which the pinned could takes the only one before b's window ends.
    const pinned = problem(
      [
        item('a', { assembly: tenths(120), value: 'could', pin: 1 }),
        item('b', { assembly: tenths(120), value: 'must', to: 1 }),
      ],
      { lessons: Array.from({ length: 4 }, () => ({ capacity: tenths(200) })) },
    );
    const unpin = whatIfsOf(pinned).find(({ kind }) => kind === 'unpin');
    expect(unpin).toEqual({ kind: 'unpin', id: 'a' });
    expect(askWhatIf(pinned, laid({ a: 1 }), { kind: 'lesson' }).left).toEqual(['b']);
    if (unpin)
      expect(askWhatIf(pinned, laid({ a: 1 }), unpin)).toMatchObject({
        left: [],
        broken: 0,
        placed: { b: 1 },
      });
    expect(whatIfsOf(tight).some(({ kind }) => kind === 'unpin')).toBe(false);
  });

  test('taking an item away takes what needs it', () => {
    expect(changeProblem(tight, { kind: 'without', id: 'i4' }).items.map(({ id }) => id)).toEqual([
      'i0',
      'i1',
      'i2',
      'i3',
    ]);
  });

  test('one more lesson comes before the last; the gate moves with it', () => {
    const longer = changeProblem(tight, { kind: 'lesson' });
    expect(longer.lessons).toHaveLength(5);
    expect(changeProblem({ ...tight, open: true }, { kind: 'lesson' }).lessons).toHaveLength(5);
  });

  test('where everything fits no minutes are asked for', () => {
    const roomy = { ...tight, lessons: tight.lessons.map(() => ({ capacity: tenths(900) })) };
    expect(leastMinutes(roomy, laid({}))?.answer.whatIf).toEqual({ kind: 'minutes', minutes: 0 });
  });

  test('the least minutes are enough, and one minute less was not found to be', () => {
    const least = leastMinutes(tight, planOf(tight, 1));
    if (least?.answer.whatIf.kind !== 'minutes') throw new Error('no answer');
    const { minutes } = least.answer.whatIf;
    expect(least.answer.left).toEqual([]);
    expect(askWhatIf(tight, laid({}), { kind: 'minutes', minutes: minutes - 1 }).left).not.toEqual([]);
  });
});
