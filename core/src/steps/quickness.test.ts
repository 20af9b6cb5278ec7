import { expect, test } from 'vitest';
import { readFigure } from '../couple/read-figure.ts';
import { RHYTHM_TEMPLATES } from '../programme/templates.ts';
import { dance, figure } from '../test/studio.ts';
import { quickestStep } from './quickness.ts';

const solo = { ...dance, roles: 'solo' as const, floor: 'free' as const, holds: [] };
const quickest = (rhythm: string, steps: string, tempo: number, shortest?: number) => {
  const { figure: read } = readFigure(figure('one', { rhythm, parts: { solo: steps } }), solo);
  return quickestStep(read, tempo, shortest);
};

test.each([
  // 60 / 120 s = 500 ms a beat
  ['a step a beat travels', '1 2', 'L fwd, R fwd', { kind: 'travels', ms: 500, limit: 250 }],
  ['half a beat in a triple', '1&2', 'L side, R close, L side', { kind: 'triple', ms: 250, limit: 125 }],
  ['a pick-up before the bar', '&1 2', 'L back, R fwd, L side', { kind: 'triple', ms: 250, limit: 125 }],
  [
    'a run of four is no triple',
    '1&2&3',
    'L fwd, R fwd, L fwd, R fwd, L fwd',
    { kind: 'travels', ms: 250, limit: 250 },
  ],
  [
    'a sound takes no weight',
    '1e&a2',
    'L tap, L tap, L tap, L tap, L fwd',
    { kind: 'sound', ms: 125, limit: 100 },
  ],
])('%s', (_, rhythm, steps, expected) => {
  expect(quickest(rhythm, steps, 120)).toEqual(expected);
});

test('what a level says goes for all kinds; without timing nothing is quick', () => {
  expect(quickest('1&2', 'L side, R close, L side', 120, 400)?.limit).toBe(200);
  expect(quickest('free:2', 'L side, R close', 120)).toBeUndefined();
});

// Every kind of rhythm at a usual tempo for it, with a step on each count that can be danced.
test.each(RHYTHM_TEMPLATES)(
  '$words: its own basic is not too quick at 160 beats a minute',
  ({ id, example, dance: terms }) => {
    const own = { ...terms, id, name: id, roles: 'solo' as const, holds: [] };
    const count = example.match(/\d|&|S|Q/g)?.length ?? 0;
    const steps = Array.from({ length: count }, (_, index) => `${index % 2 === 0 ? 'L' : 'R'} side`).join(
      ', ',
    );
    const { figure: read } = readFigure(figure('basic', { rhythm: example, parts: { solo: steps } }), own);
    const found = quickestStep(read, 160);
    expect(found === undefined || found.ms >= found.limit).toBe(true);
  },
);
