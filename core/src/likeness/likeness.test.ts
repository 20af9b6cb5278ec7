import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Pattern } from '../model/document.ts';
import { readWrittenFigure } from '../steps/figure.ts';
import { dance, figure } from '../test/studio.ts';
import { align, comparedSteps } from './align.ts';
import { assemblyMinutes, newSteps } from './assembly.ts';
import { figureElements } from './elements.ts';

const solo = { ...dance, roles: 'solo' as const };
const lead = (part: string, rhythm = '1 2 3 4 5 6 7 8') => {
  const count = part.split(',').length;
  const pattern = figure('x', { rhythm: rhythm.split(' ').slice(0, count).join(' '), parts: { solo: part } });
  const read = readWrittenFigure(pattern, solo).figure;
  return comparedSteps(read, read.parts[0] as (typeof read.parts)[number]);
};
const of = (pattern: Pattern, inDance = dance) => readWrittenFigure(pattern, inDance).figure;
const costOf = (a: string, b: string) => align(lead(a), lead(b)).cost;
const kinds = (a: string, b: string) => align(lead(a), lead(b)).pairs.map(pair => pair[2]);

describe('two parts are aligned at least cost, in quarters', () => {
  test.each([
    ['L back, R back', 'L back, R +90 back', 1, ['same', 'turn']],
    ['L fwd, R fwd', 'L fwd, R back', 2, ['same', 'action']],
    ['L fwd, R tap', 'L fwd, R close', 4, ['same', 'other']],
    ['L fwd, R fwd, L close', 'L fwd, R fwd', 4, ['same', 'same', 'only-a']],
    ['L fwd', 'L fwd, R fwd', 4, ['same', 'only-b']],
    ['L fwd, L tap', 'L fwd, R tap', 4, ['same', 'other']],
  ])('%s against %s costs %d', (a, b, cost, expected) => {
    expect(costOf(a, b)).toBe(cost);
    expect(kinds(a, b)).toEqual(expected);
  });

  test('only the length differs: ¼; with a turn besides: ½', () => {
    const short = lead('L fwd, R close', '1 2');
    const long = lead('L fwd, R close', '1 3');
    expect(align(short, long).cost).toBe(1);
    expect(align(short, lead('L +90 fwd, R close', '1 3')).pairs[0]?.[2]).toBe('turn-length');
  });

  test('a turn before and a turn after the action are different turns', () => {
    expect(kinds('L +90 fwd', 'L fwd +90')).toEqual(['turn']);
  });

  test('a solo figure and its other-foot form, with turns negated, are equal', () => {
    expect(costOf('L fwd, R +90 side, L close', 'R fwd, L -90 side, R close')).toBe(0);
  });

  const part = fc
    .array(fc.constantFrom('fwd', 'back', 'side', '+90 fwd', '-90 back', 'close'), {
      minLength: 1,
      maxLength: 6,
    })
    .map(actions => actions.map((action, i) => `${i % 2 ? 'R' : 'L'} ${action}`).join(', '));

  test('cost is symmetric, 0 against itself, and never below the difference in length', () => {
    fc.assert(
      fc.property(part, part, (a, b) => {
        expect(costOf(a, b)).toBe(costOf(b, a));
        expect(costOf(a, a)).toBe(0);
        const difference = Math.abs(a.split(',').length - b.split(',').length);
        expect(costOf(a, b)).toBeGreaterThanOrEqual(4 * difference);
      }),
      { seed: 21, numRuns: 300 },
    );
  });
});

describe('assembly minutes', () => {
  test('a figure that needs nothing: 3 + ½·4 = 5 minutes', () => {
    expect(assemblyMinutes(of(figure('a')), [], false)).toBe(50);
  });

  test('both roles taught to all: times 1.5', () => {
    expect(assemblyMinutes(of(figure('a')), [], true)).toBe(75);
  });

  test('two of four steps new for both roles: 3 + ½·2 = 4', () => {
    const a = figure('a');
    const b = figure('b', { parts: { lead: 'L fwd, R fwd, L back, R side', follow: 'opposite' } });
    expect(newSteps(of(b), [of(a)])).toBe(2);
    expect(assemblyMinutes(of(b), [of(a)], false)).toBe(40);
  });

  test('new in one role only counts half: 3 + ½·½ = 3.25, half up to 3.3', () => {
    const a = figure('a');
    const b = figure('b', {
      parts: { lead: 'L fwd, R fwd, L fwd, R close', follow: 'R back, L back, R side, L close' },
    });
    expect(assemblyMinutes(of(b), [of(a)], false)).toBe(33);
  });

  test('the pattern’s own minutes stand', () => {
    expect(assemblyMinutes(of(figure('a', { minutes: 4.5 })), [], true)).toBe(45);
  });
});

describe('elements are derived from the figure', () => {
  const minutesOf = (pattern: Pattern) =>
    Object.fromEntries(figureElements(of(pattern), new Map()).map(({ id, minutes }) => [id, minutes / 10]));

  test('holds, the change between them, and turns by role, size and direction', () => {
    const spin = figure('a', {
      rhythm: '1 2',
      parts: { lead: 'L fwd, R close', follow: 'R +180 fwd, L -360 close' },
      exit: 'beside',
    });
    expect(minutesOf(spin)).toEqual({
      'hold-open': 4,
      'hold-beside': 4,
      'turn-follow-l180': 4,
      'turn-follow-r360': 5,
      'change-open-beside': 2,
    });
  });

  test('a hold passed through inside makes two changes', () => {
    const ids = Object.keys(minutesOf(figure('a', { holds: [{ event: 2, hold: 'near' }] })));
    expect(ids).toEqual(['hold-open', 'hold-near', 'change-open-near', 'change-near-open']);
  });

  test.each([
    ['1 &', ['rhythm-split-half']],
    ['1 a', ['rhythm-split-quarter']],
    ['& 1', ['rhythm-split-half', 'rhythm-pickup']],
    ['1 (2) 3', ['rhythm-rest']],
    ['1 4', ['rhythm-long']],
    ['free', ['rhythm-free']],
  ])('the rhythm %s has the cells %j', (rhythm, cells) => {
    const pattern = figure('a', { rhythm, parts: { lead: 'L fwd, R close', follow: 'opposite' } });
    expect(Object.keys(minutesOf(pattern)).filter(id => id.startsWith('rhythm'))).toEqual(cells);
  });

  test('a swung split is another cell', () => {
    const pattern = figure('a', {
      rhythm: '1 &',
      split: 'swung',
      parts: { lead: 'L fwd, R close', follow: 'opposite' },
    });
    expect(minutesOf(pattern)).toHaveProperty('rhythm-split-swung', 3);
  });

  test('the plainest actions cost nothing, others 2 minutes a role', () => {
    const pattern = figure('a', {
      rhythm: '1 2',
      parts: { lead: 'L fwd, R cross-front', follow: 'opposite' },
    });
    expect(minutesOf(pattern)).toMatchObject({
      'action-lead-cross-front': 2,
      'action-follow-cross-behind': 2,
    });
  });

  test('holds that are like each other share an element', () => {
    const holds = [
      ...dance.holds,
      { id: 'twin', name: 'Twin', contact: 'hand' as const, rel: 180, like: 'open' },
    ];
    const ids = figureElements(of(figure('a', { exit: 'twin' }), { ...dance, holds }), new Map()).map(
      ({ id }) => id,
    );
    expect(ids).toEqual(['hold-open']);
  });

  test('the studio’s own elements are added, and override derived minutes', () => {
    const studio = new Map([
      ['hold-open', { id: 'hold-open', name: 'Open', strand: 'hold' as const, minutes: 6 }],
      ['frame', { id: 'frame', name: 'Frame', strand: 'lead' as const, minutes: 2.5 }],
    ]);
    const elements = figureElements(of(figure('a', { elements: ['frame'] })), studio);
    expect(elements.map(({ id, minutes }) => [id, minutes])).toEqual([
      ['hold-open', 60],
      ['frame', 25],
    ]);
  });
});
