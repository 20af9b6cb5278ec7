import { expect, test } from 'vitest';
import { jettyLibrary, jettyRequest } from '../test/sequences.ts';
import { couplePath, ownFloor, pathFootprint } from './couple-path.ts';
import { walkSequence } from './walk.ts';

const library = jettyLibrary({
  // Both go on together, 0.45 m a step.
  on: 'a>a L fwd, R fwd|R back, L back',
  half: 'a>a L +180 place, R place',
});
const dance = library.dances.get('jetty');
if (!dance) throw new Error('no dance');
const walk = (...ids: string[]) =>
  walkSequence(library, {
    ...{ dance, end: 'free', steps: ids.map(pattern => ({ pattern })) },
    start: jettyRequest(library, 4).start,
  }).rows;
const ends = (...ids: string[]) =>
  couplePath(walk(...ids), id => library.readings.get(id)?.figure).map(({ points }) => points.at(-1));

test('two steps forward, twice: the middle goes 1.8 m up', () => {
  const [first, second] = ends('on', 'on');
  expect((second?.y ?? 0) - (first?.y ?? 0)).toBeCloseTo(0.9);
  const box = pathFootprint(couplePath(walk('on', 'on'), id => library.readings.get(id)?.figure));
  // 1.8 m danced, and 0.6 m on either side.
  expect(box?.length).toBeCloseTo(3);
  expect(box?.width).toBeCloseTo(1.2);
});

test('beside each point stand both: the leader at the start, the follower in the middle of the hold', () => {
  const [piece] = couplePath(walk('on'), id => library.readings.get(id)?.figure);
  expect(piece?.bodies).toHaveLength(piece?.points.length ?? 0);
  const [lead, follow] = piece?.bodies[0] ?? [];
  expect([lead?.x, lead?.y]).toEqual([0, 0]);
  expect(((follow?.y ?? 0) + 0) / 2).toBeCloseTo(piece?.points[0]?.y ?? Number.NaN);
});

test('after a half turn forward is the other way', () => {
  const [, turned, back] = ends('on', 'half', 'on');
  expect((back?.y ?? 0) - (turned?.y ?? 0)).toBeLessThan(-0.4);
});

test('on a line of dance all go on together: a couple keeps as much as its longest figure takes', () => {
  const pieces = couplePath(walk('on', 'on'), id => library.readings.get(id)?.figure);
  // 0.9 m danced, and 0.6 m on either side.
  expect(ownFloor(pieces, 'line')?.length).toBeCloseTo(2.1);
  expect(ownFloor(pieces, 'spot')?.length).toBeCloseTo(3);
});
