import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { Course, Pattern, StudioDocument } from '../model/document.ts';
import { course, figure, studio } from '../test/studio.ts';
import { readProgramme, takeMend } from './programme.ts';

const LEVELS = ['one', 'two', 'three'].map((id, index) => ({
  ...{ id, dance: 'quay', order: index + 1 },
  name: ['One', 'Two', 'Three'][index] ?? id,
}));
const items = (ids: readonly string[], gates: readonly string[] = []): Course['items'] =>
  ids.map(pattern => ({ pattern, value: 'should', ...(gates.includes(pattern) && { gate: true }) }));
const of = (level: string, list: Course['items'], more: Partial<Course> = {}) =>
  course(list, { id: `course-${level}`, name: level, level, ...more });

function programme(
  patterns: readonly Pattern[],
  courses: readonly Course[],
  more: Partial<StudioDocument> = {},
) {
  const document = studio(patterns, { levels: LEVELS, courses, ...more });
  const { findings, levels } = readProgramme(openLibrary(document), document);
  return {
    levels,
    told: findings.map(({ code, level, pattern, mend }) => [code, level, pattern, mend]),
    of: (code: string) => findings.filter(finding => finding.code === code),
  };
}
const basic = figure('basic', { kind: 'basic', level: 'one' });
const walk = figure('walk', { level: 'one', needs: ['basic'] });

describe('what hurts between levels', () => {
  test('a figure that is needed and taught nowhere below is added where it is needed', () => {
    const wrap = figure('wrap', { level: 'two', needs: ['walk', 'basic'] });
    const { of: told } = programme(
      [basic, walk, wrap],
      [of('one', items(['basic'])), of('two', items(['wrap']))],
    );
    expect(told('gap')).toEqual([
      {
        ...{ code: 'gap', dance: 'quay', level: 'two', pattern: 'walk', mend: { add: 'walk' } },
        costs: [{ level: 'two', before: 3, after: 6 }],
        message: 'walk is needed in Two and taught neither there nor below',
      },
    ]);
  });

  test('a mend that would open another gap is not told', () => {
    const turn = figure('turn', { level: 'one', needs: ['missing-below'] });
    const below = figure('missing-below', { level: 'one', needs: ['basic'] });
    const wrap = figure('wrap', { level: 'two', needs: ['turn'] });
    const { of: told } = programme(
      [basic, below, turn, wrap],
      [of('one', items(['basic'])), of('two', items(['wrap']))],
    );
    expect(told('gap').map(({ pattern, mend }) => [pattern, mend])).toEqual([['turn', undefined]]);
  });

  test('what is taught twice is dropped from the upper level', () => {
    const courses = [of('one', items(['basic', 'walk'])), of('two', items(['walk']))];
    expect(programme([basic, walk], courses).told).toContainEqual(['twice', 'two', 'walk', { drop: 'walk' }]);
  });

  test('by its newest published plan a level teaches what that places, and not its other items', () => {
    const plan = {
      ...{ course: 'course-two', name: 'P', by: 'ana', at: '2026-01-01T10:00:00Z', published: true },
      placed: [{ pattern: 'basic', lesson: 1 }],
      left: [],
    };
    const courses = [of('one', items(['basic'])), of('two', items(['walk', 'basic']))];
    const { levels } = programme([basic, walk], courses, { plans: [plan] });
    expect(levels.map(({ level, gives }) => [level, gives])).toEqual([
      ['one', ['basic']],
      ['two', ['basic']],
      ['three', []],
    ]);
  });

  test('nothing uses it: once a level, not at the last, and neither what is a gate nor what a check asks', () => {
    const patterns = [
      ...[basic, walk],
      ...['idle', 'gate', 'asked'].map(id => figure(id, { level: 'one', needs: ['basic'] })),
    ];
    const all = ['basic', 'walk', 'idle', 'gate', 'asked'];
    const check = {
      ...{ id: 'c', section: 's', kind: 'final' as const, date: '2026-01-05', marks: [] },
      items: [{ pattern: 'asked', layers: ['steps' as const], gate: false }],
    };
    const section = {
      id: 's',
      course: 'course-one',
      start: '19:00',
      dates: ['2026-01-05'],
      staff: [],
      students: [],
    };
    const { of: told } = programme(
      patterns,
      [of('one', items(all, ['gate'])), of('three', items(['walk']))],
      { checks: [check], sections: [section] },
    );
    expect(told('unused').map(({ level, pattern, message }) => [level, pattern, message])).toEqual([
      ['one', undefined, 'Nothing uses walk, idle, which One teaches'],
    ]);
    expect(told('gate-unused').map(({ level, pattern }) => [level, pattern])).toEqual([['one', 'gate']]);
  });

  test('no way back from a figure with what is taught up to its level', () => {
    const away = figure('away', { level: 'one', needs: ['basic'], exit: 'near' });
    const home = figure('home', { level: 'one', needs: ['away'], entry: ['near'], exit: 'open' });
    const { of: told } = programme([basic, away, home], [of('one', items(['basic', 'away']))]);
    expect(told('stuck').map(({ pattern, mend }) => [pattern, mend])).toEqual([['away', { add: 'home' }]]);
    expect(programme([basic, away, home], [of('one', items(['basic', 'away', 'home']))]).of('stuck')).toEqual(
      [],
    );
  });

  test('a level with many more minutes than those beside it is lightened', () => {
    const many = Array.from({ length: 8 }, (_, index) =>
      figure(`f${index}`, { level: 'two', needs: ['basic'], minutes: index < 6 ? 20 : 5 }),
    );
    const courses = [
      of('one', items(['basic', 'walk'])),
      of('two', items(many.slice(0, 7).map(({ id }) => id))),
      of('three', items(['f7'])),
    ];
    const { of: told, levels } = programme([basic, { ...walk, minutes: 30 }, ...many], courses);
    expect(told('heavy').map(({ level }) => level)).toEqual(['two']);
    expect(levels[1]).toMatchObject({ items: 7, requires: ['basic'] });
    expect(levels[1]?.minutes).toBeGreaterThan(6 * 20);
  });

  test('a figure that is harder than most of the level after belongs there, if nothing below needs it', () => {
    const hard = figure('hard', { level: 'one', needs: ['basic'], difficulty: { points: 30, why: 'spin' } });
    const easy = ['a', 'b', 'c'].map(id =>
      figure(id, { level: 'two', needs: ['basic'], difficulty: { points: 8, why: 'plain' } }),
    );
    const plain = { ...basic, difficulty: { points: 5, why: 'plain' } };
    const courses = [of('one', items(['basic', 'hard'])), of('two', items(['a', 'b', 'c']))];
    const { told } = programme([plain, hard, ...easy], courses);
    expect(told).toContainEqual(['out-of-order', 'one', 'hard', { move: { pattern: 'hard', level: 'two' } }]);
    const needing = figure('needing', {
      level: 'one',
      needs: ['hard'],
      difficulty: { points: 6, why: 'plain' },
    });
    const held = programme(
      [plain, hard, needing, ...easy],
      [of('one', items(['basic', 'hard', 'needing'])), of('two', items(['a', 'b', 'c']))],
    );
    expect(held.told).toContainEqual(['out-of-order', 'one', 'hard', undefined]);
  });
});

test('a mend changes the courses of its levels, and no other; where a figure lay is cleared', () => {
  const placed = [
    { pattern: 'basic', lesson: 1 },
    { pattern: 'walk', lesson: 2 },
  ];
  const one = of('one', items(['basic', 'walk']), { placed });
  const [two, three] = [of('two', items(['wrap'])), of('three', [])];
  const move = { move: { pattern: 'walk', level: 'two' } };
  const out = takeMend(one, move, 'one');
  expect([out.items.map(({ pattern }) => pattern), out.placed]).toEqual([['basic'], placed.slice(0, 1)]);
  expect(takeMend(two, move, 'one').items.at(-1)).toEqual({ pattern: 'walk', value: 'should' });
  expect(takeMend(three, move, 'one')).toBe(three);
  expect(takeMend(two, { add: 'wrap' }, 'two')).toBe(two);
  expect(takeMend(two, { drop: 'wrap' }, 'two').items).toEqual([]);
});
