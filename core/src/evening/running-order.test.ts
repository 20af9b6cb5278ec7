import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Approach, Course, Pattern } from '../model/document.ts';
import { tenths } from '../model/units.ts';
import { buildPlanProblem } from '../plan/build-problem.ts';
import type { PlannedLesson } from '../plan/fill-lessons.ts';
import { judgePlan } from '../plan/judge.ts';
import { library, patterns, published, quay } from '../test/quay-course.ts';
import { course, dance, figure, studio } from '../test/studio.ts';
import { orderByHold } from './hold-order.ts';
import { chooseReviews, type RecallSource } from './recall-choice.ts';
import { runningOrder } from './running-order.ts';

function lessonOrder(lesson: number, placed: Record<string, number> = published, start?: string) {
  const built = buildPlanProblem(library, quay);
  if (!built.ok) throw new Error(built.fault.join());
  const planned = judgePlan(built.value, placed).lessons[lesson - 1];
  if (!planned) throw new Error('no lesson');
  return runningOrder({
    course: quay,
    lesson,
    planned,
    library,
    ...(start && { start }),
  });
}

describe('the running order', () => {
  test('its blocks add up to the lesson and follow each other on the clock', () => {
    const order = lessonOrder(2, published, '19:30');
    expect(order.blocks.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(60);
    expect(order.blocks[0]?.from).toBe('19:30');
    expect(order.blocks.at(-1)?.to).toBe('20:30');
    for (const [index, block] of order.blocks.entries())
      if (index > 0) expect(block.from).toBe(order.blocks[index - 1]?.to);
  });

  test('goes arrive, warm up, recall, new, combine, dance, recap; recall lists what is due', () => {
    const order = lessonOrder(2);
    expect(order.blocks.map(({ kind }) => kind)).toEqual([
      'arrive',
      'warm-up',
      'recall',
      'new',
      'combine',
      'dance',
      'recap',
    ]);
    expect(order.blocks[2]?.patterns).toEqual(['walk']);
  });

  test('what is prepared has a block of its own, what is taken along one within its figure, and all of it adds up', () => {
    const planned: PlannedLesson = {
      ...{
        new: tenths(90),
        review: tenths(23),
        capacity: tenths(300),
        introduce: ['wheel'],
        minutes: { wheel: 50 },
      },
      prepare: [{ id: 'hold-open', minutes: tenths(40) }],
      reviews: [
        { id: 'walk', minutes: tenths(13), within: 'wheel' },
        { id: 'sway', minutes: tenths(10) },
      ],
    };
    const next = { introduce: ['sway'] };
    const { blocks } = runningOrder({ course: quay, lesson: 2, planned, library, next });
    expect(blocks.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(60);
    expect(blocks.find(({ kind }) => kind === 'new')).toMatchObject({
      patterns: ['wheel', 'walk'],
      within: { walk: 'wheel' },
      minutes: 6,
    });
    expect(blocks.find(({ kind }) => kind === 'recall')?.patterns).toEqual(['sway']);
    expect(blocks.find(({ kind }) => kind === 'prepare')).toMatchObject({
      title: 'For next time: Open hold',
      minutes: 4,
      element: { id: 'hold-open', figures: ['sway'], how: expect.stringContaining('Take the hold') },
    });
  });

  test('a new figure opens into the layers of the course’s school, which add up to its block', () => {
    const block = lessonOrder(1).blocks.find(({ kind }) => kind === 'new');
    expect(block?.layers[0]?.title).toBe('Steps, without music');
    expect(block?.layers.reduce((sum, { seconds }) => sum + seconds, 0)).toBe((block?.minutes ?? 0) * 60);
  });

  test('a layer that builds on a figure names it; where nothing known is like it the steps come first', () => {
    const built = buildPlanProblem(library, quay);
    const lessons = built.ok ? judgePlan(built.value, published).lessons : [];
    const oneChange = { ...quay, approach: 'one-change' as const };
    const layersOf = (lesson: number, taught: readonly string[]) => {
      const planned = lessons[lesson - 1];
      if (!planned) throw new Error('no lesson');
      const order = runningOrder({ course: oneChange, lesson, planned, library, taught });
      return order.blocks.find(({ kind }) => kind === 'new')?.layers.map(({ title }) => title);
    };
    expect(layersOf(3, ['walk', 'sway'])).toContain('What changes from Walk, alone');
    expect(layersOf(1, [])?.[0]).toBe('Steps, without music');
  });

  test('nothing to recall is no block; the last lesson’s check lists what was had; the basics of the level below warm up', () => {
    const kinds = lessonOrder(1).blocks.map(({ kind }) => kind);
    expect(kinds).not.toContain('recall');
    const [first, ...rest] = quay.lessons;
    if (!first) throw new Error('no lesson');
    const checked = { ...first, fixed: { ...first.fixed, check: 10 } };
    const above = openLibrary(
      studio([...patterns, figure('spin', { level: 'two', name: 'Spin', needs: ['walk'] })]),
    );
    const two = course([{ pattern: 'spin', value: 'must' }], { level: 'two', lessons: [checked, ...rest] });
    const built = buildPlanProblem(above, two);
    const planned = built.ok ? judgePlan(built.value, { spin: 1 }).lessons[0] : undefined;
    if (!planned) throw new Error('no lesson');
    const order = runningOrder({ course: two, lesson: 1, planned, library: above });
    const inBlock = (kind: string) => order.blocks.find(block => block.kind === kind)?.patterns;
    expect(inBlock('warm-up')).toEqual(['walk', 'sway']);
    expect(inBlock('recall')).toEqual(['walk']);
    expect(inBlock('check')).toEqual(['spin']);
    expect(inBlock('combine')).toEqual(['walk', 'spin']);
  });

  test('free minutes are offered to what was dropped, where it has what it needs', () => {
    const built = buildPlanProblem(library, quay);
    const planned = built.ok ? judgePlan(built.value, { walk: 1 }).lessons[1] : undefined;
    if (!planned) throw new Error('no lesson');
    const offered = (taught: readonly string[]) =>
      runningOrder({ course: quay, lesson: 2, planned, library, taught, dropped: ['wheel'] }).offered;
    expect(offered(['walk'])).toEqual([{ pattern: 'wheel', minutes: expect.any(Number) }]);
    expect(offered([])).toEqual([]);
  });

  test('an overfull lesson still ends on time, and says by how much it is too full', () => {
    const long = openLibrary(studio([{ ...patterns[0], minutes: 45 } as (typeof patterns)[number]]));
    const one = course([{ pattern: 'walk', value: 'must' }]);
    const built = buildPlanProblem(long, one);
    const planned = built.ok
      ? judgePlan(
          { ...built.value, items: built.value.items.map(i => ({ ...i, split: false })) },
          { walk: 1 },
        ).lessons[0]
      : undefined;
    if (!planned) throw new Error('no lesson');
    const order = runningOrder({
      course: one,
      lesson: 1,
      planned,
      library: long,
    });
    expect(order.blocks.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(60);
    expect(order.over).toBe(19);
  });

  test('the basics that were taught are alive in the warm-up, and what fades most is recalled first', () => {
    const built = buildPlanProblem(library, quay);
    const planned = built.ok ? judgePlan(built.value, published).lessons[2] : undefined;
    if (!planned) throw new Error('no lesson');
    const recall = new Map([
      ['walk', 0.9],
      ['sway', 0.5],
    ]);
    const order = runningOrder({
      course: quay,
      lesson: 3,
      planned,
      library,
      taught: ['walk', 'sway'],
      recall,
    });
    const inBlock = (kind: string) => order.blocks.find(block => block.kind === kind)?.patterns;
    expect(inBlock('warm-up')).toEqual(['walk', 'sway']);
    expect(inBlock('recall')?.[0]).toBe('sway');
  });
});

describe('every evening adds up', () => {
  const APPROACHES: readonly Approach[] = ['steps-first', 'rhythm-first', 'whole-part-whole', 'one-change'];
  const many = Array.from(
    { length: 6 },
    (_, index): Pattern =>
      figure(`f${index}`, {
        level: 'one',
        kind: index < 2 ? 'basic' : 'pattern',
        entry: [index % 2 ? 'open' : 'near'],
        exit: index % 3 ? 'near' : 'open',
        minutes: 4 + index,
        tracks: [{ quality: 'sway', values: ['left'] }],
        ...(index > 2 && { needs: [`f${index - 3}`] }),
      }),
  );
  const dances = [{ ...dance, qualities: [{ id: 'sway', name: 'Sway', layer: 'body' as const }] }];
  const own = openLibrary(studio(many, { dances }));
  const fixed = fc.record({
    arrive: fc.integer({ min: 0, max: 6 }),
    warmUp: fc.integer({ min: 0, max: 8 }),
    recall: fc.integer({ min: 0, max: 9 }),
    combine: fc.integer({ min: 1, max: 12 }),
    dance: fc.integer({ min: 1, max: 12 }),
    recap: fc.integer({ min: 0, max: 4 }),
  });
  const evening = fc.record({
    approach: fc.constantFrom(...APPROACHES),
    format: fc.constantFrom<Course['format']>('series', 'open'),
    roles: fc.constantFrom<NonNullable<Course['roles']>>('one', 'both'),
    minutes: fc.integer({ min: 45, max: 90 }),
    fixed,
    at: fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 6, maxLength: 6 }),
    lesson: fc.integer({ min: 1, max: 5 }),
  });

  test('to the minute, in each school and format, and holds never break a need', () => {
    fc.assert(
      fc.property(evening, ({ approach, format, roles, minutes, fixed, at, lesson }) => {
        const one = course(
          many.map(({ id }) => ({ pattern: id, value: 'should' as const })),
          { approach, format, roles, lessons: Array.from({ length: 5 }, () => ({ minutes, fixed })) },
        );
        const built = buildPlanProblem(own, one);
        if (!built.ok) throw new Error(built.fault.join());
        const placed = Object.fromEntries(many.map(({ id }, index) => [id, at[index] ?? 1]));
        const planned = judgePlan(built.value, placed).lessons[lesson - 1];
        if (!planned) throw new Error('no lesson');
        const order = runningOrder({
          course: one,
          lesson,
          planned,
          library: own,
          start: '19:00',
          left: ['f4'],
        });
        expect(order.blocks.reduce((sum, block) => sum + block.minutes, 0)).toBe(minutes);
        const news = order.blocks.filter(({ kind }) => kind === 'new');
        for (const { layers, minutes: length } of news)
          expect(layers.reduce((sum, { seconds }) => sum + seconds, 0)).toBe(length * 60);
        for (const { layers } of news)
          if (layers.length > 1)
            expect(Math.min(...layers.map(({ seconds }) => seconds))).toBeGreaterThanOrEqual(60);
        // A quality is practised on what is danced again, never on what is new.
        expect(news.flatMap(({ layers }) => layers).some(({ title }) => title.startsWith('Sway'))).toBe(
          false,
        );
        for (const { kind, patterns, layers, minutes: length } of order.blocks) {
          if (kind === 'recall') expect(patterns.length).toBeGreaterThan(0);
          if (kind === 'recall' && length > 2)
            expect(layers.map(({ title }) => title)).toEqual(['Danced again', `Sway, on ${patterns[0]}`]);
        }
        const ids = news.flatMap(({ patterns }) => patterns);
        expect([...ids].sort()).toEqual(Object.keys(planned.minutes).sort());
        for (const [index, id] of ids.entries())
          for (const need of own.patterns.get(id)?.needs ?? []) expect(ids.indexOf(need)).toBeLessThan(index);
      }),
      { seed: 18, numRuns: 1000 },
    );
  });
});

describe('figures follow each other by their holds', () => {
  const of = (...list: readonly [string, string, string, string[]?][]) =>
    new Map(
      list.map(([id, entry, exit, needs]) => [
        id,
        figure(id, { entry: [entry], exit, ...(needs && { needs }) }),
      ]),
    );
  test.each([
    ['as they are where nothing joins', of(['a', 'open', 'open'], ['b', 'near', 'near']), [], ['a', 'b']],
    [
      'so that one begins where the other ends',
      of(['a', 'near', 'open'], ['b', 'open', 'near'], ['c', 'open', 'open']),
      [],
      ['a', 'c', 'b'],
    ],
    ['never before what they need', of(['a', 'near', 'open'], ['b', 'open', 'near', ['a']]), [], ['a', 'b']],
    [
      'what is left from last week first',
      of(['a', 'open', 'open'], ['b', 'near', 'near']),
      ['b'],
      ['b', 'a'],
    ],
  ])('%s', (_, patterns, first, expected) => {
    expect(orderByHold([...patterns.keys()], patterns, first)).toEqual(expected);
  });
});

describe('what is recalled', () => {
  const recall = new Map([
    ['old', 0.4],
    ['last', 0.95],
    ['new', 0.2],
  ]);
  const choose = (planned: readonly string[], more: Partial<RecallSource> = {}) =>
    chooseReviews({ planned, again: [], recall: new Map(), fresh: new Set(), most: 9, ...more });
  test('before any log as planned', () => {
    expect(choose(['a', 'b'], { again: ['c'] })).toEqual(['a', 'b', 'c']);
  });
  test('as many as planned, what fades before the others, never what comes as new', () => {
    expect(choose(['last', 'new'], { recall, fresh: new Set(['new']) })).toEqual(['old']);
    expect(choose(['last'], { recall, fresh: new Set(['new', 'old']) })).toEqual(['last']);
    expect(choose(['last'], { recall, fresh: new Set(['new']), aim: 0.3 })).toEqual(['last']);
  });
  test('no more than the minutes are enough for; seven figures are not danced in nine minutes', () => {
    expect(choose(['last', 'old'], { recall, fresh: new Set(['new']), most: 1 })).toEqual(['old']);
    const seven = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
    const planned = {
      ...{
        new: tenths(0),
        review: tenths(90),
        capacity: tenths(400),
        introduce: [],
        prepare: [],
        minutes: {},
      },
      reviews: seven.map(id => ({ id, minutes: tenths(13) })),
    };
    const within = (minutes: number) => {
      const lessons = quay.lessons.map(lesson => ({ ...lesson, minutes }));
      const order = runningOrder({ course: { ...quay, lessons }, lesson: 3, planned, library });
      return [order.blocks.find(({ kind }) => kind === 'recall')?.patterns, order.noTimeFor, order.spare];
    };
    expect(within(39)).toEqual([seven.slice(0, 6), ['g'], 0]);
    // Minutes that would be danced away go to what had none.
    expect(within(60)).toEqual([seven, [], 20]);
  });
});
