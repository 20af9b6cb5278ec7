// Chains of levels in which nothing hurts, with one thing planted that does: it is found, and nothing else is told.
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Course, Pattern } from '../model/document.ts';
import { course, figure, studio } from '../test/studio.ts';
import { readProgramme } from './programme.ts';

const EACH = 12;
const idOf = (level: number, index: number) => `f${level}-${index}`;

interface Chain {
  readonly patterns: readonly Pattern[];
  /** What each level teaches. */
  readonly taught: readonly (readonly string[])[];
  readonly gates: readonly string[];
}

/** Each figure needs the one of its place in the level below; all of a level are equally hard. */
function soundChain(levels: number): Chain {
  const numbers = Array.from({ length: levels }, (_, level) => level);
  const places = Array.from({ length: EACH }, (_, index) => index);
  const plain = (level: number) => ({ points: 10 * level + 10, why: 'planted' });
  const basic = figure('basic', { kind: 'basic', level: 'l0', minutes: 10, difficulty: plain(0) });
  const others = numbers.flatMap(level =>
    places.map(index =>
      figure(idOf(level, index), {
        ...{ level: `l${level}`, minutes: 10, difficulty: plain(level) },
        needs: [level === 0 ? 'basic' : idOf(level - 1, index)],
      }),
    ),
  );
  const taught = numbers.map(level => [
    ...(level === 0 ? ['basic'] : []),
    ...places.map(index => idOf(level, index)),
  ]);
  return { patterns: [basic, ...others], taught, gates: [] };
}

function found({ patterns, taught, gates }: Chain): readonly string[] {
  const levels = taught.map((_, level) => ({
    ...{ id: `l${level}`, dance: 'quay', name: `Level ${level}`, order: level },
  }));
  const courses = taught.map((ids, level): Course => {
    const items = ids.map(pattern => ({
      pattern,
      value: 'should' as const,
      ...(gates.includes(pattern) && { gate: true }),
    }));
    return course(items, { id: `c${level}`, name: `Level ${level}`, level: `l${level}` });
  });
  const document = studio(patterns, { levels, courses });
  const { findings } = readProgramme(openLibrary(document), document);
  return findings.map(({ code, level, pattern = '' }) => `${code} ${level} ${pattern}`.trim());
}

const changed = (chain: Chain, id: string, more: Partial<Pattern>): Chain => ({
  ...chain,
  patterns: chain.patterns.map(one => (one.id === id ? { ...one, ...more } : one)),
});
const teaching = (
  chain: Chain,
  level: number,
  change: (ids: readonly string[]) => readonly string[],
): Chain => ({
  ...chain,
  taught: chain.taught.with(level, change(chain.taught[level] ?? [])),
});
const withOneMore = (chain: Chain, level: number): Chain => ({
  ...teaching(chain, level, ids => [...ids, 'more']),
  patterns: [
    ...chain.patterns,
    figure('more', {
      ...{ level: `l${level}`, minutes: 10, needs: ['basic'] },
      difficulty: { points: 10 * level + 10, why: 'planted' },
    }),
  ],
});

/** What is planted at a level below the last, and what is told of it. */
const PLANTS: Readonly<
  Record<string, (chain: Chain, level: number, index: number) => readonly [Chain, readonly string[]]>
> = {
  hole: (chain, level, index) => [
    teaching(chain, level, ids => ids.filter(id => id !== idOf(level, index))),
    [`gap l${level + 1} ${idOf(level, index)}`],
  ],
  repeat: (chain, level, index) => [
    teaching(chain, level + 1, ids => [...ids, idOf(level, index)]),
    [`twice l${level + 1} ${idOf(level, index)}`],
  ],
  heavy: (chain, level) => [
    (chain.taught[level] ?? []).reduce((all, id) => changed(all, id, { minutes: 22 }), chain),
    [`heavy l${level}`],
  ],
  'dead end': (chain, level, index) => [
    changed(chain, idOf(level, index), { exit: 'near' }),
    [`stuck l${level} ${idOf(level, index)}`],
  ],
  'too hard': (chain, level, index) => [
    changed(chain, idOf(level, index), { difficulty: { points: 10 * level + 25, why: 'planted' } }),
    [`out-of-order l${level} ${idOf(level, index)}`],
  ],
  idle: (chain, level) => [withOneMore(chain, level), [`unused l${level}`]],
  'idle gate': (chain, level) => [
    { ...withOneMore(chain, level), gates: ['more'] },
    [`gate-unused l${level} more`],
  ],
};

test('in a sound chain nothing is told', () => {
  for (const levels of [2, 3, 5]) expect(found(soundChain(levels))).toEqual([]);
});

test.each(Object.entries(PLANTS))('planted and found, and nothing else: %s', (_, plant) => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 5 }),
      fc.nat({ max: 100 }),
      fc.nat({ max: EACH - 1 }),
      (levels, at, index) => {
        const [chain, told] = plant(soundChain(levels), at % (levels - 1), index);
        expect(found(chain)).toEqual(told);
      },
    ),
    { seed: 31, numRuns: 8 },
  );
});
