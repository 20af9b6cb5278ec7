import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lessonsOver } from '../class/progress.ts';
import { openLibrary } from '../library/library.ts';
import type { PatternKind } from '../model/document.ts';
import { laid } from '../test/plan-problems.ts';
import { course, figure, studio } from '../test/studio.ts';
import { buildPlanProblem, taughtAsPlanned } from './build-problem.ts';
import { itemReasons } from './reasons.ts';
import { solvePlan } from './solve.ts';
import { askWhatIf, whatIfsOf } from './what-if.ts';

const weeks = (count: number, first = 1) =>
  Array.from({ length: count }, (_, index) => `2026-03-${String(first + index).padStart(2, '0')}`);

describe('how many lessons of a course are over', () => {
  const TODAY = '2026-03-05';
  test.each([
    ['no class', [], 0],
    ['by their days: 1, 2, 3 and 4 March have passed, the 5th has not', [{ dates: weeks(8), behind: 0 }], 4],
    ['today’s is over once it is finished', [{ dates: weeks(8), behind: 5 }], 5],
    [
      'the most advanced class counts',
      [
        { dates: weeks(8, 4), behind: 0 },
        { dates: weeks(8), behind: 4 },
      ],
      4,
    ],
    [
      'a class at its end does not count beside one that runs',
      [
        { dates: weeks(3), behind: 3 },
        { dates: weeks(8, 3), behind: 1 },
      ],
      2,
    ],
    ['where all are at their end, all is over', [{ dates: weeks(3), behind: 3 }], 3],
    ['a class without dates goes by what was told', [{ dates: [], behind: 2 }], 2],
  ])('%s', (_, classes, expected) => {
    expect(lessonsOver(classes, TODAY)).toBe(expected);
  });
});

test('what was planned for lessons that are over is taught; what is no longer in the course is not named', () => {
  const items = [
    { pattern: 'a', value: 'must' as const },
    { pattern: 'b', value: 'must' as const },
  ];
  expect(taughtAsPlanned(course(items), { a: 1, b: 4, gone: 1 }, 2)).toEqual({ lessons: 2, items: { a: 1 } });
  expect(taughtAsPlanned(course(items), { a: 1 }, 0)).toBeUndefined();
});

/** A course of up to ten figures over eight lessons, some in need of an earlier one. */
const anyCourse = fc.array(
  fc.record({
    kind: fc.constantFrom<PatternKind>('basic', 'pattern', 'turn'),
    need: fc.nat({ max: 12 }),
    minutes: fc.integer({ min: 4, max: 18 }),
    value: fc.constantFrom('must', 'should', 'could'),
  }),
  { minLength: 3, maxLength: 10 },
);

test('a course with four lessons taught proposes no move into them, and nothing it tells names one', () => {
  fc.assert(
    fc.property(
      anyCourse,
      fc.array(fc.nat({ max: 9 }), { maxLength: 4 }),
      fc.boolean(),
      (specs, shaken, isPublished) => {
        const patterns = specs.map(({ kind, need, minutes }, index) =>
          figure(`f${index}`, { kind, minutes, level: 'one', ...(need < index && { needs: [`f${need}`] }) }),
        );
        const library = openLibrary(studio(patterns));
        const { lessons } = course([]);
        const items = specs.map(({ value }, index) => ({ pattern: `f${index}`, value }) as const);
        const whole = course(items, { lessons: [...lessons, ...lessons.slice(0, 3)] });
        const first = buildPlanProblem(library, whole);
        if (!first.ok) throw new Error(first.fault.join());
        const planned = solvePlan(first.value, { seed: 1, budget: { kind: 'work', work: 2000 } }).placed;
        // A director has meanwhile put some figures elsewhere, as far as into evenings that are over.
        const now = {
          ...planned,
          ...Object.fromEntries(shaken.map((index, place) => [`f${index % specs.length}`, place + 1])),
        };
        const taught = taughtAsPlanned(
          whole,
          planned,
          lessonsOver([{ dates: weeks(8), behind: 0 }], '2026-03-05'),
        );
        const rest = buildPlanProblem(library, whole, {
          ...(isPublished && { published: planned }),
          ...(taught && { taught }),
        });
        if (!rest.ok || !taught) throw new Error('a course of which something was taught can be planned');
        const answer = solvePlan(rest.value, {
          seed: 1,
          budget: { kind: 'work', work: 2000 },
          start: laid(now),
        });
        const isSound = (placed: Readonly<Record<string, number>>) => {
          for (const { pattern } of whole.items) {
            const stands = taught.items[pattern];
            if (stands !== undefined) expect(placed[pattern]).toBe(stands);
            else expect(placed[pattern] ?? 8).toBeGreaterThan(4);
          }
        };
        isSound(answer.placed);
        const [lesson] = whatIfsOf(rest.value);
        if (lesson) isSound(askWhatIf(rest.value, answer, lesson).placed);
        for (const { pattern } of whole.items) {
          const { earlier } = itemReasons(rest.value, answer, pattern);
          if (earlier) expect(answer.placed[pattern]).toBeGreaterThan(5);
        }
      },
    ),
    { seed: 14, numRuns: 60 },
  );
});
