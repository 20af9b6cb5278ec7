import fc from 'fast-check';
import { expect, test } from 'vitest';
import { giveWay } from './give-way.ts';
import type { BlockKind, LessonBlock } from './lesson-blocks.ts';

const block = (kind: BlockKind, minutes: number, isLeft = false): LessonBlock => ({
  ...{ kind, minutes, title: kind, from: '', to: '', patterns: [], within: {}, layers: [] },
  ...(isLeft && { isLeft: true }),
});
const LATE = [
  block('new', 10, true),
  block('new', 9),
  block('new', 6),
  block('prepare', 3),
  block('combine', 8),
  block('dance', 10),
];

test.each([
  [0, [10, 9, 6, 3, 8, 10]],
  [6, [10, 9, 6, 3, 5, 7]],
  [12, [10, 7, 5, 3, 4, 5]],
  // What is prepared falls away, and the surplus is danced.
  [16, [10, 6, 4, 0, 4, 6]],
  [20, [10, 6, 0, 0, 4, 6]],
  // What was not reached last time is there to the end.
  [27, [10, 0, 0, 0, 4, 5]],
  [40, [3, 0, 0, 0, 1, 2]],
  [46, [0, 0, 0, 0, 0, 0]],
])('%d minutes lost', (lost, minutes) => {
  expect(giveWay(LATE, lost)).toEqual(minutes);
});

test('it adds up, and what is left from last time gives last', () => {
  const kind = fc.constantFrom<BlockKind>('recall', 'new', 'prepare', 'combine', 'dance', 'recap');
  const blocks = fc.array(fc.tuple(kind, fc.integer({ min: 0, max: 20 }), fc.boolean()), {
    minLength: 1,
    maxLength: 8,
  });
  fc.assert(
    fc.property(blocks, fc.nat({ max: 60 }), (list, wanted) => {
      const own = list.map(([what, minutes, isLeft]) => block(what, minutes, isLeft && what === 'new'));
      const sum = own.reduce((all, { minutes }) => all + minutes, 0);
      const lost = Math.min(wanted, sum);
      const minutes = giveWay(own, lost);
      expect(minutes.reduce((all, one) => all + one, 0)).toBe(sum - lost);
      expect(Math.min(...minutes)).toBeGreaterThanOrEqual(0);
      const isShorter = own.some(({ isLeft, minutes: had }, index) => isLeft && (minutes[index] ?? 0) < had);
      if (isShorter)
        for (const [index, { kind: what, isLeft }] of own.entries())
          if ((what === 'new' && !isLeft) || what === 'prepare') expect(minutes[index]).toBe(0);
    }),
    { seed: 30, numRuns: 500 },
  );
});
