import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Course } from '../model/document.ts';
import { laid } from '../test/plan-problems.ts';
import { course, figure, studio } from '../test/studio.ts';
import { buildPlanProblem, secondLook } from './build-problem.ts';
import { judgePlan } from './judge.ts';
import { roomToSpare } from './spare.ts';

const library = openLibrary(
  studio([
    figure('walk', { kind: 'basic', level: 'one', minutes: 10 }),
    figure('wrap', { level: 'one', minutes: 8, needs: ['walk'] }),
    figure('spare', { kind: 'turn', level: 'one', minutes: 6 }),
    figure('higher', { kind: 'turn', level: 'two', minutes: 5, needs: ['wrap'] }),
    figure('too-high', { level: 'two', minutes: 5, needs: ['higher'] }),
  ]),
);
const items: Course['items'] = [
  { pattern: 'walk', value: 'must' },
  { pattern: 'wrap', value: 'should' },
];

describe('room to spare', () => {
  test('what is left out comes first, then this level, then what the level above has whose needs are met', () => {
    const { uses } = roomToSpare(library, course(items), laid({ walk: 1 }));
    expect(uses.map(({ kind, id }) => `${kind} ${id}`)).toEqual(['left-out wrap', 'this-level spare']);
    const all = roomToSpare(library, course(items), laid({ walk: 1, wrap: 2 }));
    expect(all.uses.map(({ kind, id }) => `${kind} ${id}`)).toEqual([
      'this-level spare',
      'next-level higher',
    ]);
  });

  test('each use is told by the judge’s own minutes and breaks no rule', () => {
    const placed = { walk: 1, wrap: 2 };
    for (const { id, lesson, minutes } of roomToSpare(library, course(items), laid(placed)).uses) {
      const wider = buildPlanProblem(library, course([...items, { pattern: id, value: 'could' }]));
      if (!wider.ok) throw new Error(wider.fault.join());
      const { broken, lessons } = judgePlan(wider.value, { ...placed, [id]: lesson });
      expect(broken).toEqual([]);
      expect(lessons[lesson - 1]?.minutes[id]).toBe(minutes);
    }
  });

  test('a shaky figure gets a second look after its own lesson, once', () => {
    const placed = { walk: 1, wrap: 2 };
    const [look] = roomToSpare(library, course(items), laid(placed), {}, ['wrap']).uses.slice(-1);
    expect(look).toMatchObject({ kind: 'second-look', id: 'wrap', lesson: 3 });
    const taken = course(items);
    const lessons = taken.lessons.map((lesson, index) =>
      index === 2 ? { ...lesson, again: ['wrap'] } : lesson,
    );
    const after = roomToSpare(library, { ...taken, lessons }, laid(placed), {}, ['wrap']);
    expect(after.uses.some(({ kind }) => kind === 'second-look')).toBe(false);
    const before = roomToSpare(library, taken, laid(placed)).free;
    expect((before[2] ?? 0) - (after.free[2] ?? 0)).toBe(secondLook(library, taken, 'wrap'));
  });

  test('nothing is proposed into a lesson that is over, or where no lesson has two minutes', () => {
    const history = { taught: { lessons: 2, items: { walk: 1, wrap: 2 } } };
    const { free, uses } = roomToSpare(library, course(items), laid({ walk: 1, wrap: 2 }), history);
    expect(free.slice(0, 2)).toEqual([0, 0]);
    expect(uses.every(({ lesson }) => lesson > 2)).toBe(true);
    const short = course(items, { lessons: course([]).lessons.map(lesson => ({ ...lesson, minutes: 31 })) });
    expect(roomToSpare(library, short, laid({})).uses).toEqual([]);
  });
});
