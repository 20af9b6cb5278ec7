import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Dance, Pattern } from '../model/document.ts';
import { type Figure, readWrittenFigure } from '../steps/figure.ts';
import { otherFootForm } from '../steps/pieces.ts';
import { printStep, type Step } from '../steps/step.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { compareFigures, comparisonInWords, nearestFigures, sameRanges } from './compare.ts';
import { DIFFICULTY_WEIGHTS, figureDifficulty, figuresOutOfOrder } from './difficulty.ts';
import { takenForGranted } from './granted.ts';
import { findMixedUp, type SaidOf } from './mixed-up.ts';
import { openingTree, signalsBy } from './openings.ts';

const solo: Dance = { ...dance, roles: 'solo', floor: 'free' };
const counts = (part: string) =>
  part
    .split(',')
    .map((_, index) => (index % 8) + 1)
    .join(' ');
const alone = (part: string, more: Partial<Pattern> = {}): Figure =>
  readWrittenFigure(figure('a', { rhythm: counts(part), parts: { solo: part }, ...more }), solo).figure;
const pair = (lead: string, follow = 'opposite', more: Partial<Pattern> = {}): Figure =>
  readWrittenFigure(figure('b', { rhythm: counts(lead), parts: { lead, follow }, ...more }), dance).figure;
const novelty = (a: Figure, b: Figure) => compareFigures(a, b).novelty;

describe('two figures compared', () => {
  test.each([
    ['a quarter turn is new in one of two steps: ¼ / 2', 'L back, R back', 'L back, R +90 back', 0.125],
    ['the other action of the same weight: ½ / 2', 'L fwd, R fwd', 'L fwd, R back', 0.25],
    ['one step more: 1 / 3', 'L fwd, R fwd', 'L fwd, R fwd, L close', 1 / 3],
    ['a turn before is not a turn after: ¼ / 1', 'L +90 fwd', 'L fwd +90', 0.25],
    ['qualifiers are not priced', 'L fwd small', 'L fwd', 0],
    ['nothing alike but the feet', 'L fwd', 'L tap', 1],
  ])('%s', (_, a, b, cost) => {
    expect(novelty(alone(a), alone(b))).toBeCloseTo(cost, 9);
  });

  test('the roles are averaged: only the follower turns, ¼ of 4 steps in one of two roles', () => {
    const plain = pair('L fwd, R fwd, L fwd, R close');
    const turned = pair('L fwd, R fwd, L fwd, R close', 'R back, L +180 back, R back, L close');
    const { novelty: both, roles } = compareFigures(plain, turned);
    expect([both, roles.lead?.novelty, roles.follow?.novelty]).toEqual([1 / 32, 0, 1 / 16]);
  });

  test('a role that only one has is wholly new', () => {
    expect(novelty(alone('L fwd'), pair('L fwd'))).toBe(1);
  });

  test('the same figure begun at its second step is rotated by one, beside its ordinary novelty', () => {
    const back = compareFigures(alone('L back, R side, L close'), alone('R side, L close, R back'));
    expect(back).toMatchObject({ rotated: 1 });
    expect(back.novelty).toBeGreaterThan(0);
    expect(compareFigures(alone('L fwd, R fwd'), alone('L fwd, R fwd'))).not.toHaveProperty('rotated');
  });

  const step = fc.constantFrom('fwd', 'back', 'side', 'fwd +90', '-45 back', 'close', 'tap', 'hop');
  const steps = fc.array(step, { minLength: 1, maxLength: 7 }).map(actions => {
    let free = 'L';
    return actions
      .map(text => {
        const foot = text === 'hop' ? (free === 'L' ? 'R' : 'L') : free;
        if (text !== 'tap' && text !== 'hop') free = free === 'L' ? 'R' : 'L';
        return `${foot} ${text}`;
      })
      .join(', ');
  });
  const stepsOf = (one: Figure) => one.parts[0]?.steps.map(({ step: read }) => read as Step) ?? [];
  const other = (one: Figure) => alone(otherFootForm(solo, stepsOf(one)).map(printStep).join(', '));

  test('novelty lies between 0 and 1, is symmetric, and is the same for the other-foot form', () => {
    fc.assert(
      fc.property(steps, steps, (x, y) => {
        const [a, b] = [alone(x), alone(y)];
        const value = novelty(a, b);
        expect(value).toBeGreaterThanOrEqual(0);
        expect(value).toBeLessThanOrEqual(1);
        expect(novelty(b, a)).toBe(value);
        expect(novelty(other(a), b)).toBe(value);
        expect(novelty(a, other(a))).toBe(0);
      }),
      { seed: 61, numRuns: 200 },
    );
  });

  test('novelty 0 only for figures equal up to the start foot', () => {
    fc.assert(
      fc.property(steps, steps, (x, y) => {
        if (novelty(alone(x), alone(y)) !== 0) return;
        const written = (one: Figure) => stepsOf(one).map(printStep).join(', ');
        expect([written(alone(y)), written(other(alone(y)))]).toContain(written(alone(x)));
      }),
      { seed: 62, numRuns: 300 },
    );
  });

  test('the cost is never below the difference in length', () => {
    fc.assert(
      fc.property(steps, steps, (x, y) => {
        const [a, b] = [alone(x), alone(y)];
        const [n, m] = [stepsOf(a).length, stepsOf(b).length];
        expect(novelty(a, b) * Math.max(n, m)).toBeGreaterThanOrEqual(Math.abs(n - m) - 1e-9);
      }),
      { seed: 63, numRuns: 200 },
    );
  });
});

describe('a comparison in words', () => {
  const basic = pair('L fwd, R fwd, L fwd, R close', 'opposite', { name: 'Pier basic' });
  test.each([
    ['L fwd, R fwd, L side, R close', 'opposite', '1–2, 4 as in Pier basic, 3 new'],
    ['L fwd, R fwd, L fwd, R close', 'opposite', 'all as in Pier basic'],
    ['L tap, L kick', 'opposite', 'all new'],
    [
      'L fwd, R fwd, L fwd, R close',
      'R back, L side, R back, L close',
      'leader: all as in Pier basic; follower: 1, 3–4 as in Pier basic, 2 new',
    ],
  ])('%s / %s: %s', (lead, follow, words) => {
    expect(comparisonInWords(pair(lead, follow), basic)).toBe(words);
  });
  test('slows and quicks are told by their counts', () => {
    const slow = (lead: string) =>
      readWrittenFigure(figure('s', { rhythm: 'SQQ', parts: { lead, follow: 'opposite' } }), dance).figure;
    expect(comparisonInWords(slow('L fwd, R fwd, L side'), slow('L fwd, R fwd, L close'))).toBe(
      '1–3 as in s, 4 new',
    );
  });
  test('a figure that is counted through more than once is told by its measure', () => {
    const sixteen = (changed: string) => {
      const walk = ['L fwd', 'R fwd', 'L fwd', 'R close'];
      const lead = [...walk, ...walk, ...walk.slice(0, 2), ...changed.split(', '), ...walk].join(', ');
      const rhythm = '1 2 3 4 5 6 7 8 1 2 3 4 5 6 7 8';
      return readWrittenFigure(figure('long', { rhythm, parts: { lead, follow: 'opposite' } }), dance).figure;
    };
    expect(comparisonInWords(sixteen('L kick, L tap'), sixteen('L fwd, R close'))).toBe(
      'first eight, 1 to second eight, 2, second eight, 5–8 as in long, second eight, 3–4 new',
    );
  });
  test('runs of the same are broken by what lies between', () => {
    expect(
      sameRanges([
        [0, 0, 'same'],
        [1, 1, 'same'],
        [null, 2, 'only-b'],
        [2, 3, 'same'],
      ]),
    ).toEqual([
      { from: 0, to: 1 },
      { from: 2, to: 2 },
    ]);
  });
  test('the nearest comes first', () => {
    const far = readWrittenFigure(
      figure('far', { rhythm: '1 2', parts: { lead: 'L tap, L kick', follow: 'opposite' } }),
      dance,
    ).figure;
    const near = readWrittenFigure(figure('near', { rhythm: '1 2 3 4' }), dance).figure;
    expect(nearestFigures(basic, [far, near], 1).map(({ figure: { pattern } }) => pattern.id)).toEqual([
      'near',
    ]);
  });
});

describe('what a figure can still be', () => {
  const named = (id: string, lead: string, more: Partial<Pattern> = {}) =>
    readWrittenFigure(
      figure(id, { rhythm: counts(lead), parts: { lead, follow: 'opposite' }, ...more }),
      dance,
    ).figure;
  const a = named('a', 'L fwd, R fwd, L fwd, R close');
  const b = named('b', 'L fwd, R fwd, L side, R close');
  const c = named('c', 'L back, R replace');

  test('figures are merged by equal openings and part where they differ', () => {
    const tree = openingTree([a, b, c], 'lead');
    expect(tree.depth).toBe(0);
    expect(tree.branches.map(({ figures }) => figures.map(({ pattern }) => pattern.id))).toEqual([
      ['a', 'b'],
      ['c'],
    ]);
    const [both] = tree.branches;
    expect([tree.by, both?.by]).toEqual(['1', '3']);
    expect([both?.depth, both?.label, both?.branches.map(({ figures }) => figures[0]?.pattern.id)]).toEqual([
      2,
      '2',
      ['a', 'b'],
    ]);
  });

  test('a signal tells until the step where they part, and not after it', () => {
    const marks = [
      { event: 2, kind: 'signal', text: 'in time' },
      { event: 3, kind: 'signal', text: 'late' },
      { event: 0, kind: 'cue', text: 'no signal' },
    ] as const;
    const signalled = named('d', 'L fwd, R fwd, L back, R close', { marks });
    expect(signalsBy(signalled, 2).map(({ text }) => text)).toEqual(['in time']);
    expect(signalsBy(a, 2)).toEqual([]);
  });

  test('figures that are equal to the end do not part; one that ends earlier does', () => {
    expect(openingTree([a, named('same', 'L fwd, R fwd, L fwd, R close')], 'lead').branches).toEqual([]);
    expect(openingTree([a, named('short', 'L fwd, R fwd')], 'lead').branches).toHaveLength(2);
  });

  const pairsOf = (figures: readonly Figure[], said: readonly SaidOf[] = []) =>
    findMixedUp(figures, said, 10).map(({ a: x, b: y, shared, by, helps }) => [
      ...[x.pattern.id, y.pattern.id],
      ...[shared, by, helps],
    ]);

  test('two that share their opening without a signal are mixed up, with the count by which it must have come', () => {
    expect(pairsOf([a, b, c])).toEqual([['a', 'b', 2, '3', 'signal']]);
  });

  test('a signal by then, or another hold, tells them apart; a signal that comes too late does not', () => {
    const signal = (event: number) => ({ marks: [{ kind: 'signal' as const, text: 'x', event }] });
    const lead = 'L fwd, R fwd, L side, R close';
    expect(pairsOf([a, named('b', lead, signal(1))])).toEqual([]);
    expect(pairsOf([a, named('b', lead, signal(3))])).toHaveLength(1);
    expect(pairsOf([a, named('b', lead, { entry: ['near'] })])).toEqual([]);
  });

  test('what most of a level begins with tells nothing', () => {
    const ends = ['L side, R side', 'L back, R back', 'L close, R place', 'L kick, L tap', 'L tap, L kick'];
    const more = ends.map((end, index) => named(`m${index}`, `L fwd, R fwd, ${end}`));
    expect(pairsOf([a, ...more])).toEqual([]);
    expect(pairsOf([a, ...more.slice(0, 1)])).toHaveLength(1);
  });

  test('what was said of one that names the other comes first; known look-alikes are set against each other', () => {
    const said = { pattern: 'c', text: 'Half of them danced A instead.' };
    const far = named('c', 'L back, R back, L side, R close');
    expect(pairsOf([a, b, far], [said]).map(([x, y]) => [x, y])).toEqual([
      ['a', 'c'],
      ['a', 'b'],
    ]);
    expect(pairsOf([a, far], [said])[0]?.at(-1)).toBe('apart');
    expect(pairsOf([a, far], [{ ...said, text: 'No time left after A.' }])).toEqual([]);
    const known = named('c', 'L back, R back, L side, R close', { lookalikes: ['a'] });
    expect(pairsOf([a, known], [said])[0]?.at(-1)).toBe('contrast');
  });
});

describe('how hard a figure is', () => {
  const library = openLibrary(
    studio([
      figure('easy', { level: 'one', kind: 'basic' }),
      figure('hard', {
        level: 'one',
        needs: ['easy'],
        exit: 'near',
        parts: {
          lead: 'L +180 fwd, R kick, R tap, R fwd',
          follow: 'R side, L cross-behind +180, R side, L close',
        },
      }),
      figure('plain', { level: 'two', needs: ['easy'] }),
    ]),
  );
  const of = (id: string) => {
    const reading = library.readings.get(id);
    if (!reading) throw new Error(id);
    return figureDifficulty(reading.figure, library);
  };
  test('each term is told, and the sum is theirs by the published weights', () => {
    const { total, terms } = of('hard');
    expect(terms).toMatchObject({ depth: 1, own: 1, holds: 1, turn: 1, quick: 0 });
    const sum = Object.entries(DIFFICULTY_WEIGHTS).reduce(
      (all, [term, weight]) => all + weight * terms[term as keyof typeof terms],
      0,
    );
    expect(total).toBeCloseTo(sum, 9);
  });
  test('a figure danced as what it needs is no news; one that needs nothing is', () => {
    expect([of('plain').terms.novelty, of('easy').terms.novelty]).toEqual([0, 1]);
  });
  test('a figure harder than the next level and one easier than the level before are out of order', () => {
    expect(figuresOutOfOrder(library)).toEqual([
      { id: 'easy', kind: 'harder', than: 'two' },
      { id: 'hard', kind: 'harder', than: 'two' },
      { id: 'plain', kind: 'easier', than: 'one' },
    ]);
  });
  test('needs that go in a circle do not hang it', () => {
    const round = openLibrary(studio([figure('x', { needs: ['y'] }), figure('y', { needs: ['x'] })]));
    const reading = round.readings.get('x');
    expect(reading && figureDifficulty(reading.figure, round).terms.depth).toBe(1);
  });
});

describe('what a level takes for granted', () => {
  test('needs of a higher or of no level, and holds nothing leads to', () => {
    const library = openLibrary(
      studio([
        figure('walk', { kind: 'basic', level: 'one' }),
        figure('lost', { level: 'two', needs: ['unplaced'], entry: ['near'] }),
        figure('unplaced', { needs: ['later'] }),
        figure('later', { level: 'two' }),
      ]),
    );
    expect(takenForGranted(library, 'two')).toEqual({ figures: ['unplaced'], holds: ['near'] });
    expect(takenForGranted(library, 'one')).toEqual({ figures: [], holds: [] });
    const dangling = openLibrary(
      studio([
        figure('walk', { kind: 'basic', level: 'one' }),
        figure('b', { level: 'one', entry: ['near'], exit: 'open' }),
      ]),
    );
    expect(takenForGranted(dangling, 'one')).toEqual({ figures: [], holds: ['near'] });
  });
});
