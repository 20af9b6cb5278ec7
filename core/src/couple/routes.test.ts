import fc from 'fast-check';
import { expect, test } from 'vitest';
import { levelRoutes } from '../library/level-routes.ts';
import { openLibrary } from '../library/library.ts';
import type { Pattern } from '../model/document.ts';
import { dance, figure, studio } from '../test/studio.ts';
import { readFigure } from './read-figure.ts';
import { figureRoute, findRoutes } from './routes.ts';
import { strongGroups } from './strong-groups.ts';

const read = (pattern: Pattern) => readFigure(pattern, dance).figure;
const basic = figure('walk', { kind: 'basic' });
const turned = (id: string, align: number, turn: number) => figure(id, { align: [align], turn });

function routeOf(id: string, patterns: readonly Pattern[]) {
  const figures = patterns.map(read);
  const routes = findRoutes(figures);
  const own = figures.find(({ pattern }) => pattern.id === id);
  return routes && own && figureRoute(own, routes);
}

test('a way in and out is the shortest, through what ends and begins as it must', () => {
  const patterns = [
    basic,
    turned('right', 0, -90),
    turned('round', -90, -90),
    turned('home', -180, 180),
    turned('short', -90, 90),
  ];
  expect(routeOf('walk', patterns)).toEqual({ in: [], out: [] });
  expect(routeOf('round', patterns)).toEqual({ in: ['right'], out: ['home'] });
  expect(routeOf('right', patterns)).toEqual({ in: [], out: ['short'] });
});

test('a figure that nothing leads to has no way in, one that sticks no way out', () => {
  expect(routeOf('lost', [basic, turned('lost', 45, 0)])).toEqual({ in: null, out: null });
  expect(routeOf('stuck', [basic, turned('stuck', 0, 90)])).toEqual({ in: [], out: null });
});

test('a dance without a basic is not judged', () => {
  expect(findRoutes([read(figure('a'))])).toBeUndefined();
});

test('of a level is told what no figure up to it joins', () => {
  const patterns = [
    { ...basic, level: 'one' },
    { ...turned('stuck', 0, 90), level: 'one' },
    { ...turned('back', 90, -90), level: 'two' },
  ];
  const library = openLibrary(studio(patterns));
  const told = (level: string) =>
    levelRoutes(library, level).map(({ figure: { pattern }, fault }) => [pattern.id, fault.code]);
  expect(told('one')).toEqual([['stuck', 'no-way-back']]);
  expect(told('two')).toEqual([]);
});

test('groups of places that all lead to one another are those that reach each other both ways', () => {
  const place = fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f');
  fc.assert(
    fc.property(fc.array(fc.record({ from: place, to: place }), { maxLength: 14 }), arrows => {
      const reach = (from: string) => {
        const seen = new Set<string>();
        const open = [from];
        for (const here of open)
          for (const arrow of arrows)
            if (arrow.from === here && !seen.has(arrow.to)) {
              seen.add(arrow.to);
              open.push(arrow.to);
            }
        return seen;
      };
      const groupOf = (one: string) =>
        [...'abcdef'].filter(other => reach(one).has(other) && reach(other).has(one)).join('');
      const expected = new Set([...'abcdef'].map(groupOf).filter(Boolean));
      const found = strongGroups(arrows).map(group => [...group].sort().join(''));
      expect(new Set(found)).toEqual(expected);
      expect(found.length).toBe(expected.size);
    }),
    { seed: 5, numRuns: 300 },
  );
});
