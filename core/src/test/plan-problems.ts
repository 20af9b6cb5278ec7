import fc from 'fast-check';
import { createRandom } from '../model/random.ts';
import { tenths } from '../model/units.ts';
import { mayComeAhead } from '../plan/ahead.ts';
import { type Judgement, judgePlan, type PlanCost } from '../plan/judge.ts';
import type { Placed, Placing, PlanItem, PlanProblem } from '../plan/problem.ts';

const kinds: PlanItem['kind'][] = ['basic', 'pattern', 'turn', 'drill', 'quality'];
const values: PlanItem['value'][] = ['must', 'should', 'could'];

/** Twelve items over six lessons with everything a problem can have. */
export const anyProblem = fc
  .record({
    seed: fc.integer({ min: 1, max: 1e6 }),
    open: fc.boolean(),
    apart: fc.boolean(),
    taught: fc.integer({ min: 0, max: 2 }),
    capacity: fc.integer({ min: 120, max: 320 }),
  })
  .map(({ seed, open, apart, taught, capacity }): PlanProblem => {
    const random = createRandom(seed);
    const pick = (count: number) => Math.floor(random() * count);
    const items = Array.from({ length: 12 }, (_, i): PlanItem => {
      const needs = i > 0 && random() < 0.5 ? [`i${pick(i)}`] : [];
      return {
        id: `i${i}`,
        kind: kinds[pick(5)] ?? 'basic',
        value: values[pick(3)] ?? 'must',
        assembly: tenths(20 + pick(60)),
        elements: [`e${pick(6)}`, `e${pick(6)}`],
        needs,
        ...(!open && random() < 0.15 && { split: true }),
        ...(random() < 0.2 && { from: 1 + pick(3) }),
        ...(random() < 0.2 && needs.length === 0 && { gate: true }),
        ...(random() < 0.7 && { difficulty: pick(8) }),
        ...(random() < 0.3 && { out: [`i${(i + 1 + pick(11)) % 12}`, `i${(i + 1 + pick(11)) % 12}`] }),
        ...(random() < 0.3 && { in: [`i${(i + 1 + pick(11)) % 12}`] }),
      };
    });
    const published = Object.fromEntries(
      items.filter(() => random() < 0.6).map(({ id }) => [id, 1 + pick(5)]),
    );
    return {
      lessons: Array.from({ length: 6 }, () => ({ capacity: tenths(capacity) })),
      items,
      elements: Object.fromEntries(Array.from({ length: 6 }, (_, i) => [`e${i}`, tenths(20 + 5 * i)])),
      known: ['e5'],
      lookalikes: [
        ['i0', 'i1'],
        ['i2', 'i5'],
        ['i3', 'i4'],
      ],
      apart,
      open,
      along: seed % 3 > 0,
      ahead: seed % 2 > 0,
      published,
      ...(taught > 0 && { taught: { lessons: taught, items: { i0: 1 } } }),
    };
  });

/** A plan without anything taught ahead. */
export const laid = (placed: Placed, ahead: readonly string[] = []): Placing => ({ placed, ahead });

export function judge(given: PlanProblem, { placed, ahead }: Placing): Judgement {
  return judgePlan(given, placed, ahead);
}

/** A pattern of four minutes that must be taught. */
export const item = (id: string, more: Partial<PlanItem> = {}): PlanItem => ({
  id,
  kind: 'pattern',
  value: 'must',
  assembly: tenths(40),
  elements: [],
  needs: [],
  ...more,
});

/** Five lessons of thirty minutes. */
export const problem = (items: PlanItem[], more: Partial<PlanProblem> = {}): PlanProblem => ({
  lessons: Array.from({ length: 5 }, () => ({ capacity: tenths(300) })),
  items,
  elements: {},
  lookalikes: [],
  apart: true,
  ...more,
});

/** Problems that brute force can solve: up to so many items over four lessons. */
export const small = (most: number) =>
  fc
    .record({
      kinds: fc.array(fc.constantFrom('basic', 'pattern', 'turn', 'quality'), {
        minLength: 3,
        maxLength: most,
      }),
      minutes: fc.array(fc.integer({ min: 20, max: 110 }), { minLength: 5, maxLength: 5 }),
      needs: fc.array(fc.nat({ max: 9 }), { minLength: 5, maxLength: 5 }),
      values: fc.array(fc.constantFrom('must', 'should', 'could'), { minLength: 5, maxLength: 5 }),
      capacity: fc.integer({ min: 80, max: 260 }),
      open: fc.boolean(),
      split: fc.nat({ max: 9 }),
      ways: fc.array(fc.nat({ max: 9 }), { minLength: 10, maxLength: 10 }),
    })
    .map(({ kinds, minutes, needs, values, capacity, open, split, ways }) =>
      problem(
        kinds.map((kind, i) =>
          item(`i${i}`, {
            kind: kind as PlanItem['kind'],
            value: values[i] as PlanItem['value'],
            assembly: tenths(minutes[i] ?? 30),
            elements: i % 2 ? ['e', `f${i}`] : ['e'],
            needs: (needs[i] ?? 9) < i ? [`i${needs[i]}`] : [],
            ...(split === i && { split: true }),
            ...((ways[i] ?? 0) % 3 > 0 && { difficulty: minutes[i] ?? 0 }),
            ...wayAmong(kinds.length, i, 'out', ways[i]),
            ...wayAmong(kinds.length, i, 'in', ways[i + 5]),
          }),
        ),
        {
          lessons: Array.from({ length: 4 }, () => ({ capacity: tenths(capacity) })),
          elements: { e: tenths(30), f1: tenths(20), f3: tenths(40) },
          lookalikes: [['i0', 'i1']],
          open,
          along: (ways[4] ?? 0) % 2 === 0,
          ahead: (ways[3] ?? 0) % 2 === 0,
        },
      ),
    );

function wayAmong(count: number, own: number, list: 'out' | 'in', way = 9): Partial<PlanItem> {
  return way < count && way !== own ? { [list]: [`i${way}`] } : {};
}

/** The cost of every plan that breaks no rule: items in every lesson or left out, elements ahead or not. */
export function* legalCosts(given: PlanProblem, placed: Placed = {}, index = 0): Generator<PlanCost> {
  const id = given.items[index]?.id;
  if (id === undefined) {
    for (const ahead of subsetsOf([...mayComeAhead(given)])) {
      const { cost, broken } = judgePlan(given, placed, ahead);
      if (broken.length === 0) yield cost;
    }
    return;
  }
  yield* legalCosts(given, placed, index + 1);
  for (let lesson = 1; lesson <= given.lessons.length; lesson += 1)
    yield* legalCosts(given, { ...placed, [id]: lesson }, index + 1);
}

function subsetsOf(ids: readonly string[]): readonly (readonly string[])[] {
  return Array.from({ length: 2 ** ids.length }, (_, bits) => ids.filter((_, index) => bits & (1 << index)));
}

/** The least cost of all plans that break no rule, by trying each. */
export function bruteForce(given: PlanProblem): number {
  return Math.min(...[...legalCosts(given)].map(({ total }) => total));
}
