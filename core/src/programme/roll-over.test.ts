import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Check, Course, Mark } from '../model/document.ts';
import { log } from '../test/log.ts';
import { course, figure, studio } from '../test/studio.ts';
import { type HeldClass, type RollOverSource, rolledOver, rollOver } from './roll-over.ts';

const library = openLibrary(
  studio([
    figure('basic', { kind: 'basic', minutes: 10 }),
    figure('walk', { minutes: 10, needs: ['basic'] }),
    figure('wrap', { minutes: 10, needs: ['basic'] }),
    figure('turn', { minutes: 10 }),
    figure('dip', { minutes: 10 }),
    figure('spin', { minutes: 10 }),
  ]),
);
const items: Course['items'] = [
  { pattern: 'basic', value: 'must' },
  { pattern: 'walk', value: 'must' },
  { pattern: 'wrap', value: 'should', pin: 4 },
  { pattern: 'turn', value: 'should' },
  { pattern: 'dip', value: 'could' },
  { pattern: 'spin', value: 'should' },
];
const held = course(items);
const followed = { placed: { basic: 1, walk: 2, wrap: 4, turn: 3, spin: 5 }, ahead: [] };
const students = ['ida', 'jo'].map(student => ({ student, role: 'lead' as const }));
const mark = (student: string, pattern: string, value: Mark['mark']): Mark => ({
  ...{ id: `${student} ${pattern}`, student, role: 'lead', pattern, layer: 'steps', mark: value },
  ...{ by: 'bram', at: '2026-01-01T19:00:00Z' },
});
const check = (id: string): Check => ({
  ...{ id: `${id} final`, section: id, kind: 'final', date: '2026-01-01' },
  items: ['basic', 'wrap', 'turn'].map(pattern => ({ pattern, layers: ['steps'], gate: true })),
  marks: [
    ...students.flatMap(({ student }) => [mark(student, 'basic', 2), mark(student, 'turn', 2)]),
    ...[mark('ida', 'wrap', 1), mark('jo', 'wrap', 1)],
  ],
});
const heldClass = (id: string, minutes: Record<string, number>): HeldClass => ({
  section: { id, students },
  checks: [check(id)],
  logs: Object.entries(minutes).map(([pattern, taken]) =>
    log(followed.placed[pattern as 'basic'] ?? 1, pattern, 'solid', { section: id, minutes: taken }),
  ),
});
// The basic brings elements of its own.
const planned = { basic: 14, walk: 10, wrap: 10, turn: 10 };
const told = (more: Partial<RollOverSource>) =>
  rollOver(library, { course: held, followed, held: [], above: [], ...more }).map(({ code, change }) => [
    code,
    change,
  ]);

test('minutes follow the median of the classes, held toward the plan while there are few', () => {
  const three = ['a', 'b', 'c'].map(id => heldClass(id, { ...planned, walk: 20, spin: 10, dip: 10 }));
  const [minutes] = rollOver(library, { course: held, followed, held: three, above: [] });
  expect(minutes).toMatchObject({
    code: 'minutes',
    change: { pattern: 'walk' },
    seen: expect.stringContaining('in 3 classes'),
  });
  const one = rollOver(library, { course: held, followed, held: three.slice(0, 1), above: [] })[0];
  expect(one?.change.minutes).toBeGreaterThan(10);
  expect(minutes?.change.minutes).toBeGreaterThan(one?.change.minutes ?? 0);
});

test('what no class came to is worth less or left out, what few passed comes sooner, what was missing above is a gate', () => {
  const above = [{ name: 'Quay 2', logs: [log(1, 'turn', 'shaky', { minutes: 15 })] }];
  expect(told({ held: [heldClass('a', planned)], above })).toEqual([
    ['left', { pattern: 'dip', item: null }],
    ['left', { pattern: 'spin', item: { value: 'could' } }],
    ['failed', { pattern: 'wrap', item: { to: 3 } }],
    ['above', { pattern: 'turn', item: { gate: true } }],
  ]);
});

test('without a class that was held nothing is said', () => {
  expect(told({})).toEqual([]);
});

test('the next course keeps where figures lie, and takes the changes that were chosen', () => {
  const next = rolledOver(held, followed, {
    ...{ id: 'next', name: 'Quay 1, spring' },
    changes: [
      { pattern: 'dip', item: null },
      { pattern: 'wrap', item: { to: 3 } },
      { pattern: 'wrap', item: { gate: true } },
      { pattern: 'walk', minutes: 12 },
    ],
  });
  expect(next).toMatchObject({ id: 'next', name: 'Quay 1, spring', lessons: held.lessons });
  expect(next.items).toEqual([
    { pattern: 'basic', value: 'must' },
    { pattern: 'walk', value: 'must' },
    { pattern: 'wrap', value: 'should', to: 3, gate: true },
    { pattern: 'turn', value: 'should' },
    { pattern: 'spin', value: 'should' },
  ]);
  expect(next.placed).toContainEqual({ pattern: 'wrap', lesson: 4 });
});
