import { expect, test } from 'vitest';
import type { Library } from '../library/library.ts';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { combineFigures } from './combine.ts';
import { type GivenSequence, walkSequence } from './walk.ts';

const library = jettyLibrary({
  base: 'a>a L place, R place',
  into: 'a>b L place, R place, L place, R place',
  home: 'b>a L place, R place',
  odd: 'a>a L place, R place, L place',
  half: 'a>a L +180 place, R place',
  // The leader goes 0.45 m back and stays: 0.85 + 0.45 is within 1.3, twice is not within 1.6.
  away: 'a>a L back, R close|R place, L place',
  either: 'a>a/b L place, R place',
});

function walk(steps: GivenSequence['steps'], more: Partial<GivenSequence> = {}, within: Library = library) {
  const dance = within.dances.get('jetty');
  if (!dance) throw new Error('no dance');
  const { start } = jettyRequest(within, 8);
  return walkSequence(within, { dance, start, end: 'same', steps, ...more });
}
const figures = (...ids: string[]) => ids.map(pattern => ({ pattern }));
const codes = (...ids: string[]) => walk(figures(...ids)).faults.map(({ item, code }) => `${item} ${code}`);

test('a row a figure as it begins: 2 + 4 beats, then home', () => {
  const { rows, beats, closes } = walk(figures('base', 'into', 'home'));
  expect(rows.map(({ pattern, beat, hold, facing }) => [pattern, beat / 48, hold, facing])).toEqual([
    ['base', 0, 'a', 0],
    ['into', 2, 'a', 0],
    ['home', 6, 'b', 0],
  ]);
  expect(rows[0]?.place?.ahead).toBeCloseTo(0.85);
  expect([beats / 48, closes]).toEqual([8, true]);
});

test('four of them, the last one changed', () => {
  const { rows, closes } = walk([{ pattern: 'base', times: 4, last: 'into' }]);
  expect(rows.map(({ pattern, item }) => `${pattern} ${item}`)).toEqual([
    'base 0',
    'base 0',
    'base 0',
    'into 0',
  ]);
  expect(closes).toBe(false);
});

test('a link fails by hold, by foot, by place; after it the dance goes on', () => {
  expect(codes('into', 'base', 'base')).toEqual(['1 hold']);
  expect(codes('odd', 'base', 'base')).toEqual(['1 foot', '1 foot']);
  expect(codes('away', 'away', 'base')).toEqual(['1 join-apart']);
  expect(codes('away', 'base')).toEqual([]);
});

test('on the line of dance a figure begins as it faces', () => {
  const line = jettyLibrary(
    { half: 'a>a L +180 place, R place', base: 'a>a L place, R place' },
    { floor: 'line' },
  );
  const { faults } = walk(figures('half', 'base'), {}, line);
  expect(faults.map(({ code, message }) => [code, message])).toContainEqual([
    'facing',
    'BASE begins at 0° to the line of dance; the couple faces 180°',
  ]);
});

test('the end: the same, the other way, or as at the start when free', () => {
  expect(walk(figures('half')).closes).toBe(false);
  expect(walk(figures('half'), { end: 'opposite' }).closes).toBe(true);
  expect(walk(figures('half'), { end: 'free' }).closes).toBe(false);
  expect(walk(figures('half', 'half'), { end: 'free' }).closes).toBe(true);
});

test('of several the first that can be danced and gone on from; none where that fits first', () => {
  const first = (oneOf: (string | null)[], ...after: string[]) =>
    walk([{ oneOf }, ...figures(...after)]).rows.map(({ pattern }) => pattern);
  expect(first(['home', 'into', 'base'], 'base')).toEqual(['base', 'base']);
  expect(first(['home', null, 'base'], 'base')).toEqual(['base']);
  expect(first(['home'], 'base')).toEqual(['home', 'base']);
});

test('of several ways out the one that leads on is taken', () => {
  const { rows, faults } = walk(figures('either', 'home', 'either', 'base'));
  expect(faults).toEqual([]);
  expect(rows.map(({ hold }) => hold)).toEqual(['a', 'b', 'a', 'a']);
});

test('a choice: the first of its figures that meets the music again', () => {
  const asked = { choices: [{ after: 'base', before: 'home', of: ['away', 'into', 'either', null] }] };
  const request = jettyRequest(library, 8, {
    ...asked,
    use: ['base', 'home', 'into', 'either'],
    maxInRow: 2,
  });
  const { sequences } = combineFigures(library, request);
  expect(sequences[0]?.patterns.join(' ')).toMatch(/base into home/);
  const short = combineFigures(library, { ...request, beats: (6 * 48) as typeof request.beats });
  expect(short.sequences[0]?.patterns.join(' ')).toMatch(
    /^base either home$|home base either|either home base/,
  );
});
