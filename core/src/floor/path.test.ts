import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Dance, Pattern } from '../model/document.ts';
import { ACTIONS } from '../model/step-words.ts';
import { readWrittenFigure } from '../steps/figure.ts';
import { dance, figure } from '../test/studio.ts';
import { figurePath, type Point, STEP_LENGTHS } from './path.ts';
import { couplesInRoom, footprint, phraseTravel, REACH, travel } from './room.ts';

const read = (more: Partial<Pattern>, inDance: Partial<Dance> = {}) =>
  readWrittenFigure(figure('a', more), { ...dance, ...inDance }).figure;
const rounded = ({ x, y }: Point) => [Math.round(x * 100) / 100 + 0, Math.round(y * 100) / 100 + 0];
const end = (lead: string, rhythm = '1 2', more: Partial<Dance> = {}) => {
  const [track] = figurePath(read({ rhythm, parts: { solo: lead } }, { roles: 'solo', ...more }));
  return { at: rounded(track?.middle.at(-1) ?? { x: 9, y: 9 }), facing: track?.facing };
};

describe('the path of a soloist', () => {
  test.each([
    ['two steps forward are two lengths up', 'L fwd, R fwd', [0, 1]],
    ['a side step to the left goes left, and the other foot closes to it', 'L side, R close', [-0.4, 0]],
    ['a side step of the right foot goes right', 'R side, L close', [0.4, 0]],
    ['a step back and its replacement come back', 'L back, R replace', [0, 0]],
    ['a quarter to the left, then forward, goes left', 'L +90 fwd, R close', [-0.5, 0]],
    ['a tap moves nobody', 'L tap, L fwd', [0, 0.5]],
    ['small steps are half as long', 'L fwd small, R fwd small', [0, 0.5]],
  ])('%s', (_, part, at) => {
    expect(end(part).at).toEqual(at);
  });

  test('steps under a beat are shorter, a dance sets its own lengths', () => {
    expect(end('L fwd, R fwd', '1&').at).toEqual([0, 0.7]);
    expect(end('L fwd, R fwd', '1 2', { stepLengths: { fwd: 0.8 } }).at).toEqual([0, 1.6]);
  });

  test('turns before and after the action add up in the facing', () => {
    expect(end('L +90 fwd, R side -45').facing).toBe(45);
  });

  test('every action that all dances know has a length or stays', () => {
    const moving = [...ACTIONS].filter(([, weight]) => weight !== 'stays').map(([action]) => action);
    expect(moving.filter(action => STEP_LENGTHS[action] === undefined)).toEqual([]);
  });

  test('nobody is further away than all steps together, and a circle of four quarters closes', () => {
    const action = fc.constantFrom('fwd', 'back', 'side', 'fwd +90', 'close', '-45 back');
    fc.assert(
      fc.property(fc.array(action, { minLength: 1, maxLength: 8 }), actions => {
        const part = actions.map((text, index) => `${index % 2 ? 'R' : 'L'} ${text}`).join(', ');
        const figureOf = read({ rhythm: 'free', parts: { solo: part } }, { roles: 'solo' });
        const [x = 0, y = 0] = rounded(figurePath(figureOf)[0]?.middle.at(-1) ?? { x: 0, y: 0 });
        expect(Math.hypot(x, y)).toBeLessThanOrEqual(actions.length * 0.75);
      }),
      { seed: 51, numRuns: 100 },
    );
    const square = read(
      { rhythm: '1 2', parts: { solo: 'L fwd, R close +90' } },
      { roles: 'solo', floor: 'free' },
    );
    expect(travel(square, 4).metres).toBeCloseTo(0, 6);
  });
});

describe('the path of a couple', () => {
  test('face to face the follower stands in front and goes the same way', () => {
    const [lead, follow] = figurePath(read({}));
    expect(rounded(follow?.middle[0] ?? { x: 9, y: 9 })).toEqual([0, 0.85]);
    const gap = (index: number) => (follow?.middle.at(index)?.y ?? 9) - (lead?.middle.at(index)?.y ?? 0);
    expect(gap(-1)).toBeCloseTo(0.85, 6);
  });
  test('side by side the follower is where the hands say: left hand to right hand is at the left', () => {
    const [, follow] = figurePath(
      read({
        entry: ['beside'],
        exit: 'same',
        parts: { lead: 'L fwd, R fwd, L fwd, R close', follow: 'alike' },
      }),
    );
    expect(rounded(follow?.middle[0] ?? { x: 9, y: 9 })).toEqual([-0.85, 0]);
  });
});

describe('a figure in a room', () => {
  const box = footprint(
    figurePath(read({ rhythm: '1 2', parts: { solo: 'L side, R close' } }, { roles: 'solo' })),
  );
  test('the footprint has reach on every side: 0.4 + a stance of 0.2 + 2 × 0.3 wide', () => {
    expect(box?.width).toBeCloseTo(1.2, 6);
    expect(box?.length).toBeCloseTo(2 * REACH, 6);
  });
  test('in 12 × 9 metres 7 rows of 20 stand, one behind the other round the room fewer', () => {
    if (!box) throw new Error('no box');
    expect(couplesInRoom(box, { length: 12, width: 9 }, 'spot')).toBe(150);
    expect(couplesInRoom(box, { length: 12, width: 9 }, 'line')).toBe(62);
    expect(couplesInRoom(box, { length: 1, width: 1 }, 'line')).toBe(0);
  });
  test('a phrase of 8 beats goes two figures of 1.35 metres along the line', () => {
    const gone = phraseTravel(read({}));
    expect(gone?.metres).toBeCloseTo(2.7, 6);
    expect(gone?.along).toBeCloseTo(2.7, 6);
    expect(phraseTravel(read({ rhythm: 'free' }))).toBeUndefined();
  });
  test('a figure that starts with its back to the line goes against it', () => {
    expect(travel(read({ align: [180] }), 1).along).toBeCloseTo(-1.35, 6);
  });
  test('a side basic danced on alternate feet keeps its place', () => {
    const side = read(
      { rhythm: '1 2 3', parts: { solo: 'L side, R close, L place' } },
      { roles: 'solo', floor: 'spot' },
    );
    expect(travel(side, 2).metres).toBeCloseTo(0, 6);
  });
});
