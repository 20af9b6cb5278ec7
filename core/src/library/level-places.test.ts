import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readFigure } from '../couple/read-figure.ts';
import type { Dance, Pattern } from '../model/document.ts';
import { dance, figure } from '../test/studio.ts';
import { levelPlaces, stuckAmong } from './level-places.ts';
import { findWays } from './level-ways.ts';

const HOLDS = ['home', 'far', 'farther', 'aside'];
const quay: Dance = {
  ...dance,
  floor: 'spot',
  holds: HOLDS.map(id => ({ id, name: id, contact: 'hand' as const, rel: 180 })),
};
const read = (pattern: Pattern) => readFigure(pattern, quay).figure;
const leads = (id: string, entry: string, exit: string, more: Partial<Pattern> = {}) =>
  read(figure(id, { entry: [entry], exit, ...more }));
const basic = leads('basic', 'home', 'home', { kind: 'basic' });
const ids = (figures: readonly { readonly pattern: { readonly id: string } }[]) =>
  figures.map(({ pattern }) => pattern.id);

const out = leads('out', 'home', 'far');
const on = leads('on', 'far', 'farther');
const back = leads('back', 'farther', 'home');
const round = leads('round', 'far', 'home');

describe('what is stuck among what a class has had', () => {
  test('what leads away is stuck until something leads back, what nothing leads to until something does', () => {
    const level = [basic, out, on, back];
    expect(ids(stuckAmong([basic], level))).toEqual([]);
    expect(ids(stuckAmong([basic, out], level))).toEqual(['out']);
    expect(ids(stuckAmong([basic, back], level))).toEqual(['back']);
    expect(ids(stuckAmong([basic, out, on, back], level))).toEqual([]);
  });

  test('property: one more figure never makes another stuck', () => {
    const any = fc
      .array(fc.tuple(fc.constantFrom(...HOLDS), fc.constantFrom(...HOLDS)), { minLength: 1, maxLength: 8 })
      .map(all => all.map(([entry, exit], index) => leads(`f${index}`, entry, exit)));
    fc.assert(
      fc.property(any, fc.nat(), (figures, pick) => {
        const level = [basic, ...figures];
        const more = figures[pick % figures.length];
        const before = [basic, ...figures.filter(one => one !== more && figures.indexOf(one) % 2 === 0)];
        const stuck = new Set(stuckAmong(before, level));
        if (!more) return;
        const after = stuckAmong([...before, more], level).filter(one => one !== more);
        expect(after.filter(one => !stuck.has(one))).toEqual([]);
      }),
      { seed: 71, numRuns: 200 },
    );
  });
});

describe('the ways that a plan asks for', () => {
  test('each figure is led on from by what is nearer to home, and into by what is nearer from there', () => {
    const ways = findWays([basic, out, on, back], []);
    expect(ways.get('out')).toEqual({ out: ['on'] });
    expect(ways.get('on')).toEqual({ out: ['back'], in: ['out'] });
    expect(ways.get('back')).toEqual({ in: ['on'] });
    expect(ways.get('basic')).toEqual({});
  });

  test('a shorter way takes the place of a longer one, and what is known asks for nothing', () => {
    expect(findWays([basic, out, on, back, round], []).get('out')).toEqual({ out: ['round'] });
    expect(findWays([out, on, back], [basic, round]).get('out')).toEqual({});
  });

  test('what never comes home asks for nothing: that is a finding of the level', () => {
    expect(findWays([basic, out], []).get('out')).toEqual({});
  });

  test('where the ways of every figure are had none is stuck', () => {
    const any = fc.array(fc.tuple(fc.constantFrom(...HOLDS), fc.constantFrom(...HOLDS)), { maxLength: 7 });
    fc.assert(
      fc.property(any, fc.array(fc.boolean(), { minLength: 7, maxLength: 7 }), (pairs, taken) => {
        const figures = pairs.map(([entry, exit], index) => leads(`f${index}`, entry, exit));
        const ways = findWays([basic, ...figures], []);
        const had = [basic, ...figures.filter((_, index) => taken[index])];
        const names = new Set(ids(had));
        const isOpen = (list: readonly string[] | undefined) => !list || list.some(id => names.has(id));
        const open = had.every(
          ({ pattern: { id } }) => isOpen(ways.get(id)?.out) && isOpen(ways.get(id)?.in),
        );
        const whole = new Set(ids(stuckAmong([basic, ...figures], [basic, ...figures])));
        fc.pre(open && had.every(({ pattern }) => !whole.has(pattern.id)));
        expect(ids(stuckAmong(had, [basic, ...figures]))).toEqual([]);
      }),
      { seed: 72, numRuns: 200 },
    );
  });
});

test('a level as places: what stays, what leads on, and how far each is from home', () => {
  const { places, ways } = levelPlaces([basic, out, on, back]);
  expect(places.map(({ holds, distance, stay }) => [holds.join(), distance, stay.join()])).toEqual([
    ['home', 0, 'basic'],
    ['far', 1, ''],
    ['farther', 2, ''],
  ]);
  expect(ways.map(({ figures }) => figures.join())).toEqual(['out', 'on', 'back']);
});

test('holds that the same figures begin and end in are one place', () => {
  const both = (id: string, more: Partial<Pattern> = {}) =>
    read(figure(id, { entry: ['home', 'aside'], exit: 'same', ...more }));
  const { places } = levelPlaces([both('walk', { kind: 'basic' }), both('turn')]);
  expect(places.map(({ holds }) => holds)).toEqual([['home', 'aside']]);
});
